'use client';

import { Check } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { HotspotModel } from '@/core/interactions/hotspot';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { Badge, HotspotShapes, Spot } from '../shared/stage/HotspotLayer';
import { Stage } from '../shared/stage/Stage';
import { useSelection } from '../shared/useSelection';
import { useSpotNames } from '../shared/useSpotNames';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';

/** Places of a picture to press; each has its name, its outline and a tick when chosen. */
export function HotspotView(props: InteractionProps<HotspotModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.graphic');
  const { hotspots } = model;
  const nameOf = useSpotNames(hotspots);
  const { chosen, press, notice } = useSelection(
    props,
    hotspots.map((spot) => spot.identifier),
    model.counts.maximum,
  );
  const isOn = (identifier: string) => chosen.includes(identifier);
  return (
    <Task model={model} slots={slots}>
      <CountChip counts={model.counts} chosen={chosen.length} />
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        places={model.hotspots}
        shapes={(size) => <HotspotShapes hotspots={hotspots} size={size} on={isOn} />}
        over={(size) =>
          hotspots.map((spot) => (
            <Spot
              key={spot.identifier}
              spot={spot}
              size={size}
              label={nameOf(spot.identifier)}
              pressed={isOn(spot.identifier)}
              onPress={() => press(spot.identifier)}
            >
              {isOn(spot.identifier) && (
                <Badge>
                  <Check size="1.125em" strokeWidth={3} />
                </Badge>
              )}
            </Spot>
          ))
        }
      />
      <Notice words={notice} />
    </Task>
  );
}
