'use client';

import { Ruler as RulerIcon } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import type { Ruler } from '@/core/item/materials';
import { PIXELS, rulerMarks, USUAL_RULERS } from '@/core/tools/measuring';
import { useKept, useKeptAt, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { switchState } from '../switchState';
import { defineTool, type QuestionProps, type SheetLayerProps } from '../types';
import { Instrument } from './Instrument';
import { InstrumentWindow } from './InstrumentWindow';
import styles from './measuring.module.css';
import { LAID } from './state';
import { useLaid } from './useLaid';
import { useMeasured } from './useMeasured';

/** How wide a ruler is, and how far its marks reach, in pixels at 100 %. */
const WIDE = 62;
const REACH = { 0: 6, 1: 9, 2: 12, 3: 15, 4: 19 } as const;
const LABEL_AT = 33;

function useRulers(itemRef: string): readonly Ruler[] {
  const { test } = usePlayer();
  const brought = own(test.items, itemRef)?.materials.rulers ?? [];
  return brought.length > 0 ? brought : USUAL_RULERS;
}

const STATE = switchState('ruler', 'test');

function RulerLayer(props: SheetLayerProps) {
  const [{ on }] = useKept('ruler', STATE);
  const itemRef = props.textId.replace(/^item:/, '');
  return props.sheet === 'question' && on ? (
    <LaidRuler key={itemRef} itemRef={itemRef} contentRef={props.contentRef} />
  ) : null;
}

/** Half of a handle and a little air, in pixels at 100 %. */
const HANDLE = 28;

function LaidRuler({ itemRef, contentRef }: QuestionProps & Pick<SheetLayerProps, 'contentRef'>) {
  const measured = useMeasured(contentRef);
  const rulers = useRulers(itemRef);
  const tall = measured?.figure.height ?? 0;
  // On the figure, its handles too as far as there is room: what is read below it stays free.
  const first = Math.max(0, Math.min(tall * 0.65, tall - WIDE - HANDLE));
  const { laid, which, lay } = useLaid('ruler', itemRef, { x: 8, y: first });
  const ruler = rulers[which] ?? rulers[0];
  if (!measured || !ruler) return null;
  const long = ruler.length * PIXELS[ruler.unit];
  const side = laid.flipped ? -1 : 1;
  return (
    <Instrument
      id="ruler"
      measured={measured}
      laid={laid}
      onLay={lay}
      step={ruler.minor * PIXELS[ruler.unit]}
      moveAt={{ x: Math.min(long * 0.2, 60), y: WIDE + 4 }}
      settingsAt={{ x: Math.min(long * 0.45, 160), y: WIDE + 4 }}
      turnAt={{ x: Math.min(long * 0.7, 260), y: WIDE + 4 }}
    >
      <rect className={styles.glass} x={-8} y={laid.flipped ? -20 : 0} width={long + 16} height={20} />
      <rect
        className={styles.board}
        x={-8}
        y={laid.flipped ? -WIDE : 20}
        width={long + 16}
        height={WIDE - 20}
      />
      <rect className={styles.outline} x={-8} y={laid.flipped ? -WIDE : 0} width={long + 16} height={WIDE} />
      {rulerMarks(ruler).map(({ at, rank, label }) => (
        <g key={at}>
          <path className={styles.mark} data-at={at} d={`M${at} 0V${REACH[rank] * side}`} />
          {label !== null && (
            <text className={styles.number} x={at} y={LABEL_AT * side + (laid.flipped ? 4 : 0)}>
              {label}
            </text>
          )}
        </g>
      ))}
      <text className={styles.unit} x={long - 4} y={(WIDE - 8) * side + (laid.flipped ? 8 : 0)}>
        {ruler.unit}
      </text>
    </Instrument>
  );
}

function RulerWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.measuring');
  const rulers = useRulers(itemRef);
  const [{ which }, keep] = useKeptAt('ruler', itemRef, LAID);
  return (
    <InstrumentWindow id="ruler" itemRef={itemRef}>
      {rulers.length > 1 && (
        <div className={styles.row} role="group" aria-label={t('unit')}>
          {rulers.map((ruler, i) => (
            <Button key={i} small aria-pressed={i === which} onClick={() => keep({ which: i })}>
              {t(`units.${ruler.unit}`)}
            </Button>
          ))}
        </div>
      )}
    </InstrumentWindow>
  );
}

export const ruler = defineTool({
  id: 'ruler',
  Icon: RulerIcon,
  letter: 'U',
  button: 'switch',
  group: 'measuring',
  access: { brought: 'rulers' },
  state: STATE,
  window: { Content: RulerWindow, size: () => ({ width: 19, height: 22 }) },
  sheetLayer: { order: 30, Layer: RulerLayer, one: true },
});
