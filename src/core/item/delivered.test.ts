import { neighbour } from '../attempt/overview';
import { USUAL } from './options';
import { shownTogether, type DeliveredPart, type DeliveredTest } from './delivered';

const section = (...items: string[]) => ({
  identifier: items[0] ?? '',
  title: '',
  directions: [],
  first: items[0] ?? '',
  items,
});
const part = (
  navigation: 'linear' | 'nonlinear',
  ...sections: ReturnType<typeof section>[]
): DeliveredPart => ({
  identifier: navigation,
  title: '',
  navigation,
  status: 'open',
  count: sections.flatMap(({ items }) => items).length,
  limit: null,
  isCertain: true,
  sections,
});
const tested = (more: Partial<DeliveredTest> = {}): DeliveredTest => ({
  title: '',
  language: null,
  directions: [],
  timeLimit: null,
  parts: [
    part('nonlinear', section('a1', 'a2', 'a3'), section('b1', 'b2'), section('c1')),
    part('linear', section('d1', 'd2')),
  ],
  count: 8,
  clocks: [],
  given: { ...USUAL, onePage: true },
  items: {},
  stimuli: {},
  assets: [],
  ...more,
});

test('a section stands on one page where the assignment says so', () => {
  expect(shownTogether(tested(), 'a2')).toEqual(['a1', 'a2', 'a3']);
  expect(shownTogether(tested(), 'c1')).toEqual(['c1']);
  expect(shownTogether(tested({ given: USUAL }), 'a2')).toEqual(['a2']);
});
test('what goes forward only stands alone, and so does a section with a question that has a clock of its own', () => {
  expect(shownTogether(tested(), 'd1')).toEqual(['d1']);
  const clock = { key: 'k', title: '', maximum: 90_000, late: false };
  const timed = tested({ clocks: [{ ...clock, kind: 'item', refs: ['b2'] }] });
  expect(shownTogether(timed, 'b1')).toEqual(['b1']);
  expect(shownTogether(timed, 'a1')).toEqual(['a1', 'a2', 'a3']);
  // That of a section runs while any of its questions is on the screen.
  expect(
    shownTogether(tested({ clocks: [{ ...clock, kind: 'section', refs: ['a1', 'a2', 'a3'] }] }), 'a1'),
  ).toHaveLength(3);
});
test.each([
  ['a1', 1, 'b1'],
  ['a3', 1, 'b1'],
  ['b2', 1, 'c1'],
  ['b2', -1, 'a1'],
  ['a2', -1, null],
  ['d2', 1, null],
] as const)('from %s by %d: %s', (from, step, to) => {
  expect(neighbour(tested(), from, step)).toBe(to);
});
