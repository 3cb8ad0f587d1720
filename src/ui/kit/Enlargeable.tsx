'use client';

import { Maximize2, X } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import styles from './enlargeable.module.css';

/** Everything on the page but this element and what says things aloud is out of reach while it fills the screen. */
function useAlone(element: HTMLElement | null, on: boolean): void {
  useEffect(() => {
    if (!element || !on) return undefined;
    const made: Element[] = [];
    for (let node: Element = element; node.parentElement; node = node.parentElement) {
      for (const sibling of node.parentElement.children) {
        if (sibling === node || sibling.hasAttribute('inert') || sibling.hasAttribute('data-announcer'))
          continue;
        sibling.setAttribute('inert', '');
        made.push(sibling);
      }
    }
    return () => made.forEach((one) => one.removeAttribute('inert'));
  }, [element, on]);
}

interface Props {
  readonly children: ReactNode;
  readonly name?: string;
  /**
   * For a picture, which nothing may lie upon: its width. The button stands beside it, or above it where there is no room.
   * Without, the button sits in the corner, and what is inside keeps that free.
   */
  readonly widest?: string;
  /** Classes of the content that put it beside the text. */
  readonly side?: string;
}

/**
 * A picture or graph that can be enlarged to fill the screen (work.md, B10). What is inside stays the same element, so a
 * graph is drawn on in either size. The button bears no text of its own: it stands in text that tools anchor to.
 */
export function Enlargeable({ children, name, widest, side = '' }: Props) {
  const t = useTranslations('enlarge');
  const [element, setElement] = useState<HTMLElement | null>(null);
  const [on, setOn] = useState(false);
  const buttonRef = useRef<HTMLSpanElement>(null);
  useAlone(element, on);
  const label = on ? t('close') : t('open', { name: name ?? t('picture') });
  const toggle = () => {
    setOn(!on);
    buttonRef.current?.focus();
  };
  return (
    <span
      ref={setElement}
      className={[styles.frame, side].filter(Boolean).join(' ')}
      data-frame=""
      data-large={on || undefined}
      data-beside={widest !== undefined || undefined}
      role={on ? 'dialog' : undefined}
      aria-modal={on || undefined}
      aria-label={on ? (name ?? t('picture')) : undefined}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !on || event.defaultPrevented) return;
        event.stopPropagation();
        toggle();
      }}
    >
      {/* No button element: it works also where all buttons are switched off, on an answer that is only looked at. */}
      <span
        ref={buttonRef}
        role="button"
        tabIndex={0}
        className={styles.button}
        data-enlarge=""
        aria-label={label}
        title={label}
        onClick={toggle}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          toggle();
        }}
      >
        {on ? <X size="1.25em" aria-hidden="true" /> : <Maximize2 size="1.125em" aria-hidden="true" />}
      </span>
      {widest === undefined ? (
        children
      ) : (
        <span className={styles.body} style={{ flexBasis: widest }}>
          {children}
        </span>
      )}
    </span>
  );
}
