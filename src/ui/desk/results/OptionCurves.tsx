'use client';

import type { OptionFigures } from '@/core/wire/results';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { useTranslations } from 'use-intl';
import { useHydrated } from '../../kit/useHydrated';
import { useFigures } from '../useFigures';
import { AXIS } from '../chartLook';
import styles from './results.module.css';

/** Lines are told apart by how they are broken, and by the letter at their end; never by color alone. */
const DASHES = ['', '2 4', '8 4', '8 4 2 4', '14 5', '1 7'] as const;

/** Who chose what, from the lowest fifth of the class to the highest: lines to look at, and the same in a table. */
export function OptionCurves({ options }: { readonly options: readonly OptionFigures[] }) {
  const t = useTranslations('results.curves');
  const { percent } = useFigures();
  const hydrated = useHydrated();
  const groups = options[0]?.curve.length ?? 0;
  if (groups === 0) return null;
  const data = Array.from({ length: groups }, (_, g) => ({
    group: g + 1,
    ...Object.fromEntries(options.map(({ option, curve }) => [option, curve[g] ?? 0])),
  }));
  return (
    <figure className={styles.curves}>
      <figcaption>{t('title')}</figcaption>
      <div aria-hidden="true" className={styles.chart}>
        {hydrated && (
          <ResponsiveContainer width="100%" height="100%">
            <LineChart
              data={data}
              accessibilityLayer={false}
              margin={{ top: 8, right: 40, bottom: 0, left: 0 }}
            >
              <CartesianGrid vertical={false} stroke="var(--line)" />
              <XAxis dataKey="group" {...AXIS} />
              <YAxis width={56} domain={[0, 1]} tickFormatter={(share: number) => percent(share)} {...AXIS} />
              {options.map(({ option, right }, i) => (
                <Line
                  key={option}
                  dataKey={option}
                  stroke={right ? 'var(--accent)' : 'var(--ink)'}
                  strokeWidth={right ? 4 : 2}
                  strokeDasharray={right ? '' : DASHES[(i % (DASHES.length - 1)) + 1]}
                  dot={false}
                  isAnimationActive={false}
                  label={({ index, x, y }: { index?: number; x?: number | string; y?: number | string }) =>
                    index === groups - 1 ? (
                      <text
                        x={Number(x) + 10}
                        y={Number(y) + 5}
                        fill="var(--ink)"
                        fontWeight={right ? 700 : 400}
                      >
                        {option}
                      </text>
                    ) : (
                      <g />
                    )
                  }
                />
              ))}
            </LineChart>
          </ResponsiveContainer>
        )}
      </div>
      <p className={styles.meaning}>{t('meaning')}</p>
    </figure>
  );
}
