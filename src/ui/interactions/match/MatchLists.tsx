'use client';

import { useId, useRef } from 'react';
import { matchBoard, type MatchModel } from '@/core/interactions/match';
import { contentText } from '@/core/item/content';
import { ContentView } from '../../content/ContentView';
import { Prompt } from '../Prompt';
import { Notice } from '../shared/Notice';
import { PieceList } from '../shared/placing/PieceList';
import { Place } from '../shared/placing/Places';
import { focusFirstPlace, PlacingArea } from '../shared/placing/PlacingArea';
import { PlacingHint } from '../shared/placing/PlacingHint';
import { usePlacing } from '../shared/placing/usePlacing';
import type { InteractionProps } from '../types';
import styles from './match.module.css';

/** Two lists: what is in the first is put to its partner in the second. */
export function MatchLists(props: InteractionProps<MatchModel>) {
  const { model, slots } = props;
  const id = useId();
  const rootRef = useRef<HTMLDivElement>(null);
  const contentOf = (identifier: string) =>
    [...model.rows, ...model.columns].find((one) => one.identifier === identifier)?.content ?? [];
  const nameOf = (identifier: string) => contentText(contentOf(identifier)) || identifier;
  const placing = usePlacing(props, matchBoard(model), nameOf, nameOf);
  return (
    <PlacingArea placing={placing} rootRef={rootRef} labelledBy={model.prompt.length > 0 ? id : undefined}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      <PieceList
        placing={placing}
        pieces={model.rows}
        slots={slots}
        onKeyPick={() => focusFirstPlace(rootRef.current)}
      />
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
              contentOf={contentOf}
              slots={slots}
              look="bin"
            />
          </li>
        ))}
      </ul>
      <PlacingHint placing={placing} />
      <Notice words={placing.notice} />
    </PlacingArea>
  );
}
