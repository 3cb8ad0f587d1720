'use client';

import { X } from 'lucide-react';
import { useRef, type KeyboardEvent, type MouseEvent } from 'react';
import { useTranslations } from 'use-intl';
import { useNumbers } from '../../content/useNumbers';
import { useDrag } from '../../kit/useDrag';
import styles from './tallyPlot.module.css';
import { steppedBy, ValueField, type PlotProps } from './ValueField';

/** Numbers of the scale, as many as are legible. */
function scaleOf(max: number, step: number): number[] {
  const count = Math.round(max / step);
  const every = [1, 2, 5, 10, 20, 25, 50, 100].find((one) => count / one <= 10) ?? count;
  return Array.from({ length: Math.floor(count / every) + 1 }, (_, i) =>
    Number((i * every * step).toPrecision(12)),
  );
}

/** Longest time between two digits of one number, in milliseconds. */
const TYPING_MS = 1_500;

/** Bars or stacks of marks over their categories; each is a slider that stands upright. */
export function Columns({ model, values, set, move, readOnly }: PlotProps) {
  const t = useTranslations('interactions.tallyPlot');
  const { show } = useNumbers();
  const scale = scaleOf(model.max, model.step);
  const valueAt = (event: MouseEvent<HTMLElement>): number => {
    const box = event.currentTarget.getBoundingClientRect();
    return ((box.bottom - event.clientY) / box.height) * model.max;
  };
  const toNext = (value: number) =>
    model.kind === 'marks' ? Math.ceil(value / model.step) * model.step : value;
  const typed = useRef({ bar: -1, text: '', at: 0 });
  /** Digits on a bar, one soon after another, are one number: 2 and 5 are 25. Null for any other key. */
  const typedOn = (bar: number, { key, timeStamp }: KeyboardEvent): number | null => {
    if (!/^[\d.,]$/.test(key)) return null;
    const { current: before } = typed;
    const goesOn = before.bar === bar && timeStamp - before.at < TYPING_MS;
    typed.current = { bar, text: (goesOn ? before.text : '') + key.replace(',', '.'), at: timeStamp };
    const value = Number(typed.current.text);
    return Number.isFinite(value) && typed.current.text !== '.' ? value : null;
  };
  const keys = (event: KeyboardEvent, i: number) => {
    const value = values[i] ?? 0;
    const to =
      steppedBy(event.key, value, model) ??
      {
        ArrowRight: value + model.step,
        ArrowLeft: value - model.step,
        Home: 0,
        End: model.max,
        Delete: 0,
        Backspace: 0,
      }[event.key] ??
      typedOn(i, event);
    if (to === null || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    set(i, to);
  };
  /** The column a pointer came down on. */
  const indexOf = (event: MouseEvent<HTMLElement>): number => Number(event.currentTarget.dataset.category);
  const { handlers } = useDrag<number>({
    enabled: !readOnly,
    // A finger scrolls over the bars; it drags one by its grip, and sets one by a press.
    begin: (event) =>
      event.pointerType === 'mouse' || (event.target as Element).closest('[data-grip]')
        ? indexOf(event)
        : null,
    move: (event, i) => set(i, toNext(valueAt(event))),
    slack: 4,
  });
  const press = (event: MouseEvent<HTMLElement>) => {
    if (!readOnly && event.detail > 0) set(indexOf(event), toNext(valueAt(event)));
  };
  return (
    <div
      className={styles.plot}
      data-axis-shares={JSON.stringify(scale.map((value) => [value / model.max, show(String(value))]))}
    >
      {model.kind === 'bars' && (
        <div className={styles.scale} aria-hidden="true">
          {scale.map((value) => (
            <span key={value} style={{ bottom: `${(value / model.max) * 100}%` }}>
              {show(String(value))}
            </span>
          ))}
        </div>
      )}
      <div className={styles.columns}>
        {model.categories.map((category, i) => {
          const value = values[i] ?? 0;
          return (
            <div key={i} className={styles.column}>
              <div
                className={styles.shaft}
                data-kind={model.kind}
                role="slider"
                tabIndex={0}
                aria-orientation="vertical"
                aria-label={category}
                aria-valuemin={0}
                aria-valuemax={model.max}
                aria-valuenow={value}
                aria-readonly={readOnly || undefined}
                data-category={i}
                data-axis-column={category}
                onKeyDown={(event) => keys(event, i)}
                {...handlers}
                onClick={press}
              >
                {model.kind === 'bars' ? (
                  <>
                    {scale.map((line) => (
                      <i
                        key={line}
                        className={styles.rule}
                        style={{ bottom: `${(line / model.max) * 100}%` }}
                      />
                    ))}
                    <i className={styles.bar} style={{ height: `${(value / model.max) * 100}%` }} />
                    {!readOnly && (
                      <i
                        className={styles.grip}
                        style={{ bottom: `${(value / model.max) * 100}%` }}
                        data-grip=""
                      />
                    )}
                  </>
                ) : (
                  Array.from({ length: Math.round(value / model.step) }, (_, n) => (
                    <i
                      key={n}
                      className={styles.mark}
                      style={{ height: `${(model.step / model.max) * 100}%` }}
                    >
                      <X size="100%" strokeWidth={3} aria-hidden="true" />
                    </i>
                  ))
                )}
              </div>
              <span className={styles.category}>{category}</span>
              <ValueField
                model={model}
                values={values}
                set={set}
                move={move}
                readOnly={readOnly}
                index={i}
                besideBar
              />
            </div>
          );
        })}
      </div>
      <span className="visually-hidden">{t('upTo', { max: model.max, step: model.step })}</span>
    </div>
  );
}
