import type { DrawingModel } from '@/core/interactions/drawing';
import { drawingText } from '@/core/interactions/drawing/marks';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<DrawingModel>(
  { type: 'drawing', picture: null, maximum: 1 },
  { cardinality: 'single', baseType: 'file' },
  [
    null,
    drawingText(
      [{ kind: 'ellipse', from: [120, 90], to: [320, 260], colour: 'ink', width: 4 }],
      640,
      400,
      'lesson.svg',
    ),
    drawingText(
      [
        { kind: 'ellipse', from: [120, 90], to: [320, 260], colour: 'ink', width: 4 },
        { kind: 'arrow', from: [560, 330], to: [330, 200], colour: 'blue', width: 4 },
      ],
      640,
      400,
      'lesson.svg',
    ),
  ],
  'own',
);
