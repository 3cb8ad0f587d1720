'use client';

import { X } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { readTypedPoint } from '@/core/interactions/coordinate-plane';
import type { Figure } from '@/core/interactions/coordinate-plane/figures';
import shared from '../shared.module.css';
import { useNumbers } from '../../content/useNumbers';
import { useDraft } from '../shared/useDraft';
import styles from './plane.module.css';
import type { Plane } from './usePlane';
import { Button } from '../../kit/Button';

/** What is drawn, in words; each point can be typed, so that nobody needs to see the grid. */
export function FigureList({ plane, readOnly }: { plane: Plane; readOnly: boolean }) {
  const t = useTranslations('interactions.plane');
  const { begun } = plane;
  if (plane.figures.length === 0 && !begun)
    return (
      <p data-operate="" className={shared.hint}>
        {t('nothing')}
      </p>
    );
  return (
    <ol className={styles.figures} aria-label={t('list')}>
      {plane.figures.map((figure, i) => (
        <li key={i} className={styles.row} data-figure={figure.tool}>
          <span className={styles.rowWords}>{plane.words.figure(figure)}</span>
          {!readOnly && (
            <span className={styles.edits}>
              {figure.points.map((point, h) => (
                <PointField
                  key={h}
                  label={t('pointOf', { handle: h + 1 })}
                  value={plane.words.point(point)}
                  onPoint={(to) => plane.moveHandle(i, h, to)}
                />
              ))}
              {figure.tool === 'halfplane' && <HalfplaneButtons figure={figure} index={i} plane={plane} />}
              <Button
                look="quiet"
                aria-label={t('erase', { figure: plane.words.figure(figure) })}
                title={t('eraseShort')}
                onClick={() => plane.erase(i)}
              >
                <X size="1.2em" aria-hidden="true" />
              </Button>
            </span>
          )}
        </li>
      ))}
      {begun && (
        <li className={styles.row} data-figure="begun">
          <span className={styles.rowWords}>{plane.words.begun(begun)}</span>
          {!readOnly && (
            <span className={styles.edits}>
              {begun.points.map((point, h) => (
                <PointField
                  key={h}
                  label={t('pointOf', { handle: h + 1 })}
                  value={plane.words.point(point)}
                  onPoint={(to) => plane.moveBegun(h, to)}
                />
              ))}
              <Button look="quiet" aria-label={t('giveUp')} title={t('giveUp')} onClick={plane.giveUp}>
                <X size="1.2em" aria-hidden="true" />
              </Button>
            </span>
          )}
        </li>
      )}
    </ol>
  );
}

function HalfplaneButtons({ figure, index, plane }: { figure: Figure; index: number; plane: Plane }) {
  const t = useTranslations('interactions.plane');
  return (
    <>
      <Button onClick={() => plane.turn(index)}>{t('turn')}</Button>
      <Button
        aria-pressed={figure.closed === true}
        onClick={() => plane.change(index, { ...figure, closed: !figure.closed })}
      >
        {t('edge')}
      </Button>
    </>
  );
}

/** A point that can be typed; given when the field is left or Enter pressed, put back when it is no point. */
function PointField({
  label,
  value,
  onPoint,
}: {
  label: string;
  value: string;
  onPoint: (point: { x: number; y: number }) => void;
}) {
  const numbers = useNumbers();
  const field = useDraft(value, (text) => {
    const point = readTypedPoint(numbers.readPoint(text));
    if (point) onPoint(point);
  });
  return <input className={shared.field} size={8} aria-label={label} {...field} />;
}
