'use client';

import { useEffect, useState, type RefObject } from 'react';
import { useHandler } from '../kit/useHandler';

interface Follow<Measured> {
  readonly measure: (content: HTMLElement) => Measured;
  readonly isSame: (a: Measured, b: Measured) => boolean;
  /** Elements inside whose own size matters too. */
  readonly sized?: string;
  /** Attributes inside whose change moves things; `children`: whether coming and going does too. */
  readonly attributes?: readonly string[];
  readonly children?: boolean;
}

/** What is measured in a sheet, followed through layout, magnifying and figures shown large; the same object while nothing has moved. */
export function useFollowed<Measured>(
  contentRef: RefObject<HTMLElement | null>,
  { measure, isSame, sized, attributes = [], children = false }: Follow<Measured>,
): Measured | null {
  const [measured, setMeasured] = useState<Measured | null>(null);
  const look = useHandler((content: HTMLElement) => {
    const now = measure(content);
    setMeasured((before) => (before && isSame(before, now) ? before : now));
  });
  const watched = attributes.join(' ');
  useEffect(() => {
    const content = contentRef.current;
    if (!content) return undefined;
    let frame = 0;
    const update = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => look(content));
    };
    update();
    const sizes = new ResizeObserver(update);
    sizes.observe(content);
    if (sized !== undefined) for (const one of content.querySelectorAll(sized)) sizes.observe(one);
    const changes = new MutationObserver(update);
    changes.observe(content, {
      subtree: true,
      childList: children,
      ...(watched !== '' && { attributes: true, attributeFilter: watched.split(' ') }),
    });
    // Letters of another face stand elsewhere.
    void document.fonts.ready.then(update);
    return () => {
      cancelAnimationFrame(frame);
      sizes.disconnect();
      changes.disconnect();
    };
  }, [contentRef, look, sized, watched, children]);
  return measured;
}
