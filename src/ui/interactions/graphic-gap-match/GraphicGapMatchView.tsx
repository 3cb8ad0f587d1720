'use client';

import { useId, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { pictureBoard, type GraphicGapMatchModel } from '@/core/interactions/graphic-gap-match';
import { contentText } from '@/core/item/content';
import { Prompt } from '../Prompt';
import { Notice } from '../shared/Notice';
import { PieceList } from '../shared/placing/PieceList';
import { Place } from '../shared/placing/Places';
import { focusFirstPlace, PlacingArea } from '../shared/placing/PlacingArea';
import { PlacingHint } from '../shared/placing/PlacingHint';
import { usePlacing } from '../shared/placing/usePlacing';
import { placeOf } from '../shared/stage/HotspotLayer';
import { Stage } from '../shared/stage/Stage';
import { useSpotNames } from '../shared/useSpotNames';
import type { InteractionProps } from '../types';

/** Pieces onto places of a picture. */
export function GraphicGapMatchView(props: InteractionProps<GraphicGapMatchModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.graphic');
  const id = useId();
  const rootRef = useRef<HTMLDivElement>(null);
  const nameOf = useSpotNames(model.hotspots);
  const contentOf = (piece: string) =>
    model.choices.find((one) => one.identifier === piece)?.content ?? [
      { kind: 'text' as const, text: piece },
    ];
  const placing = usePlacing(
    props,
    pictureBoard(model),
    (piece) => contentText(contentOf(piece)) || piece,
    nameOf,
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
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        over={(size) =>
          model.hotspots.map((spot) => (
            <Place
              key={spot.identifier}
              place={spot.identifier}
              capacity={spot.matchMax}
              placing={placing}
              contentOf={contentOf}
              slots={slots}
              style={placeOf(spot, size)}
              look="spot"
            />
          ))
        }
      />
      <PlacingHint placing={placing} />
      <Notice words={placing.notice} />
    </PlacingArea>
  );
}
