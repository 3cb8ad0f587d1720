import { own } from '../own';
import { interactionOf } from '../interactions';
import type { Said } from '../interactions/types';
import { contentText, interactionsOf, walkContent } from '../content/content';
import { FEEDBACK_CLASS, type DeliveredItem } from './delivered';
import type { RawResponse } from '../content/response';
import { shortened } from '../content/words';
import { partsOf, type Answerable } from './progress';

/** What one answer place says. */
export interface SaidAnswer {
  /** Which kind of interaction it is. */
  readonly type: string;
  /** Which of the question's places of that kind, from 1: what it is called on the screen. */
  readonly index: number;
  /** How many of that kind there are in its part. */
  readonly total: number;
  /** Nothing where there is no answer yet. */
  readonly said: readonly Said[];
}
export interface SaidPart {
  /** `A` for "Part A"; `null` where the question has one part. */
  readonly label: string | null;
  readonly answers: readonly SaidAnswer[];
}

/** A whole question's answer as it stands, part by part and place by place (work.md, D18). */
export function saidOfItem(
  item: Answerable,
  responses: Readonly<Record<string, RawResponse>>,
): readonly SaidPart[] {
  const all = interactionsOf(item.body);
  return partsOf(item.body).map(({ label, interactions }) => ({
    label,
    answers: interactions.map((one) => {
      const alike = all.filter((other) => other.type === one.type);
      return {
        type: one.type,
        index: alike.indexOf(one) + 1,
        total: interactions.filter((other) => other.type === one.type).length,
        said: interactionOf(one.type)?.said(one, own(responses, one.responseIdentifier) ?? null) ?? [],
      };
    }),
  }));
}

/** Most letters of a question's words that name its answer places. */
const NAME = 300;

/** What a question asks: the prompts of its interactions; where it has none, the words it stands in. */
export function taskOf({ body }: Pick<Answerable, 'body'>): string {
  const prompts = interactionsOf(body)
    .map(({ prompt }) => contentText(prompt))
    .filter((words) => words !== '');
  return prompts.length > 0 ? prompts.join(' ') : contentText(body);
}

/** What a check had to say of a question, inside it and below it; empty where there is nothing. */
export function feedbackWords({ body, feedback }: Pick<DeliveredItem, 'body' | 'feedback'>): string {
  const inside = [...walkContent(body)].flatMap((node) =>
    node.kind === 'element' && node.attributes.class === FEEDBACK_CLASS ? contentText(node.children) : [],
  );
  const below = feedback.map(({ title, content }) =>
    [title, contentText(content)].filter(Boolean).join('. '),
  );
  return [...inside, ...below].join(' ');
}

/** What its answer places without a prompt are called: the words of the question, cut where they are long. */
export function nameOfAnswers({ body }: Pick<Answerable, 'body'>): string | null {
  const words = contentText(body);
  return words === '' ? null : shortened(words, NAME);
}
