import { prepareItem } from '../processing/prepare';
import { maximumScore } from '../processing/score';
import { withMates, type Content } from '../content/content';
import { interactionOf } from '../interactions';
import { deliverContent, holdsIdentifier, type ContentView } from './deliverContent';
import type { DeliveredItem, DeliveredPart, DeliveredTest } from '../item/delivered';
import type { Item, Stimulus } from '../item/item';
import { seededRandom, shuffled } from '../content/random';
import {
  directionsOf,
  type ItemRef,
  type ItemSessionControl,
  type Section,
  type Test,
  type TestPart,
} from '../item/test';
import type { Value } from '../content/value';

/** What has happened to a question whose answer can be checked on the way. */
export interface ItemSession {
  readonly tries: number;
  /** Outcomes of the last try. */
  readonly outcomes: Readonly<Record<string, Value>>;
}

/** How often an answer may be checked on the way: null = not at all, 0 = as often as the student likes. */
export function triesOf(
  item: Item,
  control: ItemSessionControl,
  submission: TestPart['submission'],
): number | null {
  if (item.adaptive) return 0;
  const checks = submission === 'individual' && (control.showFeedback || control.maxAttempts !== 1);
  return checks ? control.maxAttempts : null;
}

/** The question's own seed in an attempt: for its template values, its mixing, its random numbers. */
export const itemSeed = (attemptSeed: string, ref: string): string => `${attemptSeed}/${ref}`;

/** An item for one attempt. The same seed mixes the same way and draws the same values. */
export function deliverItem(
  item: Item,
  ref: string,
  attemptSeed: string,
  { tries = null, showFeedback = false, session = null }: Delivery = {},
): DeliveredItem {
  const seed = itemSeed(attemptSeed, ref);
  const variables = prepareItem(item, seed);
  for (const [name, value] of Object.entries(session?.outcomes ?? {})) {
    const variable = variables.get(name);
    if (variable?.kind === 'outcome') variable.value = value;
  }
  const feedback = session !== null && (showFeedback || item.adaptive);
  const view: ContentView = { random: seededRandom(seed), variables, feedback };
  return {
    ref,
    body: deliverContent(item.body, view),
    responses: item.responses.map(({ identifier, cardinality, baseType }) => ({
      identifier,
      cardinality,
      baseType,
    })),
    stimuli: item.stimuli,
    points: maximumScore(item, seed),
    tries,
    feedback: item.feedback
      .filter(
        (one) =>
          feedback && holdsIdentifier(variables.get(one.outcome)?.value ?? null, one.identifier) === one.show,
      )
      .map(({ title, content }) => ({ title, content: deliverContent(content, view) })),
  };
}

interface Delivery {
  readonly tries?: number | null;
  readonly showFeedback?: boolean;
  readonly session?: ItemSession | null;
}

/** The item references of a section as this attempt gets them: selected, then mixed (QTI 3.0, "selection", "ordering"). */
function chosenRefs(section: Section, random: () => number): ItemRef[] {
  const picked = section.selection ? select(section, random) : section.children;
  const inOrder = section.shuffle ? shuffled(picked, random, (child) => child.fixed) : picked;
  return inOrder.flatMap((child) => (child.kind === 'item' ? [child] : chosenRefs(child, random)));
}

function select(section: Section, random: () => number): Section['children'] {
  const { children, selection } = section;
  if (!selection || selection.select >= children.length) return children;
  const required = children.filter((child) => child.required);
  const rest = shuffled(
    children.filter((child) => !child.required),
    random,
    () => false,
  );
  const taken = new Set([...required, ...rest.slice(0, Math.max(0, selection.select - required.length))]);
  return children.filter((child) => taken.has(child));
}

function assetsIn(content: Content, found: Set<string>): void {
  for (const node of content) {
    if (node.kind === 'element') {
      for (const link of [node.attributes.src, node.attributes.poster])
        if (link && node.namespace === 'html') found.add(link);
    }
    if (node.kind === 'interaction')
      for (const model of withMates(node.interaction)) {
        assetsIn(model.prompt, found);
        // The kind names its contents; what comes back is the same and not needed.
        interactionOf(model.type)?.mapContents?.(model, (inner) => {
          assetsIn(inner, found);
          return inner;
        });
      }
    if ('children' in node) assetsIn(node.children, found);
  }
}

/** The whole test for one attempt: everything the browser needs, and nothing it must not have. */
export function deliverTest(
  test: Test,
  items: ReadonlyMap<string, Item>,
  stimuli: ReadonlyMap<string, Stimulus>,
  seed: string,
  sessions: ReadonlyMap<string, ItemSession> = new Map(),
): DeliveredTest {
  const plain: ContentView = { random: () => 0, variables: new Map(), feedback: false };
  const random = seededRandom(`${seed}/order`);
  const delivered: Record<string, DeliveredItem> = {};
  const used: Record<string, { title: string; body: Content }> = {};
  const found = new Set<string>();
  const parts = test.parts.map((part): DeliveredPart => ({
    identifier: part.identifier,
    title: part.title,
    navigation: part.navigation,
    sections: part.sections.map((section) => ({
      identifier: section.identifier,
      title: section.title,
      directions: section.rubrics
        .filter((one) => one.views.includes('candidate'))
        .flatMap((one) => [...one.content]),
      items: chosenRefs(section, random).flatMap((ref) => {
        const item = items.get(ref.item);
        if (!item) return [];
        const one = deliverItem(item, ref.identifier, seed, {
          tries: triesOf(item, ref.sessionControl, part.submission),
          showFeedback: ref.sessionControl.showFeedback,
          session: sessions.get(ref.identifier) ?? null,
        });
        delivered[ref.identifier] = one;
        assetsIn(one.body, found);
        // Feedback comes later, its pictures should be here by then.
        assetsIn(item.body, found);
        for (const feedback of item.feedback) assetsIn(feedback.content, found);
        for (const identifier of one.stimuli) {
          const stimulus = stimuli.get(identifier);
          if (stimulus && !used[identifier]) {
            used[identifier] = { title: stimulus.title, body: deliverContent(stimulus.body, plain) };
            assetsIn(stimulus.body, found);
          }
        }
        return [ref.identifier];
      }),
    })),
  }));
  const partLimits = test.parts.map((part) => part.timeLimits.maximum);
  const timeLimit = test.timeLimits.maximum ?? (partLimits.length === 1 ? (partLimits[0] ?? null) : null);
  return {
    title: test.title,
    directions: directionsOf(test),
    timeLimit,
    parts,
    items: delivered,
    stimuli: used,
    assets: [...found],
  };
}
