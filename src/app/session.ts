export const SESSION_COOKIE = 'able_session';

/** Whether a request that changes something comes from another site's page. */
export function isOtherSite(origin: string | null, host: string | null): boolean {
  if (origin === null) return false;
  try {
    return new URL(origin).host !== host;
  } catch {
    return true;
  }
}
