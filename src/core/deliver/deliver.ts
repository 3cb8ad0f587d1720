import { cardsFor, SPOKEN, type CardNeeds, type Catalog } from '../item/catalog';
import { pagesIn, withoutTools } from '../item/materials';
import type { Variable } from '../processing/context';
import { prepareItem } from '../processing/prepare';
import { maximumScore } from '../processing/score';
import type { Content } from '../content/content';
import { assetsIn, deliverDocuments } from './assets';
import { cardId, deliverContent, holdsIdentifier, type ContentView } from './deliverContent';
import type {
  DeliveredItem,
  DeliveredPart,
  DeliveredStimulus,
  DeliveredTest,
  Showing,
} from '../item/delivered';
import type { Item, Stimulus } from '../item/item';
import { USUAL, type AssignmentOptions } from '../item/options';
import { seededRandom } from '../content/random';
import type { Form, FormQuestion } from '../sitting/form';
import {
  directionsOf,
  itemRefsOf,
  maximumOf,
  timeLimitOf,
  type ItemSessionControl,
  type Section,
  type Test,
  type TestPart,
} from '../item/test';
import type { Value } from '../content/value';

/** One version of a test with everything it is made of. */
export interface DeliverableContent {
  readonly test: Test;
  readonly items: ReadonlyMap<string, Item>;
  readonly stimuli: ReadonlyMap<string, Stimulus>;
}

/** What has happened to a question: its answer was checked on the way, or the test set its template. */
export interface ItemSession {
  readonly tries: number;
  /** Outcomes of the last try; none before the first. */
  readonly outcomes: Readonly<Record<string, Value>>;
  /** What the test set the template to (`qti-template-default`). */
  readonly templateDefaults?: Readonly<Record<string, Value>>;
}

/** How often an answer may be checked on the way: null = not at all, 0 = as often as the student likes. */
export function triesOf(
  item: Item,
  control: ItemSessionControl,
  submission: TestPart['submission'],
): number | null {
  if (submission === 'simultaneous') return null;
  if (item.adaptive) return 0;
  const checks = control.showFeedback || control.maxAttempts !== 1;
  return checks ? control.maxAttempts : null;
}

/** The question's own seed in an attempt: for its template values, its mixing, its random numbers. */
export const itemSeed = (attemptSeed: string, ref: string): string => `${attemptSeed}/${ref}`;

/** The variables of an item, its outcomes as the last try left them. */
export function variablesAfter(
  item: Item,
  seed: string,
  session: Pick<ItemSession, 'outcomes' | 'templateDefaults'> | null,
): Map<string, Variable> {
  const variables = prepareItem(item, seed, session?.templateDefaults);
  for (const [name, value] of Object.entries(session?.outcomes ?? {})) {
    const variable = variables.get(name);
    if (variable?.kind === 'outcome') variable.value = value;
  }
  return variables;
}

/** An item for one attempt. The same seed mixes the same way and draws the same values. */
export function deliverItem(
  item: Item,
  ref: string,
  attemptSeed: string,
  {
    number = 1,
    tries = null,
    checksWhole = false,
    showFeedback = false,
    session = null,
    toolsOff = [],
    needs = NO_CARDS,
    language = null,
  }: Delivery = {},
): DeliveredItem {
  const seed = itemSeed(attemptSeed, ref);
  const variables = variablesAfter(item, seed, session);
  const feedback = session !== null && session.tries > 0 && (showFeedback || item.adaptive);
  const cards = cardsFor(item.catalog, needs);
  const view: ContentView = { random: seededRandom(seed), variables, feedback, cards };
  return {
    number,
    ref,
    body: deliverContent(item.body, view),
    ...(item.styles && { styles: item.styles }),
    language: item.language ?? language,
    responses: item.responses.map(({ identifier, cardinality, baseType, decimal }) => ({
      identifier,
      cardinality,
      baseType,
      ...(decimal && { decimal }),
    })),
    stimuli: item.stimuli,
    materials: withoutTools(item.materials, toolsOff),
    cards: deliverCards(cards, view),
    toolsOff,
    points: maximumScore(item, seed),
    tries,
    checksWhole,
    feedback: item.feedback
      .filter(
        (one) =>
          feedback && holdsIdentifier(variables.get(one.outcome)?.value ?? null, one.identifier) === one.show,
      )
      .map(({ title, content }) => ({ title, content: deliverContent(content, view) })),
  };
}

