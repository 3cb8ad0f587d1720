'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import { clearRow, isMatched, pressCell, type MatchChoice, type MatchModel } from '@/core/interactions/match';
import { contentText } from '@/core/content/content';
import { forCardinality } from '@/core/content/response';
import { ContentView } from '../../content/ContentView';
import { isSecondOfTwo } from '../../kit/secondOfTwo';
import { Prompt } from '../Prompt';
import { useTaskName } from '../taskName';
import { Notice } from '../shared/Notice';
import { useNotice } from '../shared/useNotice';
import type { InteractionProps } from '../types';
import styles from './match.module.css';

/** A grid: something in every row. Round marks where a row takes one, square where it takes more. */
export function MatchGrid(props: InteractionProps<MatchModel>) {
  const { model, response, onAnswer, slots, itemRef, shape } = props;
  const t = useTranslations('interactions.match');
  const id = useId();
  const { notice, refuse } = useNotice(props);

  const press = (row: MatchChoice, column: MatchChoice) => {
    const move = pressCell(model, response, row.identifier, column.identifier);
    if (move.kind === 'changed') {
      onAnswer(forCardinality(move.response, shape.cardinality));
      return;
    }
    refuse(t(`full.${move.who}`, { maximum: move.maximum }));
  };

  const name = useTaskName(model, id);
  return (
    <div className={styles.block}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      <div className={styles.scroll}>
        <table className={styles.grid} {...name}>
          <thead>
            <tr>
              <td />
              {model.columns.map((column) => (
                <th key={column.identifier} scope="col">
                  <ContentView content={column.content} slots={slots} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {model.rows.map((row) => (
              <tr
                key={row.identifier}
                data-unit="row"
                data-unit-key={`${model.responseIdentifier}:${row.identifier}`}
              >
                <th scope="row">
                  <ContentView content={row.content} slots={slots} />
                </th>
                {model.columns.map((column) => (
                  <td key={column.identifier}>
                    <label className={styles.cell}>
                      <input
                        type={row.matchMax === 1 ? 'radio' : 'checkbox'}
                        name={`${itemRef}-${model.responseIdentifier}-${row.identifier}`}
                        checked={isMatched(response, row.identifier, column.identifier)}
                        aria-label={`${contentText(row.content)} ${contentText(column.content)}`}
                        onChange={(event) => isSecondOfTwo(event) || press(row, column)}
                        onKeyDown={(event) => {
                          if (event.key === 'Delete' || event.key === 'Backspace')
                            onAnswer(clearRow(response, row.identifier));
                        }}
                      />
                      <span
                        className={styles.mark}
                        data-round={row.matchMax === 1 || undefined}
                        aria-hidden="true"
                      />
                    </label>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Notice words={notice} />
    </div>
  );
}
