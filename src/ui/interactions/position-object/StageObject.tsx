'use client';

import { createContext } from 'react';
import { createPortal } from 'react-dom';
import { useTranslations } from 'use-intl';
import type { PositionObjectModel } from '@/core/interactions/position-object';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { PointHandles } from '../shared/stage/Pointable';
import pointable from '../shared/stage/pointable.module.css';
import { PressLayer, type StageSize } from '../shared/stage/Stage';
import { usePoints } from '../shared/usePoints';
import type { InteractionProps } from '../types';
import { ObjectSource } from './ObjectSource';
import styles from './positionObject.module.css';
import { Button } from '../../kit/Button';

/** The stage that objects stand on, as each of them sees it. */
export interface OnStage {
  readonly size: StageSize;
  /** Where handles are drawn, over the picture. */
  readonly layer: HTMLElement | null;
  /** Whose object a press on the picture puts down. */
  readonly active: string;
  readonly activate: (responseIdentifier: string) => void;
  readonly alone: boolean;
}
export const StageContext = createContext<OnStage | null>(null);

/** One object: where it comes from, above the picture, and where it has been put, on it. */
export function StageObject(props: InteractionProps<PositionObjectModel> & { readonly stage: OnStage }) {
  const { model, slots, readOnly, stage } = props;
  const { size, layer, alone } = stage;
  const t = useTranslations('interactions.graphic');
  const placed = usePoints(props, model.counts.maximum);
  const { points, add } = placed;
  const { object, centre } = model;
  const [width, height] = [object.width ?? 48, object.height ?? 48];
  const src = slots.assetUrl(object.src);
  const active = stage.active === model.responseIdentifier;
  /** The object's picture so that its centre lies on the point. */
  const look = {
    width: `${(width / size.width) * 100}cqw`,
    transform: centre
      ? `translate(${50 - (centre.x / width) * 100}%, ${50 - (centre.y / height) * 100}%)`
      : undefined,
  };
  const onStage = (
    <>
      {active && !readOnly && <PressLayer size={size} onPoint={add} />}
      <PointHandles
        placed={placed}
        size={size}
        readOnly={readOnly}
        labelOf={(place) => t('object', { name: object.alt, ...place })}
        draw={() => <img className={styles.object} src={src} alt="" style={look} draggable={false} />}
      />
    </>
  );
  const count = <CountChip counts={model.counts} chosen={points.length} />;
  return (
    <>
      {alone && count}
      <div data-operate="" className={pointable.buttons}>
        <ObjectSource
          src={src}
          alt={object.alt}
          width={width}
          height={height}
          size={size}
          active={active && !alone}
          onPut={(point) => {
            stage.activate(model.responseIdentifier);
            add(point, size);
          }}
        />
        <Button disabled={points.length === 0} onClick={placed.clear}>
          {alone ? t('removeAll') : t('removeAllOf', { name: object.alt })}
        </Button>
        {!alone && count}
      </div>
      <Notice words={placed.notice} />
      {layer && createPortal(onStage, layer)}
    </>
  );
}
