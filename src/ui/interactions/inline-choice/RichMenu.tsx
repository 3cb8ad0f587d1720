'use client';

import { useSelect } from 'downshift';
import { ChevronDown } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { InlineChoiceModel } from '@/core/interactions/inline-choice';
import { contentText } from '@/core/content/content';
import { ContentView, type ContentSlots } from '../../content/ContentView';
import { Button } from '../../kit/Button';
import styles from './inlineChoice.module.css';

interface Props {
  readonly model: InlineChoiceModel;
  readonly chosen: string;
  readonly label: string;
  readonly slots: ContentSlots;
  readonly readOnly: boolean;
  readonly onChoose: (identifier: string) => void;
}
type Choice = InlineChoiceModel['choices'][number];

/**
 * A menu whose entries hold maths or pictures, which the browser's own menu cannot show (WAI-ARIA Authoring Practices,
 * "Select-only combobox"): arrow keys, Home and End, letters that begin an entry, the active entry always in sight.
 */
export function RichMenu({ model, chosen, label, slots, readOnly, onChoose }: Props) {
  const t = useTranslations('interactions.inlineChoice');
  const words = (choice: Choice | null) => (choice ? contentText(choice.content) : '');
  const current = model.choices.find((one) => one.identifier === chosen) ?? null;
  const menu = useSelect<Choice>({
    items: [...model.choices],
    itemToString: words,
    itemToKey: (choice) => choice?.identifier ?? '',
    selectedItem: current,
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onChoose(selectedItem.identifier),
  });
  return (
    <span className={styles.rich} data-unit="menu" data-unit-key={model.responseIdentifier}>
      <Button
        {...menu.getToggleButtonProps({ disabled: readOnly })}
        className={styles.richButton}
        aria-labelledby={undefined}
        aria-label={`${label}${current ? `: ${words(current)}` : ''}`}
      >
        {current ? <ContentView content={current.content} slots={slots} /> : t('choose')}
        <ChevronDown size="1.1em" aria-hidden="true" />
      </Button>
      <span
        {...menu.getMenuProps({ 'aria-label': label, 'aria-labelledby': undefined })}
        className={styles.richList}
        hidden={!menu.isOpen}
      >
        {model.choices.map((choice, index) => (
          <span
            key={choice.identifier}
            {...menu.getItemProps({ item: choice, index })}
            className={styles.richOption}
            data-active={index === menu.highlightedIndex || undefined}
            data-chosen={choice === current || undefined}
          >
            <ContentView content={choice.content} slots={slots} />
          </span>
        ))}
      </span>
    </span>
  );
}
