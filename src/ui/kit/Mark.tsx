/** The product's mark: a compass needle. Decorative: the name stands beside it. */
export function Mark({ className }: { className?: string }) {
  return (
    <svg className={className} viewBox="0 0 36 36" aria-hidden="true" focusable="false">
      <circle cx="18" cy="18" r="16" fill="none" stroke="var(--accent)" strokeWidth="2.5" />
      <path d="M18 5 22 18 18 31 14 18Z" fill="var(--accent)" />
      <path d="M18 5 22 18H14Z" fill="var(--here)" />
    </svg>
  );
}
