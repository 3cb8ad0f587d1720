'use client';

import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, ZoomIn, ZoomOut } from 'lucide-react';
import { useEffect, useId, useMemo, useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  curveOf,
  easyStep,
  FIRST_VIEW,
  functionOf,
  panned,
  shortNumber,
  zoomed,
  type GraphFunction,
  type GraphView,
} from '@/core/tools/calculator';
import { useKept } from '../../attempt/PlayerContext';
import {
  planeGeometry,
  type PlaneAxes,
  type PlaneGeometry,
} from '../../interactions/coordinate-plane/geometry';
import { PlaneGrid } from '../../interactions/coordinate-plane/PlaneGrid';
import { Button } from '../../kit/Button';
import { useHandler } from '../../kit/useHandler';
import { useWidth } from '../../kit/useWidth';
import styles from './graphs.module.css';
import { CALCULATOR, GRAPHS, LONGEST } from './state';

/** Places a curve is worked out at, and lines of the grid and of the table. */
const STEPS = 400;
const GRID_LINES = 10;
const ROWS = 11;
/** What is typed rests this long before it is kept. */
const REST_MS = 500;

interface Drawn {
  readonly number: number;
  readonly at: (x: number) => number;
}

/** Up to four functions of x, their curves in a plane that is moved and seen nearer, read at a place, and their values in a table. */
export function Graphs() {
  const t = useTranslations('tools.calculator.graphs');
  const [{ graphs, angle }, keep] = useKept('calculator', CALCULATOR);
  const [texts, setTexts] = useState(() =>
    Array.from({ length: GRAPHS }, (_text, i) => graphs.functions[i] ?? ''),
  );
  const made = useMemo<readonly (GraphFunction | null)[]>(
    () => texts.map((text) => (text.trim() === '' ? null : functionOf(text, angle))),
    [texts, angle],
  );
  const drawn = made.flatMap((one, i): Drawn[] => (one?.ok ? [{ number: i + 1, at: one.at }] : []));
  const { view } = graphs;
  const change = (next: Partial<typeof graphs>) => keep({ graphs: { ...graphs, functions: texts, ...next } });
  const write = (i: number, text: string) =>
    setTexts(texts.map((one, j) => (j === i ? text.slice(0, LONGEST) : one)));
  // What was written is kept when it rests, and when this is left in the middle of it.
  const settle = useHandler(() => {
    if (texts.some((text, i) => text !== (graphs.functions[i] ?? ''))) change({});
  });
  useEffect(() => {
    const rest = setTimeout(settle, REST_MS);
    return () => clearTimeout(rest);
  }, [texts, settle]);
  useEffect(() => settle, [settle]);
  const trace = Math.min(view.x.max, Math.max(view.x.min, graphs.trace));
  return (
    <div className={styles.graphs}>
      <div className={styles.functions}>
        {texts.map((text, i) => (
          <FunctionLine
            key={i}
            number={i + 1}
            text={text}
            made={made[i] ?? null}
            onWrite={(next) => write(i, next)}
          />
        ))}
      </div>
      <Plane view={view} drawn={drawn} trace={trace} onView={(next) => change({ view: next })} />
      {drawn.length === 0 ? (
        <p className={styles.hint}>{t('nothing')}</p>
      ) : (
        <>
          <label className={styles.trace}>
            {t('trace')}
            <input
              type="range"
              min={view.x.min}
              max={view.x.max}
              step={easyStep(view.x, 200)}
              value={trace}
              aria-valuetext={[
                t('at', { x: shortNumber(trace) }),
                ...drawn.map(({ number, at }) => t('value', { number, y: shortNumber(at(trace)) })),
              ].join(', ')}
              onChange={({ target }) => change({ trace: Number(target.value) })}
            />
          </label>
          <p className={styles.values} data-trace="">
            <b>{t('at', { x: shortNumber(trace) })}</b>
            {drawn.map(({ number, at }) => (
              <span key={number} data-curve={number}>
                {t('value', { number, y: shortNumber(at(trace)) })}
              </span>
            ))}
          </p>
          <Values view={view} drawn={drawn} />
        </>
      )}
    </div>
  );
}

interface FunctionLineProps {
  readonly number: number;
  readonly text: string;
  readonly made: GraphFunction | null;
  readonly onWrite: (text: string) => void;
}

function FunctionLine({ number, text, made, onWrite }: FunctionLineProps) {
  const t = useTranslations('tools.calculator');
  const id = useId();
  const problem = made && !made.ok ? t(`problems.${made.why}`) : null;
  return (
    <div className={styles.function}>
      <label>
        <svg className={styles.sample} viewBox="0 0 28 8" aria-hidden="true">
          <path className={styles.curve} data-curve={number} d="M0 4H28" />
        </svg>
        <span aria-hidden="true">{t('graphs.function', { number })}</span>
        <input
          value={text}
          aria-label={t('graphs.functionName', { number })}
          aria-describedby={problem === null ? undefined : id}
          aria-invalid={problem !== null || undefined}
          placeholder={number === 1 ? t('graphs.empty') : undefined}
          autoComplete="off"
          spellCheck={false}
          maxLength={LONGEST}
          onChange={({ target }) => onWrite(target.value.replace(/-/g, '−'))}
        />
      </label>
      {problem !== null && (
        <p id={id} className={styles.problem}>
          {problem}
        </p>
      )}
    </div>
  );
}

