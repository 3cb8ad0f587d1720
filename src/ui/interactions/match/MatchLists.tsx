'use client';

import { matchBoard, type MatchModel } from '@/core/interactions/match';
import { contentText } from '@/core/content/content';
import { ContentView } from '../../content/ContentView';
import { Place } from '../shared/placing/Places';
import { PlacingArea } from '../shared/placing/PlacingArea';
import { usePlacing } from '../shared/placing/usePlacing';
import type { InteractionProps } from '../types';
import styles from './match.module.css';

/** Two lists: what is in the first is put to its partner in the second. */
export function MatchLists(props: InteractionProps<MatchModel>) {
  const { model, slots } = props;
  const columnName = (identifier: string) =>
    contentText(model.columns.find((one) => one.identifier === identifier)?.content ?? []) || identifier;
  const placing = usePlacing(props, matchBoard(model), model.rows, columnName);
  return (
    <PlacingArea placing={placing} model={model} slots={slots}>
      <ul className={styles.targets}>
        {model.columns.map((column) => (
          <li key={column.identifier} className={styles.target}>
            <div className={styles.targetName}>
              <ContentView content={column.content} slots={slots} />
            </div>
            <Place
              place={column.identifier}
              capacity={column.matchMax}
              placing={placing}
              slots={slots}
              look="bin"
            />
          </li>
        ))}
      </ul>
    </PlacingArea>
  );
}
