import type { QuestionInLibrary, TriedAnswer } from '@/core/wire/library';
import type { RawResponse } from '@/core/content/response';
import { rawOf } from '@/core/content/response';
import { answerableItem } from '@/core/deliver/answerable';
import { deliverScorerRubrics, deliverTest, itemSeed, type ItemSession } from '@/core/deliver/deliver';
import type { Item } from '@/core/item/item';
import { responseProblem } from '@/core/item/responseProblem';
import { itemRefsOf, type TestPart } from '@/core/item/test';
import { prepareItem } from '@/core/processing/prepare';
import { correctOf, scoreItem } from '@/core/processing/score';
import { MOST_STEPS, valueWords, type Step } from '@/core/processing/trace';
import { drawForm } from '@/core/sitting/form';
import { Sitting } from '@/core/sitting/sitting';
import type { AccessNeeds } from '@/core/needs';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { Refusal } from '../refusal';
import { listed, testContent } from './catalog';
import { loadAsset, type TestContent } from './library';

/** What a question draws here: the same whenever the same drawing is looked at. */
const seedOf = (drawing: number): string => (drawing === 0 ? 'library' : `library ${drawing}`);

interface Found {
  readonly content: TestContent;
  readonly part: TestPart;
  readonly item: Item;
  readonly session: ItemSession;
  readonly refs: readonly string[];
  readonly seed: string;
}

/** How a question is looked at. */
export interface LookedAt {
  /** Whose cards of the catalog are shown. */
  readonly needs: AccessNeeds;
  /** Which of its drawings, from 0, where its numbers are drawn. */
  readonly drawing: number;
}

/** A question of a test, with what the test sets its template to. @throws Refusal `not-yours`, `not-found` */
function find(db: Db, by: User, testId: number, ref: string, drawing: number): Found {
  const seed = seedOf(drawing);
  const content = testContent(db, by, testId);
  const { test, items } = content;
  const part = test.parts.find((one) =>
    itemRefsOf({ parts: [one] }).some(({ identifier }) => identifier === ref),
  );
  const source = itemRefsOf(test).find(({ identifier }) => identifier === ref);
  const item = source && items.get(source.item);
  if (!part || !item) throw new Refusal('not-found', 404);
  const { state } = Sitting.begin(content, drawForm(test, seed));
  const templateDefaults = state.questions.get(ref)?.templateDefaults;
  return {
    content,
    part,
    item,
    session: { tries: 0, outcomes: {}, ...(templateDefaults && { templateDefaults }) },
    seed,
    refs: itemRefsOf(test).flatMap((one) => (items.has(one.item) ? [one.identifier] : [])),
  };
}

/** A question as a student gets it, with what is right of it. @throws Refusal `not-yours`, `not-found` */
export function questionInLibrary(
  db: Db,
  by: User,
  testId: number,
  ref: string,
  { needs, drawing }: LookedAt = { needs: by.needs, drawing: 0 },
): QuestionInLibrary {
  const { content, part, item, session, refs, seed } = find(db, by, testId, ref, drawing);
  const form = {
    ...drawForm(content.test, seed),
    parts: content.test.parts.map(({ identifier }) => ({
      identifier,
      questions: identifier === part.identifier ? [{ ref, source: ref, sections: [] }] : [],
    })),
  };
  const variables = prepareItem(item, itemSeed(seed, ref), session.templateDefaults);
  const at = refs.indexOf(ref);
  return {
    testId,
    test: content.test.title,
    question: listed(ref, item),
    drawing: item.templates.length > 0 ? drawing : null,
    shown: deliverTest(content, form, { sessions: new Map([[ref, session]]), needs }),
    solution: Object.fromEntries(
      [...correctOf(item, variables)].map(([identifier, value]) => [identifier, rawOf(value)]),
    ),
    rubrics: deliverScorerRubrics(item, ref, seed, session),
    before: refs[at - 1] ?? null,
    after: refs[at + 1] ?? null,
  };
}

/**
 * What an answer is worth, rule by rule. Nothing of it is kept.
 * @throws Refusal `not-yours`, `not-found`; `bad-input` for an answer that cannot be given to this question
 */
export function tryAnswer(
  db: Db,
  by: User,
  testId: number,
  ref: string,
  responses: Readonly<Record<string, RawResponse>>,
  drawing = 0,
): TriedAnswer {
  const { item, session, seed } = find(db, by, testId, ref, drawing);
  const answerable = answerableItem(item, ref, seed, session.templateDefaults ?? {});
  const isGiven = ([name, raw]: [string, RawResponse]) => responseProblem(answerable, name, raw) === null;
  if (!Object.entries(responses).every(isGiven)) throw new Refusal('bad-input', 400);
  const steps: Step[] = [];
  const { outcomes, scoredBy } = scoreItem(item, responses, {
    seed: itemSeed(seed, ref),
    ...(session.templateDefaults && { templateDefaults: session.templateDefaults }),
    trace: (step) => steps.length < MOST_STEPS && steps.push(step),
  });
  return {
    steps,
    outcomes: Object.entries(outcomes).map(([identifier, value]) => ({
      identifier,
      value: valueWords(value),
    })),
    scoredBy,
  };
}

/** A picture, sound or file of a test in the library. @throws Refusal `not-yours`, `not-found` */
export function libraryAsset(
  db: Db,
  by: User,
  testId: number,
  path: string,
): { readonly mediaType: string; readonly bytes: Buffer } {
  const found = loadAsset(db, testContent(db, by, testId).packageId, path);
  if (!found) throw new Refusal('not-found', 404);
  return found;
}
