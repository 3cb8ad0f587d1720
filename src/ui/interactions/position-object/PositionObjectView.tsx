'use client';

import { useId, useRef, useState, type PointerEvent } from 'react';
import { useTranslations } from 'use-intl';
import type { PositionObjectModel } from '@/core/interactions/position-object';
import { Prompt } from '../Prompt';
import shared from '../shared.module.css';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { PointHandle } from '../shared/stage/Pointable';
import pointable from '../shared/stage/pointable.module.css';
import { Stage, type StageSize } from '../shared/stage/Stage';
import { usePoints } from '../shared/usePoints';
import type { InteractionProps } from '../types';
import styles from './positionObject.module.css';

/** An object put down on a stage, once or several times: dragged there, pressed there, or put there by button and keys. */
export function PositionObjectView(props: InteractionProps<PositionObjectModel>) {
  const { model, slots, readOnly } = props;
  const t = useTranslations('interactions.graphic');
  const id = useId();
  const rootRef = useRef<HTMLDivElement>(null);
  const draggedRef = useRef(false);
  const [carried, setCarried] = useState<{ x: number; y: number } | null>(null);
  const { points, notice, add, move, remove, clear } = usePoints(props, model.counts.maximum);
  const { object, stage, centre } = model;
  const [width, height] = [object.width ?? 48, object.height ?? 48];
  const src = slots.assetUrl(object.src);
  const middle = { x: (stage.width ?? 400) / 2, y: (stage.height ?? 300) / 2 };
  const drop = (event: PointerEvent) => {
    const box = rootRef.current?.querySelector('[data-stage]')?.getBoundingClientRect();
    if (!box) return;
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    if (x >= 0 && x <= 1 && y >= 0 && y <= 1)
      add({ x: x * (stage.width ?? box.width), y: y * (stage.height ?? box.height) });
  };
  /** The object's picture so that its centre lies on the point. */
  const look = (size: StageSize) => ({
    width: `${(width / size.width) * 100}cqw`,
    transform: centre
      ? `translate(${50 - (centre.x / width) * 100}%, ${50 - (centre.y / height) * 100}%)`
      : undefined,
  });
  return (
    <div
      ref={rootRef}
      role="group"
      aria-labelledby={model.prompt.length > 0 ? id : undefined}
      data-unit="box"
      data-unit-key={model.responseIdentifier}
    >
      <Prompt id={id} content={model.prompt} slots={slots} />
      <CountChip counts={model.counts} chosen={points.length} />
      <div data-operate="" className={pointable.buttons}>
        <button
          type="button"
          className={styles.source}
          data-object=""
          onClick={() => {
            // A drag that ended on the stage has put the object down already.
            if (!draggedRef.current) add(middle);
            draggedRef.current = false;
          }}
          disabled={readOnly}
          onPointerDown={(event) => {
            draggedRef.current = false;
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={(event) => {
            if (event.buttons !== 1) return;
            draggedRef.current = true;
            setCarried({ x: event.clientX, y: event.clientY });
          }}
          onPointerUp={(event) => {
            if (!carried) return;
            setCarried(null);
            drop(event);
          }}
          onPointerCancel={() => setCarried(null)}
        >
          <img src={src} alt={object.alt} width={width} height={height} draggable={false} />
          {t('putDown')}
        </button>
        <button type="button" className={shared.button} disabled={points.length === 0} onClick={clear}>
          {t('removeAll')}
        </button>
      </div>
      {carried && (
        <img
          className={styles.carried}
          src={src}
          alt=""
          width={width}
          height={height}
          style={{ left: carried.x, top: carried.y }}
        />
      )}
      <Stage
        name={t('picture')}
        picture={stage}
        assetUrl={slots.assetUrl}
        onPoint={readOnly ? undefined : add}
        over={(size) =>
          points.map((point, i) => (
            <PointHandle
              key={i}
              point={point}
              size={size}
              readOnly={readOnly}
              label={t('object', { name: object.alt, index: i + 1, total: points.length })}
              onMove={(to) => move(i, to)}
              onRemove={() => remove(i)}
            >
              <img className={styles.object} src={src} alt="" style={look(size)} draggable={false} />
            </PointHandle>
          ))
        }
      />
      <p data-operate="" className={pointable.hint}>
        {t('objectHint')}
      </p>
      <Notice words={notice} />
    </div>
  );
}
