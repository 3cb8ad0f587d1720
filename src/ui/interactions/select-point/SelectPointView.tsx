'use client';

import { useTranslations } from 'use-intl';
import type { SelectPointModel } from '@/core/interactions/select-point';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { PointHandles } from '../shared/stage/Pointable';
import pointable from '../shared/stage/pointable.module.css';
import { Stage } from '../shared/stage/Stage';
import { Task } from '../shared/Task';
import { usePoints } from '../shared/usePoints';
import type { InteractionProps } from '../types';
import { Button } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** Points set on a picture: by a press, or by the button for the keyboard, then moved by hand or arrow keys. */
export function SelectPointView(props: InteractionProps<SelectPointModel>) {
  const { model, slots, readOnly } = props;
  const t = useTranslations('interactions.graphic');
  const placed = usePoints(props, model.counts.maximum);
  const { points, add } = placed;
  return (
    <Task model={model} slots={slots}>
      <CountChip counts={model.counts} chosen={points.length} />
      <Hint>{t('pointHint')}</Hint>
      <Stage
        name={t('picture')}
        picture={model.picture}
        assetUrl={slots.assetUrl}
        onPoint={readOnly ? undefined : add}
        over={(size) => (
          <PointHandles
            placed={placed}
            size={size}
            readOnly={readOnly}
            labelOf={(place) => t('point', place)}
            draw={(i) => <span className={pointable.pin}>{points.length > 1 ? i + 1 : ''}</span>}
          />
        )}
        below={({ width, height }) => (
          <div data-operate="" className={pointable.buttons}>
            <Button onClick={() => add({ x: width / 2, y: height / 2 }, { width, height })}>
              {t('addPoint')}
            </Button>
            <Button disabled={points.length === 0} onClick={placed.clear}>
              {t('removeAll')}
            </Button>
          </div>
        )}
      />
      <Notice words={placed.notice} />
    </Task>
  );
}
