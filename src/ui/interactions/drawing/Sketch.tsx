'use client';

import { useId, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useTranslations } from 'use-intl';
import {
  arrowHead,
  boxOfMark,
  MARK_COLOURS,
  markAt,
  strokePath,
  type Mark,
} from '@/core/interactions/drawing/marks';
import { Enlargeable } from '../../kit/Enlargeable';
import type { Announce } from '../../kit/speech';
import { useDrag } from '../../kit/useDrag';
import styles from './drawing.module.css';
import { Hint } from '../shared/Hint';
import { saidWhere } from '@/core/interactions/said';
import { useSaid } from '../useSaid';
import { MarkList } from './MarkList';
import { SketchTools, type SketchTool } from './SketchTools';

interface Props {
  readonly marks: readonly Mark[];
  /** A drawing that is not one of ours: shown, not changed. */
  readonly foreign: string | null;
  readonly width: number;
  readonly height: number;
  readonly backdrop: { readonly src: string; readonly alt: string } | null;
  readonly onChange: (marks: readonly Mark[]) => void;
  readonly announce: Announce;
  readonly readOnly: boolean;
}
type Point = [number, number];
const tenth = ([x, y]: Point): Point => [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
const REACH = 10;
const STEP = 10;

/**
 * A sheet to draw on: pencil, shapes, words and eraser, by pointer, or by a cross moved with the arrow keys. A finger draws once the
 * sheet or its tools have been pressed; before, it scrolls over the sheet and leaves no mark, as two fingers always do.
 */
export function Sketch({ marks, foreign, width, height, backdrop, onChange, announce, readOnly }: Props) {
  const t = useTranslations('interactions.drawing');
  const about = useId();
  const { phrase } = useSaid();
  const svgRef = useRef<SVGSVGElement>(null);
  const [tool, setTool] = useState<SketchTool>('pencil');
  const [pen, setPen] = useState<Pick<Mark, 'colour' | 'width'>>({ colour: 'ink', width: 4 });
  const [inHand, setInHand] = useState(false);
  const [draft, setDraft] = useState<Mark | null>(null);
  const [words, setWords] = useState('');
  const [cross, setCross] = useState<Point | null>(null);
  const [anchor, setAnchor] = useState<Point | null>(null);

  const pointOf = (event: PointerEvent): Point => {
    const box = svgRef.current?.getBoundingClientRect();
    if (!box) return [0, 0];
    return [
      ((event.clientX - box.left) / box.width) * width,
      ((event.clientY - box.top) / box.height) * height,
    ];
  };
  const finish = (mark: Mark) => {
    onChange([...marks, mark]);
    announce(t('drawn', { kind: mark.kind, count: marks.length + 1 }));
  };
  const erase = (at: Point) => {
    const index = markAt(marks, at, REACH);
    if (index < 0) return;
    onChange(marks.filter((_, i) => i !== index));
    announce(t('erased', { count: marks.length - 1 }));
  };
  const write = (at: Point) => {
    if (words.trim() === '') return announce(t('noWords'));
    return finish({ kind: 'text', at, text: words.trim().slice(0, 300), ...pen });
  };
  const shapeOf = (from: Point, to: Point): Mark | null => {
    if (tool === 'pencil' || tool === 'eraser' || tool === 'text') return null;
    return { kind: tool, from, to, ...pen };
  };

  const down = (at: Point): true | null => {
    if (tool === 'text') {
      write(at);
      return null;
    }
    if (tool === 'eraser') erase(at);
    else setDraft(tool === 'pencil' ? { kind: 'stroke', points: [at], ...pen } : shapeOf(at, at));
    return true;
  };
  const move = (at: Point) => {
    if (tool === 'eraser') return erase(at);
    if (!draft) return;
    if (draft.kind === 'stroke') {
      // Points closer than a hand can tell apart only make the file longer.
      const before = draft.points.at(-1) ?? at;
      if (Math.hypot(at[0] - before[0], at[1] - before[1]) < 1.5) return;
      setDraft({ ...draft, points: [...draft.points, tenth(at)].slice(0, 5000) });
    } else if ('to' in draft) setDraft({ ...draft, to: at });
  };
  const up = () => {
    if (!draft) return;
    setDraft(null);
    const tiny = 'to' in draft && Math.hypot(draft.to[0] - draft.from[0], draft.to[1] - draft.from[1]) < 3;
    if (!tiny) finish(draft);
  };

  const { handlers } = useDrag<true, SVGSVGElement>({
    enabled: !readOnly,
    begin: (event) => (event.pointerType === 'touch' && !inHand ? null : down(pointOf(event))),
    move: (event) => move(pointOf(event)),
    end: up,
    cancel: () => setDraft(null),
  });

  const keys = (event: KeyboardEvent) => {
    const step = event.shiftKey ? STEP * 4 : STEP;
    const arrow = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
      event.key
    ];
    if (readOnly || event.altKey || event.ctrlKey) return;
    const at = cross ?? [width / 2, height / 2];
    if (arrow) {
      event.preventDefault();
      const to: Point = [
        Math.max(0, Math.min(width, at[0] + (arrow[0] ?? 0))),
        Math.max(0, Math.min(height, at[1] + (arrow[1] ?? 0))),
      ];
      setCross(to);
      announce(phrase(saidWhere({ x: to[0], y: to[1] }, { width, height })), about);
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      setCross(at);
      if (tool === 'eraser') return erase(at);
      if (tool === 'text') return write(at);
      if (!anchor) {
        setAnchor(at);
        return announce(t('anchored'));
      }
      const mark: Mark | null =
        tool === 'pencil' ? { kind: 'line', from: anchor, to: at, ...pen } : shapeOf(anchor, at);
      setAnchor(null);
      if (mark) finish(mark);
    } else if (event.key === 'Escape' && anchor) {
      event.preventDefault();
      event.stopPropagation();
      setAnchor(null);
    }
  };

  if (foreign !== null) return <img className={styles.foreign} src={foreign} alt={t('foreign')} />;
  return (
    <Enlargeable name={t('sheet')}>
      <div
        onFocus={() => setInHand(true)}
        onBlur={(event) => setInHand(event.currentTarget.contains(event.relatedTarget))}
      >
        {!readOnly && (
          <SketchTools
            tool={tool}
            onTool={setTool}
            pen={pen}
            onPen={setPen}
            words={words}
            onWords={setWords}
            canClear={marks.length > 0}
            onClear={() => {
              onChange([]);
              announce(t('cleared'));
            }}
          />
        )}
        {!readOnly && (
          <Hint changes>
            {t(`hint.${tool}`)}
            <span className={styles.forFingers}> {t('fingers')}</span>
          </Hint>
        )}
        <svg
          ref={svgRef}
          className={styles.sheet}
          viewBox={`0 0 ${width} ${height}`}
          role="application"
          aria-roledescription={t('sheet')}
          aria-label={t('label', { count: marks.length })}

          tabIndex={0}
          data-sketch=""
          data-in-hand={inHand || undefined}
          onPointerEnter={(event) => {
            if (event.pointerType === 'pen') setInHand(true);
          }}
          {...handlers}
          onKeyDown={keys}
        >
          <rect width={width} height={height} fill="#ffffff" />
          {backdrop && (
            <image role="img" href={backdrop.src} width={width} height={height} aria-label={backdrop.alt} />
          )}
          {marks.map((mark, i) => (
            <MarkView key={i} mark={mark} />
          ))}
          {draft && <MarkView mark={draft} />}
          {anchor && cross && <path d={strokePath([anchor, cross])} className={styles.guide} />}
          {cross && (
            <path
              d={`M${cross[0] - 12} ${cross[1]}h24M${cross[0]} ${cross[1] - 12}v24`}
              className={styles.cross}
            />
          )}
        </svg>
        <MarkList
          marks={marks}
          sheet={{ width, height }}
          onErase={
            readOnly
              ? undefined
              : (index) => {
                  onChange(marks.filter((_, i) => i !== index));
                  announce(t('erased', { count: marks.length - 1 }));
                }
          }
        />
      </div>
    </Enlargeable>
  );
}

function MarkView({ mark }: { mark: Mark }) {
  const line = {
    fill: 'none',
    stroke: MARK_COLOURS[mark.colour],
    strokeWidth: mark.width,
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  } as const;
  switch (mark.kind) {
    case 'stroke':
      return <path d={strokePath(mark.points)} {...line} />;
    case 'line':
      return <path d={strokePath([mark.from, mark.to])} {...line} />;
    case 'arrow':
      return (
        <path d={strokePath([mark.from, mark.to]) + arrowHead(mark.from, mark.to, mark.width)} {...line} />
      );
    case 'rectangle':
      return <rect {...boxOfMark(mark)} {...line} />;
    case 'ellipse': {
      const { x, y, width, height } = boxOfMark(mark);
      return <ellipse cx={x + width / 2} cy={y + height / 2} rx={width / 2} ry={height / 2} {...line} />;
    }
    case 'text':
      return (
        <text x={mark.at[0]} y={mark.at[1]} fontSize={14 + mark.width * 2} fill={MARK_COLOURS[mark.colour]}>
          {mark.text}
        </text>
      );
  }
}
