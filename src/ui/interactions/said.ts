import type { useTranslations } from 'use-intl';
import type { Said, SaidValue } from '@/core/interactions/types';
import { saidOfItem, type SaidAnswer } from '@/core/item/said';
import type { Answerable } from '@/core/item/progress';
import type { RawResponse } from '@/core/content/response';

/** `text-entry` as a key of messages: `textEntry`. */
const camel = (type: string) => type.replace(/-(.)/g, (_all, letter: string) => letter.toUpperCase());

/** What core says of answers, in words. */
export function sayer(t: ReturnType<typeof useTranslations<'said'>>) {
  const value = (one: SaidValue): string | number =>
    typeof one === 'string' || typeof one === 'number'
      ? one
      : 'code' in one
        ? phrase(one)
        : one.map(phrase).join('; ');
  const phrase = ({ code, values = {} }: Said): string =>
    t(
      code as 'text',
      Object.fromEntries(Object.entries(values).map(([key, one]) => [key, value(one)])) as { text: string },
    );
  const phrases = (said: readonly Said[]): string =>
    said.length === 0 ? t('nothing') : said.map(phrase).join('; ');
  const answer = ({ type, index, total, said }: SaidAnswer): string => {
    const words = phrases(said);
    return total > 1 ? t('box', { type: camel(type), index, words }) : words;
  };
  return {
    phrase,
    phrases,
    /** A question's whole answer in one sentence: "Part A: 06:12; Part B: box 1: “3.5”; box 2: no answer yet". */
    item: (item: Answerable, responses: Readonly<Record<string, RawResponse>>): string =>
      saidOfItem(item, responses)
        .map(({ label, answers }) => {
          const words = answers.map(answer).join('; ');
          return label === null ? words : t('part', { part: label, words });
        })
        .join('. '),
  };
}
