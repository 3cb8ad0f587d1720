import type { Content } from '@/core/content/content';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import { USUAL } from '@/core/item/options';
import { NO_MATERIALS } from '@/core/item/materials';
import type { Lesson } from '../../interactions/lesson';

/** One question of a warm-up. */
export interface WarmUpQuestion {
  readonly type: string;
  readonly lesson: Lesson;
  /** What is to be done, in words, and the answer asked for; null where any will do. */
  readonly task: string;
  readonly asked: string | null;
}

export const refOf = (type: string): string => `warm-up-${type}`;

const block = (name: string, children: Content): Content => [
  { kind: 'element', name, namespace: 'html', attributes: {}, children },
];
const text = (words: string): Content => [{ kind: 'text', text: words }];

/** The steps of a lesson, as what a check has to say. */
export const stepsAsContent = (steps: readonly string[]): Content =>
  block(
    'ol',
    steps.flatMap((step) => block('li', text(step))),
  );

/** The question of a kind before anything is answered. */
export function warmUpItem({ type, lesson, task, asked }: WarmUpQuestion, number: number): DeliveredItem {
  const answer = asked === null ? [] : block('strong', text(asked));
  const interaction: Content = [{ kind: 'interaction', interaction: lesson.model }];
  return {
    number,
    ref: refOf(type),
    language: null,
    body: [
      ...block('p', [...text(asked === null ? task : `${task} `), ...answer]),
      ...(lesson.model.inline ? block('p', interaction) : interaction),
    ],
    responses: [lesson.shape],
    stimuli: [],
    materials: NO_MATERIALS,
    cards: {},
    toolsOff: [],
    points: null,
    tries: 0,
    checksWhole: false,
    feedback: [],
  };
}

/** A warm-up as the question screen is given it: one question of each kind, open, untimed. */
export function warmUpTest(title: string, questions: readonly WarmUpQuestion[]): DeliveredTest {
  const items = questions.map((one, i) => warmUpItem(one, i + 1));
  const refs = items.map(({ ref }) => ref);
  return {
    title,
    language: null,
    directions: [],
    timeLimit: null,
    parts: [
      {
        identifier: 'warm-up',
        title: '',
        navigation: 'nonlinear',
        status: 'open',
        count: items.length,
        limit: null,
        isCertain: true,
        sections: [{ identifier: 'warm-up', title: '', directions: [], first: refs[0] ?? '', items: refs }],
      },
    ],
    count: items.length,
    clocks: [],
    given: USUAL,
    items: Object.fromEntries(items.map((item) => [item.ref, item])),
    stimuli: {},
    assets: [],
  };
}
