import { useFormatter } from 'use-intl';

/** Dates and times as the adults' pages write them. */
export function useDateWords(): { readonly dateTime: (at: number) => string } {
  const format = useFormatter();
  return {
    dateTime: (at) => format.dateTime(new Date(at), { dateStyle: 'medium', timeStyle: 'short' }),
  };
}
