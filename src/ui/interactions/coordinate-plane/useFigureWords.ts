'use client';

import { useTranslations } from 'use-intl';
import {
  sideOfLine,
  type Begun,
  type Figure,
  type PlanePoint,
} from '@/core/interactions/coordinate-plane/figures';

const number = (value: number): string => String(Number(value.toPrecision(8))).replace('-', '\u2212');

/** Points and figures in words: "Segment from (0, 0) to (3, 4)". */
export function useFigureWords() {
  const t = useTranslations('interactions.plane');
  const point = ({ x, y }: PlanePoint) => `(${number(x)}, ${number(y)})`;
  return {
    point,
    /** What is being drawn and not finished: "Shape, not closed yet: (0, 0), (4, 0)". */
    begun: ({ tool, points }: Begun): string => t(`begun.${tool}`, { points: points.map(point).join(', ') }),
    figure: (figure: Figure): string => {
      const [a, b] = figure.points;
      if (figure.tool === 'polygon')
        return t('words.polygon', {
          count: figure.points.length,
          corners: figure.points.map(point).join(', '),
        });
      if (!a) return '';
      if (figure.tool === 'point' || !b) return t('words.point', { a: point(a) });
      if (figure.tool !== 'halfplane') return t(`words.${figure.tool}`, { a: point(a), b: point(b) });
      // Above or below the boundary; right or left of it where it stands upright.
      const upright = Math.abs(b.x - a.x) < 1e-9;
      const left = figure.inside ? sideOfLine(figure.inside, a, b) > 0 : true;
      const up = b.x > a.x ? left : !left;
      const side = upright ? ((b.y > a.y ? left : !left) ? 'left' : 'right') : up ? 'above' : 'below';
      return t('words.halfplane', {
        a: point(a),
        b: point(b),
        side: t(`side.${side}`),
        edge: t(figure.closed ? 'closed' : 'open'),
      });
    },
  };
}
