'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import type { SelectPointModel } from '@/core/interactions/select-point';
import { Prompt } from '../Prompt';
import shared from '../shared.module.css';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { PointHandle } from '../shared/stage/Pointable';
import pointable from '../shared/stage/pointable.module.css';
import { Stage } from '../shared/stage/Stage';
import { usePoints } from '../shared/usePoints';
import type { InteractionProps } from '../types';

/** Points set on a picture: by a press, or by the button for the keyboard, then moved by hand or arrow keys. */
export function SelectPointView(props: InteractionProps<SelectPointModel>) {
  const { model, slots, readOnly } = props;
  const t = useTranslations('interactions.graphic');
  const id = useId();
  const { points, notice, add, move, remove, clear } = usePoints(props, model.counts.maximum);
  const middle = { x: (model.picture.width ?? 400) / 2, y: (model.picture.height ?? 300) / 2 };
  return (
    <div
      role="group"
      aria-labelledby={model.prompt.length > 0 ? id : undefined}
      data-unit="box"
      data-unit-key={model.responseIdentifier}
    >
      <Prompt id={id} content={model.prompt} slots={slots} />
      <CountChip counts={model.counts} chosen={points.length} />
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        onPoint={readOnly ? undefined : add}
        over={(size) =>
          points.map((point, i) => (
            <PointHandle
              key={i}
              point={point}
              size={size}
              readOnly={readOnly}
              label={t('point', { index: i + 1, total: points.length })}
              onMove={(to) => move(i, to)}
              onRemove={() => remove(i)}
            >
              <span className={pointable.pin}>{points.length > 1 ? i + 1 : ''}</span>
            </PointHandle>
          ))
        }
      />
      <div data-operate="" className={pointable.buttons}>
        <button type="button" className={shared.button} onClick={() => add(middle)}>
          {t('addPoint')}
        </button>
        <button type="button" className={shared.button} disabled={points.length === 0} onClick={clear}>
          {t('removeAll')}
        </button>
      </div>
      <p data-operate="" className={pointable.hint}>
        {t('pointHint')}
      </p>
      <Notice words={notice} />
    </div>
  );
}