interface PlaneProps {
  readonly view: GraphView;
  readonly drawn: readonly Drawn[];
  readonly trace: number;
  readonly onView: (view: GraphView) => void;
}

function Plane({ view, drawn, trace, onView }: PlaneProps) {
  const t = useTranslations('tools.calculator.graphs');
  const clip = useId();
  const [ref, measured] = useWidth<HTMLDivElement>(400);
  const axes: PlaneAxes = useMemo(
    () => ({
      x: { ...view.x, step: easyStep(view.x, GRID_LINES), label: 'x' },
      y: { ...view.y, step: easyStep(view.y, GRID_LINES), label: 'y' },
    }),
    [view],
  );
  const geometry = planeGeometry(axes, measured, 290 * measured.scale);
  const { left, top, innerWidth, innerHeight } = geometry;
  const line = geometry.toPixel({ x: trace, y: 0 }).x;
  const moves = [
    ['zoomIn', ZoomIn, () => zoomed(view, 0.5)],
    ['zoomOut', ZoomOut, () => zoomed(view, 2)],
    ['left', ArrowLeft, () => panned(view, -0.25, 0)],
    ['right', ArrowRight, () => panned(view, 0.25, 0)],
    ['up', ArrowUp, () => panned(view, 0, 0.25)],
    ['down', ArrowDown, () => panned(view, 0, -0.25)],
  ] as const;
  return (
    <div dir="ltr">
      <div className={styles.moves}>
        {moves.map(([name, Icon, go]) => (
          <Button key={name} small aria-label={t(name)} title={t(name)} onClick={() => onView(go())}>
            <Icon size="1.15em" aria-hidden="true" />
          </Button>
        ))}
        <Button small onClick={() => onView(FIRST_VIEW)}>
          {t('whole')}
        </Button>
      </div>
      <div ref={ref}>
        <svg
          className={styles.plane}
          viewBox={`0 0 ${geometry.width} ${geometry.height}`}
          style={{ width: geometry.width, height: geometry.height }}
          role="img"
          aria-label={t('plane', {
            left: shortNumber(view.x.min),
            right: shortNumber(view.x.max),
            bottom: shortNumber(view.y.min),
            top: shortNumber(view.y.max),
          })}
        >
          <PlaneGrid model={axes} geometry={geometry} />
          <clipPath id={clip}>
            <rect x={left} y={top} width={innerWidth} height={innerHeight} />
          </clipPath>
          <g clipPath={`url(#${clip})`}>
            {drawn.length > 0 && <path className={styles.at} d={`M${line} ${top}v${innerHeight}`} />}
            {drawn.map(({ number, at }) => (
              <path
                key={number}
                className={styles.curve}
                data-curve={number}
                d={pathOf(at, view, geometry)}
              />
            ))}
            {drawn.map(({ number, at }) => {
              const y = at(trace);
              if (Number.isNaN(y)) return null;
              const place = geometry.toPixel({ x: trace, y });
              return (
                <circle
                  key={number}
                  className={styles.dot}
                  cx={place.x}
                  cy={place.y}
                  r={5 * geometry.scale}
                />
              );
            })}
          </g>
        </svg>
      </div>
    </div>
  );
}

/** Curves as a path; what is far out of the window is held just outside it. */
function pathOf(at: Drawn['at'], view: GraphView, { toPixel, height }: PlaneGeometry): string {
  const held = (y: number) => Math.max(-height, Math.min(2 * height, y));
  return curveOf(at, view, STEPS)
    .map((curve) =>
      curve
        .map((point, i) => {
          const { x, y } = toPixel(point);
          return `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${held(y).toFixed(2)}`;
        })
        .join(''),
    )
    .join('');
}

function Values({ view, drawn }: Pick<PlaneProps, 'view' | 'drawn'>) {
  const t = useTranslations('tools.calculator.graphs');
  const step = easyStep(view.x, ROWS - 1);
  const first = Math.ceil(view.x.min / step - 1e-9);
  const last = Math.floor(view.x.max / step + 1e-9);
  const places = Array.from({ length: last - first + 1 }, (_row, i) =>
    Number(((first + i) * step).toPrecision(12)),
  );
  return (
    <table className={styles.table}>
      <caption>{t('table')}</caption>
      <thead>
        <tr>
          <th scope="col">{t('x')}</th>
          {drawn.map(({ number }) => (
            <th key={number} scope="col">
              {t('y', { number })}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {places.map((x) => (
          <tr key={x}>
            <th scope="row">{shortNumber(x)}</th>
            {drawn.map(({ number, at }) => (
              <td key={number}>{shortNumber(at(x))}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
