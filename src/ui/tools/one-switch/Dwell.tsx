'use client';

import { useEffect, useRef } from 'react';
import styles from './oneSwitch.module.css';

/** A hand that trembles less than this rests, CSS pixels. */
const TREMBLES = 8;
/** What a resting pointer presses. */
const PRESSED =
  'button, a[href], label, input, select, textarea, summary, [role=button], [role=option], [role=slider], [contenteditable=true]';

/** A pointer without a button: where it rests, it presses, once; then it has to go somewhere else. */
export function Dwell({ seconds }: { readonly seconds: number }) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let from = { x: -100, y: -100 };
    let timer: ReturnType<typeof setTimeout> | undefined;
    /** What was pressed and has not been left since. */
    let pressedAt: Element | null = null;
    const show = (on: boolean) => {
      const ring = ref.current;
      if (!ring) return;
      ring.style.transform = `translate(${from.x}px, ${from.y}px)`;
      ring.toggleAttribute('data-on', on);
    };
    const moved = ({ clientX: x, clientY: y, pointerType }: PointerEvent) => {
      if (pointerType === 'touch' || Math.hypot(x - from.x, y - from.y) <= TREMBLES) return;
      from = { x, y };
      clearTimeout(timer);
      const target = document.elementFromPoint(x, y)?.closest<HTMLElement>(PRESSED);
      if (target !== pressedAt) pressedAt = null;
      const presses = target != null && target !== pressedAt;
      show(presses);
      if (!presses) return;
      timer = setTimeout(() => {
        show(false);
        const under = document.elementFromPoint(x, y)?.closest<HTMLElement>(PRESSED);
        if (under !== target) return;
        pressedAt = target;
        under.focus();
        under.click();
      }, seconds * 1_000);
    };
    // A real press is a press; what was begun is over.
    const pressed = () => {
      clearTimeout(timer);
      show(false);
    };
    document.addEventListener('pointermove', moved, { passive: true });
    document.addEventListener('pointerdown', pressed);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('pointermove', moved);
      document.removeEventListener('pointerdown', pressed);
    };
  }, [seconds]);
  return (
    <div
      ref={ref}
      className={styles.ring}
      style={{ '--rest': `${seconds}s` } as React.CSSProperties}
      aria-hidden="true"
    >
      <span />
    </div>
  );
}
