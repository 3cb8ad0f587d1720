import { z } from 'zod';
import { toJson, type JsonValue, type Value } from '@/core/content/value';
import type { QtiPackage } from '@/core/qti/package';
import type { Action, Refused } from '@/core/sitting/actions';
import { drawForm } from '@/core/sitting/form';
import { Sitting } from '@/core/sitting/sitting';
import { givenResponses, toRawAll } from './responses';

/** Seconds a step may wait at most: a year. */
const MAX_WAIT = 31_536_000;
const yes = z.literal(true);
const step = z.union([
  z.strictObject({ answer: z.string(), responses: givenResponses }),
  z.strictObject({ go: z.string() }),
  z.strictObject({ next: yes }),
  z.strictObject({ back: yes }),
  z.strictObject({ check: z.string(), by: z.string().optional() }),
  z.strictObject({ endPart: yes }),
  z.strictObject({ wait: z.number().min(0).max(MAX_WAIT) }),
  z.strictObject({ stop: yes }),
  z.strictObject({ resume: yes }),
  z.strictObject({ handIn: yes }),
]);
/** A script of `npm run sit` (sitting.md). */
export const script = z.strictObject({
  name: z.string().default(''),
  test: z.string().optional(),
  seed: z.string().default(''),
  timeMultiplier: z.number().min(1).max(10).default(1),
  steps: z.array(step).max(100_000),
});
export type Script = z.infer<typeof script>;
type ScriptStep = z.infer<typeof step>;

function actionOf(one: ScriptStep): Action | { readonly do: 'wait'; readonly seconds: number } {
  if ('answer' in one) return { do: 'answer', ref: one.answer, responses: toRawAll(one.responses) };
  if ('go' in one) return { do: 'go', ref: one.go };
  if ('next' in one) return { do: 'next' };
  if ('back' in one) return { do: 'back' };
  if ('check' in one) return { do: 'check', ref: one.check, by: one.by ?? null };
  if ('endPart' in one) return { do: 'end-part' };
  if ('wait' in one) return { do: 'wait', seconds: one.wait };
  if ('stop' in one) return { do: 'stop' };
  return 'resume' in one ? { do: 'resume' } : { do: 'hand-in' };
}

export type TakenStep =
  | { readonly ok: true; readonly at: string | null; readonly feedback: readonly string[] }
  | { readonly ok: false; readonly refused: Refused; readonly at: string | null };

/** What became of a script: the output of `npm run sit`. */
export interface Taken {
  readonly name: string;
  readonly steps: readonly TakenStep[];
  readonly questions: readonly string[];
  readonly route: readonly string[];
  readonly items: Readonly<Record<string, Readonly<Record<string, JsonValue>>>>;
  readonly outcomes: Readonly<Record<string, JsonValue>>;
  readonly testFeedback: readonly string[];
  readonly closedParts: readonly string[];
  readonly timeUsed: { readonly test: number; readonly parts: Readonly<Record<string, number>> };
  readonly phase: 'running' | 'stopped' | 'handed-in';
}

const inJson = (outcomes: Readonly<Record<string, Value>>) =>
  Object.fromEntries(Object.entries(outcomes).map(([name, value]) => [name, toJson(value)]));

/** A script or the test it names cannot be used. */
export class BadScript extends Error {}

/** Begins the sitting a script asks for. @throws BadScript when the package has no such test */
export function beginScript(
  content: QtiPackage,
  { name, test: wanted, seed, timeMultiplier }: Script,
): Sitting {
  const [only, ...more] = content.tests;
  const test = wanted === undefined ? only : content.tests.find((one) => one.identifier === wanted);
  if (!test) throw new BadScript(`"${name}": the package has no test ${wanted ?? ''} that can be taken`);
  if (wanted === undefined && more.length > 0)
    throw new BadScript(`"${name}": the package has several tests; say which`);
  return Sitting.begin({ test, items: content.items }, drawForm(test, seed, timeMultiplier));
}

/** Takes a test as a script says. @throws BadScript */
export function takeScript(content: QtiPackage, given: Script, sitting = beginScript(content, given)): Taken {
  const steps = given.steps.map((one): TakenStep => {
    const action = actionOf(one);
    const taken =
      action.do === 'wait' ? sitting.wait(Math.round(action.seconds * 1000)) : sitting.take(action);
    return taken.ok
      ? { ok: true, at: taken.at, feedback: taken.feedback }
      : { ok: false, refused: taken.refused, at: taken.at };
  });
  const { state, plan } = sitting;
  const questions = plan.places.map(({ ref }) => ref).filter((ref) => !state.leftOut.has(ref));
  return {
    name: given.name,
    steps,
    questions,
    route: state.route,
    items: Object.fromEntries(
      questions.flatMap((ref) => {
        const score = state.questions.get(ref)?.score;
        return score ? [[ref, inJson(score.outcomes)]] : [];
      }),
    ),
    outcomes: inJson(state.outcomes),
    testFeedback: state.testFeedback,
    closedParts: state.closedParts,
    timeUsed: {
      test: state.usedTest / 1000,
      parts: Object.fromEntries([...state.usedParts].map(([part, ms]) => [part, ms / 1000])),
    },
    phase: state.phase,
  };
}