/** What an item tells whoever marks its answers (QTI 3.0, rubric blocks with the view `scorer`), in this attempt's values. */
export function deliverScorerRubrics(
  item: Item,
  ref: string,
  attemptSeed: string,
  session: ItemSession | null,
): Content[] {
  const seed = itemSeed(attemptSeed, ref);
  const view: ContentView = {
    random: seededRandom(seed),
    variables: variablesAfter(item, seed, session),
    feedback: true,
  };
  return item.rubrics
    .filter(({ views }) => views.includes('scorer'))
    .map(({ content }) => deliverContent(content, view));
}

interface Delivery {
  readonly number?: number;
  readonly tries?: number | null;
  readonly checksWhole?: boolean;
  readonly showFeedback?: boolean;
  readonly session?: ItemSession | null;
  readonly toolsOff?: readonly string[];
  /** What the test is written in, for an item that does not say (BCP 47). */
  readonly language?: string | null;
  /** What the student's needs ask for of catalogs; nothing where it is not said. */
  readonly needs?: CardNeeds;
}
const NO_CARDS: CardNeeds = { supports: [], languages: [] };

/** Cards that are shown, their contents as content is delivered. How something is spoken stands with what is spoken. */
function deliverCards(cards: Catalog, view: ContentView): Catalog {
  const plain: ContentView = { ...view, cards: {} };
  return Object.fromEntries(
    Object.entries(cards).flatMap(([id, list]) => {
      const shown = list
        .filter(({ support }) => support !== SPOKEN)
        .map((card) => ({ ...card, content: deliverContent(card.content, plain) }));
      return shown.length > 0 ? [[cardId(view.catalog ?? '', id), shown] as const] : [];
    }),
  );
}

/** Questions by the outermost section they stand in, in order, with all sections that they stand in. */
function sectionsOf(
  all: readonly Section[],
  questions: readonly FormQuestion[],
): { section: Section; refs: string[]; around: Set<string> }[] {
  const groups: { section: Section; key: string; refs: string[]; around: Set<string> }[] = [];
  for (const { ref, sections } of questions) {
    const [outer] = sections;
    const section = all.find((one) => one.identifier === outer?.source);
    if (!outer || !section) continue;
    const last = groups.at(-1);
    const group =
      last?.key === outer.key ? last : { section, key: outer.key, refs: [], around: new Set<string>() };
    if (group !== last) groups.push(group);
    group.refs.push(ref);
    for (const { source } of sections) group.around.add(source);
  }
  return groups;
}

/** A section and all that stand in it. */
const withInner = (section: Section): Section[] => [
  section,
  ...section.children.flatMap((child) => (child.kind === 'section' ? withInner(child) : [])),
];

/** The directions of a section and of those in it that questions were drawn from. */
const directionsIn = (section: Section, around: ReadonlySet<string>): Content => [
  ...directionsOf(section),
  ...section.children.flatMap((child) =>
    child.kind === 'section' && around.has(child.identifier) ? directionsIn(child, around) : [],
  ),
];

/** How an attempt stands: what happened to its questions, whose it is, what may be shown of it. */
interface AttemptView {
  readonly sessions?: ReadonlyMap<string, ItemSession>;
  readonly needs?: CardNeeds;
  /** All of it where nothing is said. */
  readonly showing?: Showing;
  readonly given?: AssignmentOptions;
}

/** Everything at once: what a preview shows. */
function allOf(form: Form): Showing {
  const refs = form.parts.flatMap(({ questions }) => questions.map(({ ref }) => ref));
  return {
    refs: new Set(refs),
    numbers: new Map(refs.map((ref, i) => [ref, i + 1])),
    count: refs.length,
    parts: form.parts.map(({ questions }) => ({ status: 'open', count: questions.length })),
    clocks: [],
  };
}

