'use client';

import { Eraser, Hand, Trash2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import { Enlargeable } from '../../kit/Enlargeable';
import { useTold } from '../../kit/speech';
import { useWidth } from '../../kit/useWidth';
import { Hint } from '../shared/Hint';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import { FigureList } from './FigureList';
import styles from './plane.module.css';
import { PlaneStage } from './PlaneStage';
import { TypePoint } from './TypePoint';
import { usePlane } from './usePlane';
import { Button } from '../../kit/Button';

/** Width from which the controls and what is drawn stand beside the graph, in pixels at 100 %. */
const BESIDE = 760;

/** Points, lines and shapes on a grid: drawn by hand or keys, or typed; every figure stands in words below and can be changed there. */
export function CoordinatePlaneView(props: InteractionProps<CoordinatePlaneModel>) {
  const { model, slots, readOnly, announce } = props;
  const t = useTranslations('interactions.plane');
  const plane = usePlane(props);
  useTold(announce, plane.hint);
  const [ref, { width, scale }] = useWidth<HTMLDivElement>(520);
  return (
    <Task model={model} slots={slots}>
      <div ref={ref} data-wide="">
        <Enlargeable name={t('plane')}>
          <div className={styles.layout} data-beside={width > BESIDE * scale || undefined}>
            <div className={styles.controls}>
              {model.counts.maximum > 1 && <CountChip counts={model.counts} chosen={plane.figures.length} />}
              {!readOnly && (
                <>
                  <div className={styles.tools} role="group" aria-label={t('tools')}>
                    {model.tools.map((tool) => (
                      <Button
                        key={tool}
                        aria-pressed={plane.tool === tool}
                        onClick={() => plane.chooseTool(tool)}
                      >
                        {t(`tool.${tool}`)}
                      </Button>
                    ))}
                    <Button aria-pressed={plane.tool === 'move'} onClick={() => plane.chooseTool('move')}>
                      <Hand size="1.1em" aria-hidden="true" /> {t('tool.move')}
                    </Button>
                    <Button aria-pressed={plane.tool === 'eraser'} onClick={() => plane.chooseTool('eraser')}>
                      <Eraser size="1.1em" aria-hidden="true" /> {t('tool.eraser')}
                    </Button>
                    <Button
                      disabled={plane.figures.length === 0 && plane.pending.length === 0}
                      onClick={plane.clear}
                    >
                      <Trash2 size="1.1em" aria-hidden="true" /> {t('clear')}
                    </Button>
                  </div>
                  <Hint>{plane.hint}</Hint>
                </>
              )}
            </div>
            <div className={styles.graph}>
              <PlaneStage model={model} plane={plane} readOnly={readOnly} announce={announce} />
            </div>
            <div className={styles.drawn}>
              {!readOnly && (
                <div className={styles.tools}>
                  {plane.isDrawing && <TypePoint plane={plane} model={model} announce={announce} />}
                  {plane.canClose && <Button onClick={plane.close}>{t('closeShape')}</Button>}
                  {plane.pending.length > 0 && <Button onClick={plane.giveUp}>{t('giveUp')}</Button>}
                </div>
              )}
              <Notice words={plane.notice} />
              <FigureList plane={plane} readOnly={readOnly} />
            </div>
          </div>
        </Enlargeable>
      </div>
    </Task>
  );
}
