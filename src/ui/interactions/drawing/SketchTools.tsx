'use client';

import { Circle, Eraser, MoveUpRight, Pencil, Slash, Square, Trash2, Type } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { MARK_COLOURS, type Mark, type MarkColour } from '@/core/interactions/drawing/marks';
import shared from '../shared.module.css';
import styles from './drawing.module.css';
import { Button } from '../../kit/Button';

const TOOLS = [
  ['pencil', Pencil],
  ['line', Slash],
  ['arrow', MoveUpRight],
  ['rectangle', Square],
  ['ellipse', Circle],
  ['text', Type],
  ['eraser', Eraser],
] as const;
export type SketchTool = (typeof TOOLS)[number][0];
type Pen = Pick<Mark, 'colour' | 'width'>;
const WIDTHS = [2, 4, 8] as const;

interface Props {
  readonly tool: SketchTool;
  readonly onTool: (tool: SketchTool) => void;
  readonly pen: Pen;
  readonly onPen: (pen: Pen) => void;
  readonly words: string;
  readonly onWords: (words: string) => void;
  readonly canClear: boolean;
  readonly onClear: () => void;
}

/** What to draw with: tools by name, colours by name, three widths. */
export function SketchTools({ tool, onTool, pen, onPen, words, onWords, canClear, onClear }: Props) {
  const t = useTranslations('interactions.drawing');
  return (
    <div className={styles.tools}>
      <div role="group" aria-label={t('tool')} className={styles.set}>
        {TOOLS.map(([name, Icon]) => (
          <Button
            key={name}

            aria-pressed={tool === name}
            onClick={() => onTool(name)}
          >
            <Icon size="1.1em" aria-hidden="true" /> {t(`tools.${name}`)}
          </Button>
        ))}
      </div>
      <div className={styles.set}>
        <label className={styles.select}>
          {t('colour')}
          <select
            className={shared.field}
            value={pen.colour}
            onChange={(event) => onPen({ ...pen, colour: event.target.value as MarkColour })}
          >
            {Object.keys(MARK_COLOURS).map((colour) => (
              <option key={colour} value={colour}>
                {t(`colours.${colour as MarkColour}`)}
              </option>
            ))}
          </select>
        </label>
        <label className={styles.select}>
          {t('width')}
          <select
            className={shared.field}
            value={pen.width}
            onChange={(event) =>
              onPen({ ...pen, width: WIDTHS.find((one) => String(one) === event.target.value) ?? 4 })
            }
          >
            {WIDTHS.map((width) => (
              <option key={width} value={width}>
                {t(`widths.${width}`)}
              </option>
            ))}
          </select>
        </label>
        {tool === 'text' && (
          <label className={styles.select}>
            {t('words')}
            <input
              className={shared.field}
              value={words}
              maxLength={300}
              onChange={(event) => onWords(event.target.value)}
            />
          </label>
        )}
        <Button disabled={!canClear} onClick={onClear}>
          <Trash2 size="1.1em" aria-hidden="true" /> {t('clear')}
        </Button>
      </div>
    </div>
  );
}
