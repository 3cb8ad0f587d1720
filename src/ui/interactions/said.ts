import type { useTranslations } from 'use-intl';
import type { Said, SaidValue } from '@/core/interactions/types';
import { saidOfItem, type SaidAnswer } from '@/core/item/said';
import { isAnswered, type Answerable } from '@/core/item/progress';
import { shortened } from '@/core/content/words';
import { decimalSignOf } from '@/core/languages';
import type { RawResponse } from '@/core/content/response';
import { numbersOf, type Numbers } from '../content/useNumbers';

type Responses = Readonly<Record<string, RawResponse>>;

/** Letters of an answer that a line of a list has room for. */
const GLANCE = 160;

/** `text-entry` as a key of messages: `textEntry`. */
const camel = (type: string) => type.replace(/-(.)/g, (_all, letter: string) => letter.toUpperCase());

/**
 * What core says of answers, in words.
 * @param numbers how the content writes numbers; of a whole question, its own language says it
 */
export function sayer(t: ReturnType<typeof useTranslations<'said'>>, numbers: Numbers = numbersOf('.')) {
  const value = (one: SaidValue): string => {
    if (typeof one !== 'object') return String(one);
    if ('number' in one) return numbers.show(one.number);
    return 'code' in one ? phrase(one) : one.map(phrase).join('; ');
  };
  const phrase = ({ code, values = {} }: Said): string =>
    t(
      code as 'text',
      Object.fromEntries(
        Object.entries(values).map(([key, one]) => [key, typeof one === 'number' ? one : value(one)]),
      ) as { text: string },
    );
  const phrases = (said: readonly Said[]): string =>
    said.length === 0 ? t('nothing') : said.map(phrase).join('; ');
  const answer = ({ type, index, total, said }: SaidAnswer): string => {
    const words = phrases(said);
    return total > 1 ? t('box', { type: camel(type), index, words }) : words;
  };
  const item = (answerable: Answerable, responses: Responses): string => {
    const inItsNumbers = sayer(t, numbersOf(decimalSignOf(answerable.language))).answer;
    return saidOfItem(answerable, responses)
      .map(({ label, answers }) => {
        const words = answers.map(inItsNumbers).join('; ');
        return label === null ? words : t('part', { part: label, words });
      })
      .join('. ');
  };
  return {
    value,
    phrase,
    phrases,
    answer,
    /** A question's whole answer in one sentence: "Part A: 06:12. Part B: box 1: “3.5”; box 2: no answer yet". */
    item,
    /** The same at a glance, where it stands among others; empty where nothing was answered. */
    glance: (answerable: Answerable, responses: Responses): string =>
      isAnswered(answerable, responses) ? shortened(item(answerable, responses), GLANCE) : '',
  };
}
