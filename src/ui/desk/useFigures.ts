import { useFormatter } from 'use-intl';

/** Figures as the adults' pages write them; what is undefined is a dash. */
export function useFigures(): {
  readonly percent: (share: number | null) => string;
  /** Two decimals, as tables of item statistics have them (common practice, no source). */
  readonly decimal: (value: number | null) => string;
} {
  const format = useFormatter();
  return {
    percent: (share) =>
      share === null ? '–' : format.number(share, { style: 'percent', maximumFractionDigits: 0 }),
    decimal: (value) =>
      value === null ? '–' : format.number(value, { minimumFractionDigits: 2, maximumFractionDigits: 2 }),
  };
}
