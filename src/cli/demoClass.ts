import { interactionsOf } from '@/core/content/content';
import { seededRandom } from '@/core/content/random';
import { rawOf, type RawResponse } from '@/core/content/response';
import { itemSeed } from '@/core/deliver/deliver';
import type { Item } from '@/core/item/item';
import { prepareItem } from '@/core/processing/prepare';
import { correctOf } from '@/core/processing/score';
import type { BrowserAction, BrowserEvent } from '@/core/attempt/events';
import { userById, type User } from '@/server/accounts/users';
import type { Db } from '@/server/db/open';
import { anyAttempt } from '@/server/delivery/attempts';
import { assignedTests } from '@/server/delivery/assignments';
import { beginAttempt, handIn, resumeAttempt, saveBatch } from '@/server/delivery/delivery';
import { planOf } from '@/server/delivery/sittings';

/** Invented names, so that each stands for somebody. */
const FIRST = ['Alva', 'Brisa', 'Corin', 'Dagny', 'Elio', 'Fenna', 'Goran', 'Hedy', 'Idris', 'Juno'] as const;
const LAST = ['Pellworm', 'Quist', 'Rask', 'Sorley'] as const;
/** The people of a class that has taken a test already. */
export const DEMO_OTHER_CLASS = {
  title: 'Harbor 7',
  students: FIRST.flatMap((first) =>
    LAST.map((last) => ({ name: `${first} ${last}`, signInName: `${first}.${last}`.toLowerCase() })),
  ),
} as const;

const SENTENCES = [
  'She was the only one who noticed it was gone, so she may give it a name. She counts the lights every night.',
  'Anselm means that Wren cared about the short light when nobody else did.',
  'He says it because she knew.',
  'The light was broken and they had to fix it.',
  'Wren called the harbor office on the radio, and it asked her what she saw.',
] as const;

/** An answer of somebody who gets it right, or does not; null = left out. */
function answerTo(
  item: Item,
  seed: string,
  right: boolean,
  random: () => number,
): Record<string, RawResponse> | null {
  const correct = correctOf(item, prepareItem(item, seed));
  const [model] = interactionsOf(item.body);
  if (model?.type === 'extended-text')
    return { [model.responseIdentifier]: SENTENCES[Math.floor(random() * SENTENCES.length)] ?? '' };
  if (right) {
    const answers = [...correct].map(([name, value]) => [name, rawOf(value)] as const);
    return answers.every(([, value]) => value !== null) ? Object.fromEntries(answers) : null;
  }
  if (model?.type === 'text-entry') {
    // Near what is right, as slips are: one more or less, or ten times as much.
    const [number = 0] = [...correct.values()].map((value) => Number(rawOf(value)));
    const slip = [number + 1, number - 1, number * 10][Math.floor(random() * 3)];
    return Number.isFinite(slip) ? { [model.responseIdentifier]: String(slip) } : null;
  }
  if (model?.type === 'choice' && item.responses.length === 1) {
    const key = JSON.stringify(rawOf(correct.get(model.responseIdentifier) ?? null));
    const wrong = model.choices.filter(({ identifier }) => !key.includes(`"${identifier}"`));
    const taken = wrong[Math.floor(random() ** 2 * wrong.length)]?.identifier;
    const single = item.responses[0]?.cardinality === 'single';
    return taken === undefined ? null : { [model.responseIdentifier]: single ? taken : [taken] };
  }
  return null;
}

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/**
 * A class takes its tests as classes do: each with an ability of their own, questions the harder the later, some left out, some not
 * reached. Every answer goes the way of every other: begun, saved, handed in, scored.
 */
export async function takeTogether(db: Db, students: readonly number[], begin: number): Promise<void> {
  for (const [place, id] of students.entries()) {
    const student = userById(db, id);
    if (!student) continue;
    // The sum of four is near enough to a bell.
    const random = seededRandom(`class ${place}`);
    const ability = random() + random() + random() + random() - 2;
    for (const [i, { assignmentId }] of assignedTests(db, id).entries())
      await takeAlone(db, { student, assignmentId, ability, random, begin: begin + i * DAY });
  }
}

interface Taking {
  readonly student: User;
  readonly assignmentId: number;
  readonly ability: number;
  readonly random: () => number;
  readonly begin: number;
}

async function takeAlone(db: Db, { student, assignmentId, ability, random, begin }: Taking): Promise<void> {
  const { attemptId } = beginAttempt(db, student, assignmentId, begin);
  const { device } = resumeAttempt(db, student, attemptId, null, begin);
  const { places, form } = planOf(db, anyAttempt(db, attemptId));
  const reached = random() < 0.2 ? places.length - Math.ceil(random() * 3) : places.length;
  const events: BrowserEvent[] = [];
  // Long tests have shorter questions.
  const pace = places.length > 30 ? 0.6 : 1;
  let at = begin;
  const say = (action: BrowserAction) => events.push({ ...action, device, seq: events.length + 1, at });
  for (const [i, { ref, item }] of places.slice(0, reached).entries()) {
    say({ type: 'opened', item: ref });
    at += Math.round(pace * (0.4 + random() * 2.2) * MINUTE);
    const hard = (i / places.length) * 1.6 - 0.8;
    const right = random() < 1 / (1 + Math.exp(-2.2 * (ability - hard)));
    const responses = random() < 0.04 ? null : answerTo(item, itemSeed(form.seed, ref), right, random);
    if (responses) say({ type: 'answered', item: ref, responses, how: 'edit' });
  }
  await saveBatch(db, student, attemptId, { device, events, cursor: 0 }, at);
  handIn(db, student, attemptId, device, 'asked', at + 1000);
}
