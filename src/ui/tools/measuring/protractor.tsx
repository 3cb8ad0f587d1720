'use client';

import { TriangleRight } from 'lucide-react';
import { memo } from 'react';
import type { Protractor } from '@/core/item/materials';
import { own } from '@/core/own';
import { protractorMarks, USUAL_PROTRACTOR } from '@/core/tools/measuring';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { switchState } from '../switchState';
import { defineTool, type QuestionProps, type SheetLayerProps } from '../types';
import { Instrument } from './Instrument';
import { InstrumentWindow } from './InstrumentWindow';
import styles from './measuring.module.css';
import { useLaid } from './useLaid';
import { useMeasured } from './useMeasured';

/** The radius of the outer edge, and of what can be seen through, in pixels at 100 %. */
const OUTER = 170;
const INNER = 92;
const REACH = { 0: 7, 1: 9, 2: 11, 3: 12, 4: 14 } as const;
/** Where the two rows of numbers stand: 0 to 180 from the right outside, from the left inside. */
const ROWS = { fromRight: 148, fromLeft: 126 } as const;

const STATE = switchState('protractor', 'test');

function ProtractorLayer(props: SheetLayerProps) {
  const [{ on }] = useKept('protractor', STATE);
  const itemRef = props.textId.replace(/^item:/, '');
  return props.sheet === 'question' && on ? (
    <LaidProtractor key={itemRef} itemRef={itemRef} contentRef={props.contentRef} />
  ) : null;
}

interface BoardProps {
  readonly flipped: boolean;
  readonly protractor: Protractor;
}

/** What is printed on it: the same wherever it is laid and however it is turned, so that it is drawn once. */
const Board = memo(function Board({ flipped, protractor }: BoardProps) {
  const up = flipped ? 1 : -1;
  const at = (degrees: number, radius: number) => {
    const turn = (degrees * Math.PI) / 180;
    return [radius * Math.cos(turn), up * radius * Math.sin(turn)] as const;
  };
  const sweep = flipped ? 1 : 0;
  const arc = (radius: number, back = false) =>
    `A${radius} ${radius} 0 0 ${back ? 1 - sweep : sweep} ${back ? radius : -radius} 0`;
  const ring = `M${OUTER} 0${arc(OUTER)}H${-INNER}${arc(INNER, true)}Z`;
  const marks = protractorMarks(protractor);
  return (
    <>
      <path className={styles.clear} d={`M${OUTER} 0${arc(OUTER)}Z`} />
      <path className={styles.board} d={ring} />
      <path className={styles.outline} d={`M${OUTER} 0${arc(OUTER)}Z`} />
      <path className={styles.outline} d={`M${INNER} 0${arc(INNER)}`} />
      <path className={styles.mark} d={`M${-OUTER} 0H${OUTER}M0 0V${up * 12}`} />
      <circle className={styles.middle} r={4} />
      {marks.map(({ at: degrees, rank, label }) => {
        const [x1, y1] = at(degrees, OUTER);
        const [x2, y2] = at(degrees, OUTER - REACH[rank]);
        const [xr, yr] = at(degrees, ROWS.fromRight);
        const [xl, yl] = at(degrees, ROWS.fromLeft);
        return (
          <g key={degrees}>
            <path className={styles.mark} data-at={degrees} d={`M${x1} ${y1}L${x2} ${y2}`} />
            {label !== null && degrees % 180 !== 0 && (
              <>
                <text className={styles.number} x={xr} y={yr + 4}>
                  {label}
                </text>
                <text className={styles.inner} x={xl} y={yl + 4}>
                  {180 - degrees}
                </text>
              </>
            )}
          </g>
        );
      })}
    </>
  );
});

function LaidProtractor({ itemRef, contentRef }: QuestionProps & Pick<SheetLayerProps, 'contentRef'>) {
  const { test } = usePlayer();
  const measured = useMeasured(contentRef);
  const { laid, lay } = useLaid('protractor', itemRef, { x: OUTER + 12, y: OUTER + 12 });
  if (!measured) return null;
  return (
    <Instrument
      id="protractor"
      measured={measured}
      laid={laid}
      onLay={lay}
      step={2}
      moveAt={{ x: 44 - OUTER, y: 10 }}
      settingsAt={{ x: 30, y: 10 }}
      turnAt={{ x: OUTER - 44, y: 10 }}
    >
      <Board
        flipped={laid.flipped}
        protractor={own(test.items, itemRef)?.materials.protractor ?? USUAL_PROTRACTOR}
      />
    </Instrument>
  );
}

const ProtractorWindow = ({ itemRef }: QuestionProps) => (
  <InstrumentWindow id="protractor" itemRef={itemRef} />
);

export const protractor = defineTool({
  id: 'protractor',
  Icon: TriangleRight,
  letter: 'P',
  button: 'switch',
  group: 'measuring',
  access: { brought: 'protractor' },
  state: STATE,
  window: { Content: ProtractorWindow, size: () => ({ width: 19, height: 18 }) },
  sheetLayer: { order: 31, Layer: ProtractorLayer, one: true },
});
