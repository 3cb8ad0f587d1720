'use client';

import { useEffect, type RefObject } from 'react';

const CONTROLS =
  'button, a[href], input, select, textarea, math-field, [contenteditable="true"], [tabindex="0"]';
const controlsIn = (root: HTMLElement): HTMLElement[] =>
  [...root.querySelectorAll<HTMLElement>(CONTROLS)].filter(
    (one) => one.tabIndex >= 0 && !one.matches(':disabled, [aria-hidden="true"] *, [inert] *'),
  );

/**
 * Whoever presses "Take out" is not thrown to the top of the page with what was taken out: when the control that has the focus goes,
 * the one that has come into its place gets it, the last one where there is none after it, else what lies around.
 */
export function useFocusKept(rootRef: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const root = rootRef.current;
    if (!root) return undefined;
    let held: { readonly control: Element; readonly place: number } | null = null;
    const enter = ({ target }: FocusEvent) => {
      if (target instanceof HTMLElement) held = { control: target, place: controlsIn(root).indexOf(target) };
    };
    const leave = ({ relatedTarget }: FocusEvent) => {
      // A focus that goes nowhere may be going with its control: browsers differ on whether that is said before or after.
      if (relatedTarget !== null) held = null;
    };
    const changes = new MutationObserver(() => {
      if (!held || held.control.isConnected || document.activeElement !== document.body) return;
      const controls = controlsIn(root);
      const next = controls[Math.min(Math.max(0, held.place), controls.length - 1)];
      held = null;
      (next ?? root.closest<HTMLElement>('[tabindex]'))?.focus({ preventScroll: true });
    });
    root.addEventListener('focusin', enter);
    root.addEventListener('focusout', leave);
    changes.observe(root, { childList: true, subtree: true });
    return () => {
      root.removeEventListener('focusin', enter);
      root.removeEventListener('focusout', leave);
      changes.disconnect();
    };
  }, [rootRef]);
}
