import type { Content } from '../content/content';
import { itemSeed, variablesAfter } from '../deliver/deliver';
import { deliverContent, isTold, type ContentView } from '../deliver/deliverContent';
import type { Item } from '../item/item';
import type { TestFeedback } from '../item/test';
import { own } from '../own';
import { outcomeVariable } from '../processing/prepare';
import type { Sitting } from './sitting';

/** What a test or a question has to say, as a student may see it. */
export interface ShownFeedback {
  readonly title: string;
  readonly content: Content;
}

/** What feedback of the test itself is delivered with: its outcomes, as they stand. */
function testView({ plan, state }: Sitting): ContentView {
  const variables = new Map(
    plan.content.test.outcomes.map((declared) => [
      declared.identifier,
      {
        ...outcomeVariable(declared),
        value: own(state.outcomes, declared.identifier) ?? null,
      },
    ]),
  );
  return { random: () => 0, variables, feedback: true };
}

/** Modal feedback of a question, as its last scoring left it. */
function modalOf(sitting: Sitting, ref: string): readonly (Item['feedback'][number] & ShownFeedback)[] {
  const place = sitting.plan.placeOf(ref);
  const question = sitting.state.questions.get(ref);
  if (!place || !question?.score) return [];
  const { score, templateDefaults } = question;
  const seed = itemSeed(sitting.plan.form.seed, ref);
  const variables = variablesAfter(place.item, seed, { outcomes: score.outcomes, templateDefaults });
  const view: ContentView = { random: () => 0, variables, feedback: true };
  return place.item.feedback
    .filter((one) => isTold(one, score.outcomes))
    .map((one) => ({ ...one, content: deliverContent(one.content, view) }));
}

/** Feedback of the test or of parts, as its outcomes are now. */
function deliveredFeedback(
  sitting: Sitting,
  list: readonly TestFeedback[],
  access: TestFeedback['access'],
): readonly (ShownFeedback & Pick<TestFeedback, 'identifier'>)[] {
  const view = testView(sitting);
  return list
    .filter((one) => one.access === access && isTold(one, sitting.state.outcomes))
    .map(({ identifier, title, content }) => ({ identifier, title, content: deliverContent(content, view) }));
}

const shownOf = ({ title, content }: ShownFeedback): ShownFeedback => ({ title, content });

/** What a step was about. */
interface StepTaken {
  /** Identifiers of the modal and `during` feedback it showed. */
  readonly feedback: readonly string[];
  /** The question it left or had checked, whose modal feedback is told; null where that is told elsewhere. */
  readonly ref: string | null;
  /** How many parts had ended before it. */
  readonly endedBefore: number;
}

/**
 * The words of the feedback that a step showed: of the question it was about, of the test and the open part while it goes on, and
 * of the parts that it ended.
 */
export function feedbackAfter(sitting: Sitting, { feedback, ref, endedBefore }: StepTaken): ShownFeedback[] {
  const { plan, state } = sitting;
  const { test } = plan.content;
  const ended = state.closedParts.slice(endedBefore);
  const partOf = (name: string) => test.parts.find(({ identifier }) => identifier === name)?.feedback ?? [];
  const open = plan.parts[state.part]?.part.feedback ?? [];
  const during = [...test.feedback, ...ended.flatMap(partOf), ...open];
  const told = [
    ...(ref === null ? [] : modalOf(sitting, ref)),
    ...deliveredFeedback(sitting, during, 'during'),
  ];
  return [
    ...told.filter(({ identifier }) => feedback.includes(identifier)),
    ...deliveredFeedback(sitting, ended.flatMap(partOf), 'atEnd'),
  ].map(shownOf);
}

/** What the test itself says once it is handed in. */
export const feedbackAtEnd = (sitting: Sitting): ShownFeedback[] =>
  deliveredFeedback(sitting, sitting.plan.content.test.feedback, 'atEnd').map(shownOf);

/** Everything a student has been told in a sitting, or is being told: for what it shows beside its words. */
export function feedbackSoFar(sitting: Sitting): Content[] {
  const { plan, state } = sitting;
  const { test } = plan.content;
  const ended = test.parts.filter(({ identifier }) => state.closedParts.includes(identifier));
  const told = plan.places.filter(
    (place) => place.source.sessionControl.showFeedback && plan.submissionOf(place) === 'individual',
  );
  return [
    ...told.flatMap(({ ref }) => modalOf(sitting, ref)),
    ...deliveredFeedback(
      sitting,
      [...test.feedback, ...test.parts.flatMap((part) => part.feedback)],
      'during',
    ),
    ...deliveredFeedback(
      sitting,
      ended.flatMap((part) => part.feedback),
      'atEnd',
    ),
    ...(state.phase === 'handed-in' ? deliveredFeedback(sitting, test.feedback, 'atEnd') : []),
  ].map(({ content }) => content);
}
