'use client';

import type { ClassRow } from '@/core/wire/desk';
import { isBehind, type Standing } from '@/core/attempt/pace';
import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts';
import { useTranslations } from 'use-intl';
import { useHydrated } from '../kit/useHydrated';
import { AXIS } from './chartLook';
import styles from './desk.module.css';

const MINUTE_MS = 60_000;
/** Fewer students under way are told well enough by the table. */
const FEWEST = 5;

interface Dot extends Standing {
  readonly student: string;
}

/** The students under way in each timed test, where there are enough of them for a picture. */
function roomsIn(rows: readonly ClassRow[]): Map<string, Dot[]> {
  const rooms = new Map<string, Dot[]>();
  for (const { student, test, progress, left, limit } of rows) {
    if (!progress || left === null || limit === null) continue;
    const { answered, of } = progress;
    rooms.set(test, [...(rooms.get(test) ?? []), { student, answered, of, limit, used: limit - left }]);
  }
  return new Map([...rooms].filter(([, dots]) => dots.length >= FEWEST));
}

/** How far the room is: each student's answers against an even share of the time, in a picture and in words. */
export function RoomCharts({ rows }: { readonly rows: readonly ClassRow[] }) {
  const t = useTranslations('desk.room');
  const rooms = roomsIn(rows);
  if (rooms.size === 0) return null;
  return (
    <section aria-labelledby="room-charts" className={styles.rooms}>
      <h2 id="room-charts">{t('title')}</h2>
      {[...rooms].map(([test, dots]) => (
        <RoomChart key={test} test={test} dots={dots} />
      ))}
    </section>
  );
}

function RoomChart({ test, dots }: { readonly test: string; readonly dots: readonly Dot[] }) {
  const t = useTranslations('desk.room');
  const hydrated = useHydrated();
  const behind = dots.filter(isBehind);
  const most = dots.reduce((longest, { limit }) => Math.max(longest, limit), 0) / MINUTE_MS;
  const questions = dots.reduce((all, { of }) => Math.max(all, of), 0);
  return (
    <figure className={styles.roomChart}>
      <figcaption>{t('under', { test, count: dots.length })}</figcaption>
      <p>
        {t('behind', { count: behind.length })} {behind.map(({ student }) => student).join(', ')}
      </p>
      <div aria-hidden="true" className={styles.chart}>
        {hydrated && (
          <ResponsiveContainer width="100%" height="100%">
            <ScatterChart accessibilityLayer={false} margin={{ top: 8, right: 16, bottom: 16, left: 0 }}>
              <CartesianGrid stroke="var(--line)" />
              <XAxis
                type="number"
                dataKey="minutes"
                domain={[0, Math.ceil(most)]}
                {...AXIS}
                label={{ value: t('minutes'), position: 'insideBottom', offset: -8, fill: 'var(--ink)' }}
              />
              <YAxis
                type="number"
                dataKey="answered"
                domain={[0, questions]}
                allowDecimals={false}
                width={48}
                {...AXIS}
              />
              <ReferenceLine
                segment={[
                  { x: 0, y: 0 },
                  { x: most, y: questions },
                ]}
                stroke="var(--ink)"
                strokeDasharray="6 4"
              />
              <Scatter
                data={dots.map((one) => ({ minutes: one.used / MINUTE_MS, answered: one.answered }))}
                fill="var(--accent)"
                isAnimationActive={false}
              />
            </ScatterChart>
          </ResponsiveContainer>
        )}
      </div>
      <p className={styles.below}>
        {t('answered')}. {t('even')}
      </p>
    </figure>
  );
}
