'use client';

import { useTranslations } from 'use-intl';
import type { PositionObjectModel } from '@/core/interactions/position-object';
import shared from '../shared.module.css';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { PointHandles } from '../shared/stage/Pointable';
import pointable from '../shared/stage/pointable.module.css';
import { Stage, type StageSize } from '../shared/stage/Stage';
import { Task } from '../shared/Task';
import { usePoints } from '../shared/usePoints';
import type { InteractionProps } from '../types';
import { ObjectSource } from './ObjectSource';
import styles from './positionObject.module.css';

/** An object put down on a stage, once or several times: dragged there, pressed there, or put there by button and keys. */
export function PositionObjectView(props: InteractionProps<PositionObjectModel>) {
  const { model, slots, readOnly } = props;
  const t = useTranslations('interactions.graphic');
  const placed = usePoints(props, model.counts.maximum);
  const { points, add } = placed;
  const { object, stage, centre } = model;
  const [width, height] = [object.width ?? 48, object.height ?? 48];
  const src = slots.assetUrl(object.src);
  /** The object's picture so that its centre lies on the point. */
  const look = (size: StageSize) => ({
    width: `${(width / size.width) * 100}cqw`,
    transform: centre
      ? `translate(${50 - (centre.x / width) * 100}%, ${50 - (centre.y / height) * 100}%)`
      : undefined,
  });
  return (
    <Task model={model} slots={slots}>
      <CountChip counts={model.counts} chosen={points.length} />
      <Stage
        name={t('picture')}
        picture={stage}
        assetUrl={slots.assetUrl}
        onPoint={readOnly ? undefined : add}
        above={(size) => (
          <div data-operate="" className={pointable.buttons}>
            <ObjectSource src={src} alt={object.alt} width={width} height={height} size={size} onPut={add} />
            <button
              type="button"
              className={shared.button}
              disabled={points.length === 0}
              onClick={placed.clear}
            >
              {t('removeAll')}
            </button>
          </div>
        )}
        over={(size) => (
          <PointHandles
            placed={placed}
            size={size}
            readOnly={readOnly}
            labelOf={(place) => t('object', { name: object.alt, ...place })}
            draw={() => (
              <img className={styles.object} src={src} alt="" style={look(size)} draggable={false} />
            )}
          />
        )}
      />
      <p data-operate="" className={shared.hint}>
        {t('objectHint')}
      </p>
      <Notice words={placed.notice} />
    </Task>
  );
}
