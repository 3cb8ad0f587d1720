import { qtiResults } from '@/core/report/qtiResults';
import { readPackage, type QtiPackage } from '@/core/qti/package';
import { elementsOf, parseXml, textOf, type XmlElement } from '@/core/xml/xml';
import { filesAt } from '@/server/library/files';
import { beginScript, script, takeScript } from './sitScripts';

const AT = '2026-03-03T09:00:00.000Z';
const benchmark = readPackage(filesAt('content/skerry-sound-grade-6'));
const kinds = readPackage(filesAt('content/every-kind-of-question'));

function reported(content: QtiPackage, steps: readonly object[]) {
  const given = script.parse({ name: 'wren', seed: 'session-7', steps });
  const sitting = beginScript(content, given);
  const taken = takeScript(content, given, sitting);
  const root = parseXml(
    qtiResults(sitting, {
      candidate: 'wren <1>',
      sessions: [{ source: 'able-compass', identifier: 'session-7' }],
      at: AT,
    }),
  );
  const items = new Map(elementsOf(root, 'item-result').map((one) => [one.attributes.identifier ?? '', one]));
  return { root, items, taken };
}
const variable = (result: XmlElement | undefined, kind: string, identifier: string) =>
  (result ? elementsOf(result, `${kind}-variable`) : []).find(
    (one) => one.attributes.identifier === identifier,
  );
const valuesIn = (element: XmlElement | undefined, within?: string): string[] => {
  const around = within === undefined ? element : element && elementsOf(element, within)[0];
  return around ? elementsOf(around, 'value').map(textOf) : [];
};

const ANSWERS = [
  { answer: 'reading-1', responses: { RESPONSE: 'B' } },
  { wait: 30 },
  { answer: 'reading-2', responses: { RESPONSE: ['B', 'D'] } },
];

test('whose, which session, which test, when', () => {
  const { root } = reported(benchmark, ANSWERS);
  const [context] = elementsOf(root, 'context');
  expect(root.name).toBe('assessment-result');
  expect(context?.attributes).toEqual({ 'sourced-id': 'wren <1>' });
  expect(context && elementsOf(context)[0]?.attributes).toEqual({
    'source-id': 'able-compass',
    identifier: 'session-7',
  });
  const [test] = elementsOf(root, 'test-result');
  expect(test?.attributes).toEqual({ identifier: 'skerry-sound-grade-6', 'date-stamp': AT });
  expect(valuesIn(variable(test, 'response', 'duration'), 'candidate-response')).toEqual(['30']);
});

test('every question of the form with what was answered, its type and how far it is', () => {
  const { items, taken } = reported(benchmark, ANSWERS);
  expect([...items.keys()]).toEqual(taken.questions);
  expect([...items.values()].map((one) => one.attributes['sequence-index'])).toEqual(
    taken.questions.map((_one, i) => String(i + 1)),
  );
  const several = variable(items.get('reading-2'), 'response', 'RESPONSE');
  expect(several?.attributes).toEqual({
    identifier: 'RESPONSE',
    cardinality: 'multiple',
    'base-type': 'identifier',
  });
  expect(valuesIn(several, 'candidate-response')).toEqual(['B', 'D']);
  expect(items.get('reading-2')?.attributes['session-status']).toBe('pendingSubmission');
  expect(items.get('measuring-7')?.attributes['session-status']).toBe('initial');
});

test('after hand-in the scores are those of the sitting, of the questions and of the test', () => {
  const { root, items, taken } = reported(benchmark, [...ANSWERS, { handIn: true }]);
  expect(Object.keys(taken.items).length).toBe(12);
  for (const [ref, outcomes] of Object.entries(taken.items)) {
    expect(items.get(ref)?.attributes['session-status']).toBe('final');
    for (const [name, value] of Object.entries(outcomes))
      expect(valuesIn(variable(items.get(ref), 'outcome', name))).toEqual(
        value === null ? [] : [typeof value === 'string' ? value : JSON.stringify(value)],
      );
  }
  const [test] = elementsOf(root, 'test-result');
  expect(valuesIn(variable(test, 'outcome', 'SCORE'))).toEqual([JSON.stringify(taken.outcomes.SCORE)]);
  expect(taken.outcomes.SCORE).toBe(3);
});

test('a key is told where candidates may see it, and only after hand-in', () => {
  const keys = (content: QtiPackage, steps: readonly object[]) =>
    [...reported(content, steps).items.values()].flatMap((one) =>
      elementsOf(one, 'response-variable').flatMap((response) => elementsOf(response, 'correct-response')),
    );
  expect(keys(benchmark, [{ handIn: true }])).toEqual([]);
  expect(keys(kinds, [])).toEqual([]);
  expect(keys(kinds, [{ handIn: true }]).length).toBeGreaterThan(40);
});

test('values drawn for this attempt stand beside its answers', () => {
  const { items } = reported(kinds, [{ handIn: true }]);
  const drawn = [...items.values()].flatMap((one) => elementsOf(one, 'template-variable'));
  expect(drawn.length).toBeGreaterThan(0);
  for (const one of drawn) expect(elementsOf(one, 'value').map(textOf).join('')).not.toBe('');
});
