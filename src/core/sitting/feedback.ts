import type { Content } from '../content/content';
import { itemSeed } from '../deliver/deliver';
import { deliverContent, type ContentView } from '../deliver/deliverContent';
import type { Item } from '../item/item';
import { own } from '../own';
import { outcomeVariable, prepareItem } from '../processing/prepare';
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
  const { seed } = sitting.plan.form;
  const variables = prepareItem(place.item, itemSeed(seed, ref), question.templateDefaults);
  for (const [name, value] of Object.entries(question.score.outcomes)) {
    const variable = variables.get(name);
    if (variable?.kind === 'outcome') variable.value = value;
  }
  const view: ContentView = { random: () => 0, variables, feedback: true };
  return place.item.feedback.map((one) => ({ ...one, content: deliverContent(one.content, view) }));
}

/**
 * The words of feedback that a step showed, by its identifiers: of the question that was left or checked, of a part, of the test.
 * @param ref the question the step was about; null where there was none
 */
export function feedbackIn(
  sitting: Sitting,
  identifiers: readonly string[],
  ref: string | null,
): ShownFeedback[] {
  const { test } = sitting.plan.content;
  const view = testView(sitting);
  const ofTest = [...test.feedback, ...test.parts.flatMap(({ feedback }) => feedback)].map((one) => ({
    ...one,
    content: deliverContent(one.content, view),
  }));
  const all = [...(ref === null ? [] : modalOf(sitting, ref)), ...ofTest];
  return [...new Set(identifiers)].flatMap((identifier) => {
    const found = all.find((one) => one.identifier === identifier);
    return found ? [{ title: found.title, content: found.content }] : [];
  });
}
