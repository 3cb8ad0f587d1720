'use client';

import { Check } from 'lucide-react';
import { useId, type MouseEvent } from 'react';
import { useTranslations } from 'use-intl';
import { pressChoice, type Choice, type ChoiceModel } from '@/core/interactions/choice';
import { contentText, needsWords } from '@/core/content/content';
import { responseTexts } from '@/core/content/response';
import { ContentView } from '../../content/ContentView';
import { isSecondOfTwo } from '../../kit/secondOfTwo';
import { Prompt } from '../Prompt';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { useTaskName } from '../taskName';
import { useNotice } from '../shared/useNotice';
import type { InteractionProps } from '../types';
import styles from './choice.module.css';

const NONE: readonly string[] = [];

/** One of several (round marks) or several (square marks). Native inputs carry keys and screen readers. */
export function ChoiceView(props: InteractionProps<ChoiceModel>) {
  const { model, response, shape, onAnswer, itemRef, slots, struck = NONE } = props;
  const t = useTranslations('interactions.choice');
  const id = useId();
  const { notice, refuse, clear } = useNotice(props);
  const name = useTaskName(model, id, t('label'));
  const multiple = shape.cardinality !== 'single';
  /** Round marks where one can be chosen, whatever the response is declared as. */
  const square = multiple && model.counts.maximum !== 1;
  const chosen = responseTexts(response);

  const press = (choice: Choice) => {
    const move = pressChoice(model, response, choice.identifier, multiple);
    if (move.kind === 'full') return refuse(t('full', { maximum: move.maximum }));
    clear();
    return onAnswer(move.response);
  };

  return (
    <div role={square ? 'group' : 'radiogroup'} {...name} className={styles.group}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      {square && <CountChip counts={model.counts} chosen={chosen.length} />}
      <ul
        className={styles.list}
        data-choices=""
        data-horizontal={model.orientation === 'horizontal' || undefined}
      >
        {model.choices.map((choice) => (
          <ChoiceRow
            key={choice.identifier}
            choice={choice}
            chosen={chosen.includes(choice.identifier)}
            square={square}
            name={`${itemRef}-${model.responseIdentifier}`}
            onPress={() => press(choice)}
            {...props}
            isStruck={struck.includes(choice.identifier)}
          />
        ))}
      </ul>
      <Notice words={notice} />
    </div>
  );
}

/** Words selected inside a choice (to highlight them) must not choose it, nor a double click take it back. */
function keepSelection(event: MouseEvent<HTMLLabelElement>): void {
  const selection = window.getSelection();
  const inside = selection?.anchorNode && event.currentTarget.contains(selection.anchorNode);
  if (event.target instanceof HTMLInputElement) return;
  if ((inside && !selection.isCollapsed) || isSecondOfTwo(event)) event.preventDefault();
}

interface RowProps extends InteractionProps<ChoiceModel> {
  readonly choice: Choice;
  readonly chosen: boolean;
  readonly isStruck: boolean;
  readonly square: boolean;
  readonly name: string;
  readonly onPress: () => void;
}

function ChoiceRow({ choice, chosen, isStruck, square, name, onPress, model, slots, choiceMark }: RowProps) {
  const t = useTranslations('interactions.choice');
  const label = contentText(choice.content);
  return (
    <li
      className={styles.row}
      data-chosen={chosen || undefined}
      data-struck={isStruck || undefined}
      data-unit="choice"
      data-unit-key={`${model.responseIdentifier}:${choice.identifier}`}
    >
      {/* eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions -- only keeps a selection made for highlighting from choosing */}
      <label className={styles.label} onClick={keepSelection}>
        <input
          className={styles.input}
          type={square ? 'checkbox' : 'radio'}
          name={name}
          checked={chosen}
          aria-label={
            needsWords(choice.content) ? [label, isStruck ? t('struckOut') : ''].join(' ').trim() : undefined
          }
          onChange={(event) => isSecondOfTwo(event) || onPress()}
        />
        <span
          className={styles.mark}
          data-choice-mark=""
          data-round={!square || undefined}
          aria-hidden="true"
        >
          {chosen && (square ? <Check size="1em" strokeWidth={3} /> : <span className={styles.dot} />)}
        </span>
        <span className={styles.text} data-choice-text="">
          <ContentView content={choice.content} slots={slots} />
        </span>
        {isStruck && <span className="visually-hidden">{t('struckOut')}</span>}
      </label>
      {choiceMark?.({ choice: choice.identifier, label, chosen })}
    </li>
  );
}
