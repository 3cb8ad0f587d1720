'use client';

import { useTranslations } from 'use-intl';
import { pictureBoard, type GraphicGapMatchModel } from '@/core/interactions/graphic-gap-match';
import { Place } from '../shared/placing/Places';
import { PlacingArea } from '../shared/placing/PlacingArea';
import { usePlacing } from '../shared/placing/usePlacing';
import { placeOf } from '../shared/stage/HotspotLayer';
import { Stage } from '../shared/stage/Stage';
import { useSpotNames } from '../shared/useSpotNames';
import type { InteractionProps } from '../types';

/** For one piece: at least as high as its place, and as high as large letters need. */
const growing = ({ height, ...place }: ReturnType<typeof placeOf>) => ({ ...place, minHeight: height });
/** For several: as high as its place, so that they scroll within it and cover nothing beside it; one of them is always whole. */
const scrolling = ({ height, ...place }: ReturnType<typeof placeOf>) => ({
  ...place,
  height: `max(${height}, 3.75rem)`,
});

/** Pieces onto places of a picture. */
export function GraphicGapMatchView(props: InteractionProps<GraphicGapMatchModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.graphic');
  const placing = usePlacing(props, pictureBoard(model), model.choices, useSpotNames(model.hotspots));
  return (
    <PlacingArea placing={placing} model={model} slots={slots}>
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        places={model.hotspots}
        over={(size) =>
          model.hotspots.map((spot) => (
            <Place
              key={spot.identifier}
              place={spot.identifier}
              capacity={spot.matchMax}
              placing={placing}
              slots={slots}
              style={(spot.matchMax === 1 ? growing : scrolling)(placeOf(spot, size))}
              look="spot"
            />
          ))
        }
      />
    </PlacingArea>
  );
}
