'use client';

import { Bar, BarChart, CartesianGrid, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { useTranslations } from 'use-intl';
import { useHydrated } from '../../kit/useHydrated';
import { AXIS } from '../chartLook';
import styles from './results.module.css';

/** At most so many bars, each as wide as any other. */
const BARS = 20;

interface Group {
  readonly from: number;
  readonly to: number;
  readonly n: number;
}

/** Points in groups of equal width, a whole number of points each. */
export function groupsOf(totals: readonly number[]): Group[] {
  if (totals.length === 0) return [];
  const most = Math.ceil(totals.reduce((a, b) => Math.max(a, b), 0));
  const width = Math.max(1, Math.ceil((most + 1) / BARS));
  return Array.from({ length: Math.floor(most / width) + 1 }, (_, i) => ({
    from: i * width,
    to: (i + 1) * width - 1,
    n: totals.filter((total) => Math.floor(total / width) === i).length,
  }));
}

/** How the points lie: a bar for each group, and the same in words for who does not see it. */
export function Distribution({ totals }: { readonly totals: readonly number[] }) {
  const t = useTranslations('results.distribution');
  const hydrated = useHydrated();
  const groups = groupsOf(totals).map((group) => ({
    ...group,
    name: group.from === group.to ? String(group.from) : `${group.from}–${group.to}`,
  }));
  if (groups.length === 0) return null;
  const inWords = groups
    .filter(({ n }) => n > 0)
    .map(({ name, n }) => t('group', { points: name, count: n }))
    .join(', ');
  return (
    <figure className={styles.distribution}>
      <figcaption>{t('title')}</figcaption>
      <div role="img" aria-label={inWords} className={styles.chart}>
        {hydrated && (
          <ResponsiveContainer width="100%" height="100%">
            <BarChart
              data={groups}
              accessibilityLayer={false}
              margin={{ top: 8, right: 8, bottom: 0, left: 0 }}
            >
              <CartesianGrid vertical={false} stroke="var(--line)" />
              <XAxis dataKey="name" {...AXIS} />
              <YAxis allowDecimals={false} width={40} {...AXIS} />
              <Bar dataKey="n" fill="var(--accent)" isAnimationActive={false} />
            </BarChart>
          </ResponsiveContainer>
        )}
      </div>
    </figure>
  );
}
