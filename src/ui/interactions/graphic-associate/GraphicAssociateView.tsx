'use client';

import { useTranslations } from 'use-intl';
import type { GraphicAssociateModel } from '@/core/interactions/graphic-associate';
import { uses } from '@/core/interactions/joining';
import { Notice } from '../shared/Notice';
import { PairList } from '../shared/PairList';
import { HotspotShapes, middleOf, Spot } from '../shared/stage/HotspotLayer';
import { Stage } from '../shared/stage/Stage';
import { useJoining } from '../shared/useJoining';
import { useSpotNames } from '../shared/useSpotNames';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './graphicAssociate.module.css';
import { Hint } from '../shared/Hint';

/** Places of a picture joined in pairs; each pair is a line on the picture and a line in the list below. */
export function GraphicAssociateView(props: InteractionProps<GraphicAssociateModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.joining');
  const { hotspots } = model;
  const nameOf = useSpotNames(hotspots);
  const joining = useJoining(props, hotspots, model.counts.maximum, nameOf);
  const spotOf = (identifier: string) => hotspots.find((spot) => spot.identifier === identifier);
  return (
    <Task model={model} slots={slots} onEscape={joining.letGo}>
      <Hint changes>{joining.held === null ? t('hint') : t('hintHeld', { name: nameOf(joining.held) })}</Hint>
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        places={model.hotspots}
        shapes={(size) => (
          <>
            <HotspotShapes
              hotspots={hotspots}
              size={size}
              on={(identifier) => uses(joining.pairs, identifier) > 0}
              here={(identifier) => joining.held === identifier}
            />
            {joining.pairs.map(([a, b]) => {
              const [from, to] = [spotOf(a), spotOf(b)];
              if (!from || !to) return null;
              const [p, q] = [middleOf(from, size), middleOf(to, size)];
              return (
                <g key={`${a} ${b}`}>
                  <line className={styles.halo} x1={p.x} y1={p.y} x2={q.x} y2={q.y} />
                  <line className={styles.line} x1={p.x} y1={p.y} x2={q.x} y2={q.y} />
                </g>
              );
            })}
          </>
        )}
        over={(size) =>
          hotspots.map((spot) => (
            <Spot
              key={spot.identifier}
              spot={spot}
              size={size}
              label={nameOf(spot.identifier)}
              pressed={joining.held === spot.identifier}
              onPress={() => joining.press(spot.identifier)}
            />
          ))
        }
      />
      <Notice words={joining.notice} />
      <PairList joining={joining} nameOf={nameOf} draw={nameOf} />
    </Task>
  );
}
