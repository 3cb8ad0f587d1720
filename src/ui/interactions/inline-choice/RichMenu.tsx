'use client';

import { ChevronDown } from 'lucide-react';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { useTranslations } from 'use-intl';
import type { InlineChoiceModel } from '@/core/interactions/inline-choice';
import { contentText } from '@/core/content/content';
import { ContentView, type ContentSlots } from '../../content/ContentView';
import styles from './inlineChoice.module.css';
import { Press } from '../../kit/Button';

interface Props {
  readonly model: InlineChoiceModel;
  readonly chosen: string;
  readonly label: string;
  readonly slots: ContentSlots;
  readonly readOnly: boolean;
  readonly onChoose: (identifier: string) => void;
}

/**
 * A menu whose entries hold maths or pictures, which the browser's own menu cannot show: a button and a list box (WAI-ARIA
 * Authoring Practices, "Select-only combobox").
 */
export function RichMenu({ model, chosen, label, slots, readOnly, onChoose }: Props) {
  const t = useTranslations('interactions.inlineChoice');
  const id = useId();
  const rootRef = useRef<HTMLSpanElement>(null);
  const [open, setOpen] = useState(false);
  const at = model.choices.findIndex((one) => one.identifier === chosen);
  const [active, setActive] = useState(0);
  const current = model.choices[at];
  useEffect(() => {
    if (!open) return undefined;
    const away = (event: PointerEvent) => {
      if (event.target instanceof Node && !rootRef.current?.contains(event.target)) setOpen(false);
    };
    document.addEventListener('pointerdown', away);
    return () => document.removeEventListener('pointerdown', away);
  }, [open]);
  const choose = (index: number) => {
    const choice = model.choices[index];
    if (choice) onChoose(choice.identifier);
    setOpen(false);
  };
  const keys = (event: KeyboardEvent) => {
    const last = model.choices.length - 1;
    const move = {
      ArrowDown: Math.min(last, active + 1),
      ArrowUp: Math.max(0, active - 1),
      Home: 0,
      End: last,
    }[event.key];
    if (!open && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      setActive(Math.max(0, at));
      setOpen(true);
    } else if (open && move !== undefined) {
      event.preventDefault();
      setActive(move);
    } else if (open && (event.key === 'Enter' || event.key === ' ')) {
      event.preventDefault();
      choose(active);
    } else if (open && event.key === 'Escape') {
      event.preventDefault();
      event.stopPropagation();
      setOpen(false);
    }
  };
  return (
    <span ref={rootRef} className={styles.rich} data-unit="menu" data-unit-key={model.responseIdentifier}>
      <Press
        role="combobox"
        className={styles.richButton}
        aria-haspopup="listbox"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-activedescendant={open ? `${id}-${active}` : undefined}
        aria-label={`${label}${current ? `: ${contentText(current.content)}` : ''}`}
        disabled={readOnly}
        onClick={() => {
          setActive(Math.max(0, at));
          setOpen(!open);
        }}
        onKeyDown={keys}
      >
        {current ? <ContentView content={current.content} slots={slots} /> : t('choose')}
        <ChevronDown size="1.1em" aria-hidden="true" />
      </Press>
      <span id={`${id}-list`} role="listbox" aria-label={label} className={styles.richList} hidden={!open}>
        {model.choices.map((choice, i) => (
          <span
            key={choice.identifier}
            id={`${id}-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={choice.identifier === chosen}
            className={styles.richOption}
            data-active={i === active || undefined}
            onPointerEnter={() => setActive(i)}
            onClick={() => choose(i)}
            onKeyDown={keys}
          >
            <ContentView content={choice.content} slots={slots} />
          </span>
        ))}
      </span>
    </span>
  );
}
