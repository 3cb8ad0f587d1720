import { readResponse } from '../content/response';
import { float, formatScalar, integer, isNull, type Value } from '../content/value';
import { itemSeed } from '../deliver/deliver';
import { correctOf } from '../processing/score';
import { prepareItem } from '../processing/prepare';
import { own } from '../own';
import type { Place } from '../sitting/plan';
import type { Sitting } from '../sitting/sitting';
import { NEW_QUESTION, type QuestionState } from '../sitting/state';
import { writeXml } from '../xml/write';
import type { XmlElement, XmlNode } from '../xml/xml';

/** Namespace of QTI 3.0 Results Reporting (from memory; so are the names of its elements and attributes). */
const NAMESPACE = 'http://www.imsglobal.org/xsd/imsqti_result_v3p0';

/** Whose results, of which sitting, written when. */
export interface ResultsContext {
  /** The candidate, as the school calls them. */
  readonly candidate: string;
  /** Identifiers of the session, each with who gave it. */
  readonly sessions: readonly { readonly source: string; readonly identifier: string }[];
  /** ISO 8601, with the zone. */
  readonly at: string;
}

const element = (
  name: string,
  attributes: Readonly<Record<string, string | null>> = {},
  children: readonly XmlNode[] = [],
): XmlElement => ({
  kind: 'element',
  name,
  namespace: NAMESPACE,
  attributes: Object.fromEntries(
    Object.entries(attributes).flatMap(([key, value]) => (value === null ? [] : [[key, value]])),
  ),
  children,
  line: 0,
});
const text = (words: string): XmlNode => ({ kind: 'text', text: words, line: 0 });

/** A value as a list of `value` elements; NULL has none. */
function values(value: Value): XmlElement[] {
  if (value === null) return [];
  if (value.cardinality === 'record')
    return Object.entries(value.fields).map(([name, field]) =>
      element(
        'value',
        { 'field-identifier': name, 'base-type': field?.baseType ?? null },
        field === null ? [] : [text(formatScalar(field.value))],
      ),
    );
  const scalars = value.cardinality === 'single' ? [value.value] : value.values;
  return scalars.map((one) => element('value', {}, [text(formatScalar(one))]));
}

interface Declared {
  readonly cardinality: string;
  readonly baseType: string | null;
}
const typed = (identifier: string, { cardinality, baseType }: Declared) => ({
  identifier,
  cardinality,
  'base-type': baseType,
});
const outcome = (identifier: string, declared: Declared, value: Value): XmlElement =>
  element('outcome-variable', typed(identifier, declared), values(value));
/** What the engine itself knows of a candidate's work: `duration`, `numAttempts`. */
const known = (identifier: string, value: Value): XmlElement =>
  element(
    'response-variable',
    typed(identifier, {
      cardinality: 'single',
      baseType: value?.cardinality === 'single' ? value.baseType : 'float',
    }),
    [element('candidate-response', {}, values(value))],
  );

function itemResult(sitting: Sitting, place: Place, at: string): XmlElement {
  const { plan, state } = sitting;
  const { item, ref, source } = place;
  const question = state.questions.get(ref) ?? NEW_QUESTION;
  const variables = prepareItem(item, itemSeed(plan.form.seed, ref), question.templateDefaults);
  const correct = correctOf(item, variables);
  // A key is told only where the test lets candidates see it, and only when nothing can be answered any more.
  const mayTell = state.phase === 'handed-in' && source.sessionControl.showSolution;
  const responses = item.responses.map((declaration) => {
    const key = correct.get(declaration.identifier) ?? null;
    const { value } = readResponse(question.responses.get(declaration.identifier) ?? null, declaration);
    return element('response-variable', typed(declaration.identifier, declaration), [
      ...(mayTell && !isNull(key) ? [element('correct-response', {}, values(key))] : []),
      element('candidate-response', {}, values(value)),
    ]);
  });
  const templates = item.templates.map(({ identifier, ...declared }) =>
    element(
      'template-variable',
      typed(identifier, declared),
      values(variables.get(identifier)?.value ?? null),
    ),
  );
  const outcomes = Object.entries(question.score?.outcomes ?? {}).map(([identifier, value]) =>
    outcome(identifier, variables.get(identifier) ?? { cardinality: 'single', baseType: null }, value),
  );
  return element(
    'item-result',
    {
      identifier: ref,
      'sequence-index': String(plan.places.indexOf(place) + 1),
      'date-stamp': at,
      'session-status': statusOf(question, state.phase),
    },
    [
      known('numAttempts', integer(question.attempts)),
      known('duration', float((state.usedQuestions.get(ref) ?? 0) / 1000)),
      ...responses,
      ...templates,
      ...outcomes,
    ],
  );
}

/** How far a question is (QTI 3.0 Results Reporting, "session status"; from memory). */
function statusOf(
  { score, shown, changed }: QuestionState,
  phase: Sitting['state']['phase'],
): 'initial' | 'pendingSubmission' | 'final' {
  if (phase === 'handed-in' || (score !== null && !changed)) return 'final';
  return shown ? 'pendingSubmission' : 'initial';
}

/** A sitting as one QTI 3.0 Results Reporting document: the test's outcomes, and every question of the form that rules did not leave out. */
export function qtiResults(sitting: Sitting, { candidate, sessions, at }: ResultsContext): string {
  const { plan, state } = sitting;
  const { test } = plan.content;
  const asked = plan.places.filter(({ ref }) => !state.leftOut.has(ref));
  return writeXml(
    element('assessment-result', {}, [
      element(
        'context',
        { 'sourced-id': candidate },
        sessions.map(({ source, identifier }) =>
          element('session-identifier', { 'source-id': source, identifier }),
        ),
      ),
      element('test-result', { identifier: test.identifier, 'date-stamp': at }, [
        known('duration', float(state.usedTest / 1000)),
        ...test.outcomes.map((declared) =>
          outcome(declared.identifier, declared, own(state.outcomes, declared.identifier) ?? null),
        ),
      ]),
      ...asked.map((place) => itemResult(sitting, place, at)),
    ]),
  );
}
