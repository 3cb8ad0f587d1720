'use client';

import { useId, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { gapBoard, type GapMatchModel } from '@/core/interactions/gap-match';
import { contentText } from '@/core/item/content';
import { ContentView } from '../../content/ContentView';
import { Prompt } from '../Prompt';
import { Notice } from '../shared/Notice';
import { PieceList } from '../shared/placing/PieceList';
import { Slot } from '../shared/placing/Places';
import { focusFirstPlace, PlacingArea } from '../shared/placing/PlacingArea';
import { PlacingHint } from '../shared/placing/PlacingHint';
import { usePlacing } from '../shared/placing/usePlacing';
import type { InteractionProps } from '../types';
import styles from './gapMatch.module.css';

/** Words, numbers or pictures into the gaps of a text: by dragging, by press and press, by keys. */
export function GapMatchView(props: InteractionProps<GapMatchModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.placing');
  const id = useId();
  const rootRef = useRef<HTMLDivElement>(null);
  const contentOf = (piece: string) =>
    model.choices.find((one) => one.identifier === piece)?.content ?? [
      { kind: 'text' as const, text: piece },
    ];
  const placing = usePlacing(
    props,
    gapBoard(model),
    (piece) => contentText(contentOf(piece)),
    (gap) => t('box', { number: model.gaps.indexOf(gap) + 1, total: model.gaps.length }),
  );
  return (
    <PlacingArea placing={placing} rootRef={rootRef} labelledBy={model.prompt.length > 0 ? id : undefined}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      <PieceList
        placing={placing}
        pieces={model.choices}
        slots={slots}
        onKeyPick={() => focusFirstPlace(rootRef.current)}
      />
      <div className={styles.text}>
        <ContentView
          content={model.content}
          slots={{
            ...slots,
            place: (_role, gap) => (
              <Slot key={gap} place={gap} placing={placing} contentOf={contentOf} slots={slots} look="gap" />
            ),
          }}
        />
      </div>
      <PlacingHint placing={placing} />
      <Notice words={placing.notice} />
    </PlacingArea>
  );
}
