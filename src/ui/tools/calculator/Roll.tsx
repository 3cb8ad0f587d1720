'use client';

import { memo, useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { CalculatorKind } from '@/core/item/materials';
import type { MathNode } from '@/core/math';
import { workOut, type AngleUnit, type Result } from '@/core/tools/calculator';
import { mathContent } from '@/core/content/mathTree';
import { ContentView } from '../../content/ContentView';
import { Press } from '../../kit/Button';
import styles from './calculator.module.css';
import { useDecimalWords, useResultWords } from './useResultWords';

interface Props {
  readonly kind: CalculatorKind;
  readonly angle: AngleUnit;
  readonly lines: readonly string[];
  readonly onPut: (text: string) => void;
}

/** What was worked out, like a paper roll: as it was written, and every form of its result. A press puts either into the line. */
export const Roll = memo(function Roll({ kind, angle, lines, onPut }: Props) {
  const t = useTranslations('tools.calculator');
  const ref = useRef<HTMLOListElement>(null);
  useEffect(() => {
    ref.current?.lastElementChild?.scrollIntoView({ block: 'nearest' });
  }, [lines.length]);
  if (lines.length === 0) return <p className={styles.noRoll}>{t('noRoll')}</p>;
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it scrolls
    <ol ref={ref} className={styles.roll} aria-label={t('roll')} tabIndex={0}>
      {lines.map((line, i) => {
        const worked = workOut(line, kind, angle);
        return worked.ok && <Worked key={`${i} ${line}`} line={line} result={worked} onPut={onPut} />;
      })}
    </ol>
  );
});

function Worked({
  line,
  result,
  onPut,
}: {
  readonly line: string;
  readonly result: Result;
  readonly onPut: (text: string) => void;
}) {
  const t = useTranslations('tools.calculator');
  const say = useResultWords();
  const words = useDecimalWords();
  const { asked, exact, mixed, decimal, text } = result;
  const isWhole = exact?.t === 'num' || (exact?.t === 'neg' && exact.arg.t === 'num');
  return (
    <li>
      <Press className={styles.put} onClick={() => onPut(line)}>
        <span className="visually-hidden">{t('putAsked', { words: say(result) })}</span>
        <span aria-hidden="true">
          <Written node={asked} />
        </span>
      </Press>
      <Press className={styles.put} data-result="" onClick={() => onPut(text)}>
        <span className="visually-hidden">{t('putResult', { words: words(decimal) })}</span>
        {exact && !isWhole && (
          <span aria-hidden="true">
            = <Written node={exact} />
          </span>
        )}
        {mixed && (
          <span aria-hidden="true">
            = <Written node={mixed} />
          </span>
        )}
        <span aria-hidden="true">
          {decimal.exact ? '=' : '≈'} {decimal.digits}
          {decimal.power !== 0 && (
            <>
              ×10<sup>{decimal.power}</sup>
            </>
          )}
        </span>
      </Press>
    </li>
  );
}

/** A calculation has no pictures. */
const SLOTS = { assetUrl: (path: string) => path };
const Written = ({ node }: { readonly node: MathNode }) => (
  <ContentView content={mathContent(node)} slots={SLOTS} />
);
