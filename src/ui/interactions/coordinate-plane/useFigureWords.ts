'use client';

import {
  pointWords,
  saidBegun,
  saidFigure,
  type Begun,
  type Figure,
} from '@/core/interactions/coordinate-plane/figures';
import { useNumbers } from '../../content/useNumbers';
import { useSaid } from '../useSaid';

/** Points and figures in words: "Segment from (0, 0) to (3, 4)". */
export function useFigureWords() {
  const { phrase } = useSaid();
  const { show } = useNumbers();
  return {
    point: (point: Parameters<typeof pointWords>[0]): string => show(pointWords(point)),
    /** What is being drawn and not finished: "Shape, not closed yet: (0, 0), (4, 0)". */
    begun: (begun: Begun): string => phrase(saidBegun(begun)),
    figure: (figure: Figure): string => phrase(saidFigure(figure)),
  };
}
