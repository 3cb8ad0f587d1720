'use client';

import { useTranslations } from 'use-intl';
import type { GraphicOrderModel } from '@/core/interactions/graphic-order';
import { Notice } from '../shared/Notice';
import { SequenceList } from '../shared/SequenceList';
import { Badge, HotspotShapes, Spot } from '../shared/stage/HotspotLayer';
import { Stage } from '../shared/stage/Stage';
import { useSequence } from '../shared/useSequence';
import { useSpotNames } from '../shared/useSpotNames';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import { Hint } from '../shared/Hint';

/** Places of a picture pressed in order; the order stands on the picture and in a list that can be changed. */
export function GraphicOrderView(props: InteractionProps<GraphicOrderModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.graphic');
  const { hotspots } = model;
  const nameOf = useSpotNames(hotspots);
  const { sequence, notice, move, remove, press } = useSequence(
    props,
    hotspots.map((spot) => spot.identifier),
    model.counts.maximum,
    nameOf,
  );
  return (
    <Task model={model} slots={slots}>
      <Hint>{t('orderHint')}</Hint>
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        places={model.hotspots}
        shapes={(size) => (
          <HotspotShapes hotspots={hotspots} size={size} on={(identifier) => sequence.includes(identifier)} />
        )}
        over={(size) =>
          hotspots.map((spot) => {
            const place = sequence.indexOf(spot.identifier);
            const name = nameOf(spot.identifier);
            return (
              <Spot
                key={spot.identifier}
                spot={spot}
                size={size}
                label={place < 0 ? name : t('inOrder', { name, place: place + 1 })}
                pressed={place >= 0}
                onPress={() => press(spot.identifier)}
              >
                {place >= 0 && <Badge>{place + 1}</Badge>}
              </Spot>
            );
          })
        }
      />
      <Notice words={notice} />
      <SequenceList sequence={sequence} nameOf={nameOf} draw={nameOf} onMove={move} onRemove={remove} />
    </Task>
  );
}