/** The test for one attempt as it stands: everything the browser needs, and nothing it must not have. */
export function deliverTest(
  { test, items, stimuli }: DeliverableContent,
  form: Form,
  { sessions = new Map(), needs = NO_CARDS, showing = allOf(form), given = USUAL }: AttemptView = {},
): DeliveredTest {
  const plain: ContentView = { random: () => 0, variables: new Map(), feedback: false };
  const delivered: [string, DeliveredItem][] = [];
  const used = new Map<string, DeliveredStimulus>();
  const found = new Set<string>();
  const linked = new Set<string>();
  const cards = new Map<string, Catalog>();
  const sources = new Map(itemRefsOf(test).map((ref) => [ref.identifier, ref]));
  const deliverQuestion = ({ ref, source: name }: FormQuestion, part: TestPart): void => {
    const source = sources.get(name);
    const item = source && items.get(source.item);
    if (!item) return;
    const one = deliverItem(item, ref, form.seed, {
      number: showing.numbers.get(ref),
      tries: triesOf(item, source.sessionControl, part.submission),
      checksWhole: source.sessionControl.validateResponses,
      showFeedback: source.sessionControl.showFeedback,
      session: sessions.get(ref) ?? null,
      toolsOff: [...new Set([...source.toolsOff, ...given.toolsOff])],
      needs,
      language: test.language,
    });
    assetsIn(one.body, found, linked);
    for (const { content } of one.feedback) assetsIn(content, found, linked);
    for (const { kind, path } of one.materials.sheets) if (kind === 'pdf') found.add(path);
    for (const identifier of [...one.stimuli, ...pagesIn(one.materials)]) {
      const stimulus = stimuli.get(identifier);
      if (!stimulus || used.has(identifier)) continue;
      const own = cardsFor(stimulus.catalog, needs);
      const view: ContentView = { ...plain, cards: own, catalog: identifier };
      const shown = deliverCards(own, view);
      cards.set(identifier, shown);
      used.set(identifier, {
        title: stimulus.title,
        language: stimulus.language ?? test.language,
        body: deliverContent(stimulus.body, view),
        ...(stimulus.styles && { styles: stimulus.styles }),
      });
      assetsIn(stimulus.body, found, linked);
    }
    const all = Object.assign({}, ...one.stimuli.map((name) => cards.get(name) ?? {}), one.cards) as Catalog;
    for (const { content } of Object.values(all).flat()) assetsIn(content, found, linked);
    delivered.push([ref, { ...one, cards: all }]);
  };
  // A form from before parts were kept apart has all questions in its one part.
  const sections = test.parts.flatMap((part) => part.sections);
  const ruled = [...itemRefsOf(test), ...sections.flatMap(withInner)];
  // A rule of a part names another; one inside a part can only end the test.
  const leadsPast =
    test.parts.some(({ branchRules }) => branchRules.length > 0) ||
    ruled.some(({ branchRules }) => branchRules.some(({ target }) => target === 'EXIT_TEST'));
  const parts = form.parts.flatMap((drawn, i): DeliveredPart[] => {
    const part = test.parts[i];
    if (!part) return [];
    const inForm = drawn.questions.filter(({ ref }) => showing.numbers.has(ref));
    const questions = inForm.filter(({ ref }) => showing.refs.has(ref));
    const firsts = sectionsOf(sections, inForm).map(({ refs }) => refs);
    for (const question of questions) deliverQuestion(question, part);
    const { status = 'open', count = questions.length } = showing.parts[i] ?? {};
    return [
      {
        identifier: part.identifier,
        title: part.title,
        navigation: part.navigation,
        status,
        count,
        limit: maximumOf(part.timeLimits, form.timeMultiplier),
        isCertain: part.preConditions.length === 0 && !leadsPast,
        sections: sectionsOf(sections, questions).map(({ section, refs, around }, at) => ({
          identifier: section.identifier,
          // An invisible section is nothing a candidate is told of.
          title: section.visible ? section.title : '',
          directions: [...(at === 0 ? directionsOf(part) : []), ...directionsIn(section, around)],
          first: firsts.find((group) => group.includes(refs[0] ?? ''))?.[0] ?? '',
          items: refs,
        })),
      },
    ];
  });
  const directions = directionsOf(test);
  for (const content of [
    directions,
    ...parts.flatMap(({ sections }) => sections.map((one) => one.directions)),
  ])
    assetsIn(content, found, linked);
  for (const [name, page] of deliverDocuments(linked, stimuli, test.language, found))
    if (!used.has(name)) used.set(name, page);
  return {
    title: test.title,
    language: test.language,
    directions,
    timeLimit: timeLimitOf(test),
    parts,
    count: showing.count,
    clocks: showing.clocks,
    given,
    items: Object.fromEntries(delivered),
    stimuli: Object.fromEntries(used),
    assets: [...found],
  };
}
