'use client';

import { useEffect, useLayoutEffect, useRef } from 'react';
import { LENS_SIZES, lensAt, type Point } from '@/core/tools/lens';
import { useKept } from '../../attempt/PlayerContext';
import { useWindows } from '../useWindows';
import styles from './lens.module.css';
import { Mirror } from './mirror';
import { lookedAt, lookingAt, roomNow } from './point';
import { LENS } from './state';

/** The lens lies over the page while its window is open; every press goes through it. */
export function LensLayer() {
  const windows = useWindows();
  return windows.open.includes('lens') ? <Lens /> : null;
}

function Lens() {
  const [{ times, size, follows }] = useKept('lens', LENS);
  const lensRef = useRef<HTMLDivElement>(null);
  const pageRef = useRef<HTMLDivElement>(null);
  const rootRef = useRef<ShadowRoot>(null);

  useEffect(() => {
    const page = pageRef.current;
    if (!page) return undefined;
    // Closed: nothing of the page, no tool and no reader, looks into it.
    const mirror = new Mirror((rootRef.current ??= page.attachShadow({ mode: 'closed' })));
    mirror.start();
    return () => mirror.stop();
  }, []);

  // Moved without drawing anything anew: it goes with the hand.
  useLayoutEffect(() => {
    const place = () => {
      const [lens, page] = [lensRef.current, pageRef.current];
      const room = roomNow();
      const of = LENS_SIZES[size] ?? LENS_SIZES[1];
      const { box, shift } = lensAt(lookingAt(room), of, times, room);
      if (!lens || !page) return;
      lens.style.transform = `translate(${box.left}px, ${box.top}px)`;
      lens.style.width = `${box.width}px`;
      lens.style.height = `${box.height}px`;
      page.style.width = `${room.width}px`;
      page.style.height = `${room.height}px`;
      page.style.transform = `translate(${shift.x}px, ${shift.y}px) scale(${times})`;
    };
    place();
    let frame = 0;
    const soon = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(place);
    };
    const leave = lookedAt.follow(soon);
    window.addEventListener('resize', soon);
    return () => {
      cancelAnimationFrame(frame);
      leave();
      window.removeEventListener('resize', soon);
    };
  }, [times, size]);

  useEffect(() => {
    if (!follows) return undefined;
    const go = (point: Point) => lookedAt.set(point);
    const pointed = ({ clientX: x, clientY: y }: PointerEvent) => go({ x, y });
    const focused = ({ target }: FocusEvent) => {
      if (
        !(target instanceof Element) ||
        !target.matches(':focus-visible') ||
        target.closest('[data-window=lens]')
      )
        return;
      const { left, top, width, height } = target.getBoundingClientRect();
      go({
        x: left + Math.min(width, window.innerWidth) / 2,
        y: top + Math.min(height, window.innerHeight) / 2,
      });
    };
    // A finger that only taps does not move.
    for (const event of ['pointermove', 'pointerdown'] as const)
      document.addEventListener(event, pointed, { passive: true });
    document.addEventListener('focusin', focused);
    return () => {
      for (const event of ['pointermove', 'pointerdown'] as const)
        document.removeEventListener(event, pointed);
      document.removeEventListener('focusin', focused);
    };
  }, [follows]);

  return (
    <div ref={lensRef} className={styles.lens} data-lens="" aria-hidden="true" inert>
      <div ref={pageRef} className={styles.page} />
    </div>
  );
}
