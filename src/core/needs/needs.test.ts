import { chosenView, LONGEST_VIEW, NO_NEEDS, readNeeds } from '.';

test('what a student chose lies over what was set, and only where it differs', () => {
  const set = { scheme: 'lantern', magnification: 2, timeMultiplier: 1.5, toolsOn: ['eliminator'] };
  const needs = readNeeds(set, { look: { scheme: 'slate' }, tools: { masking: { on: true } } });
  expect(needs).toMatchObject({
    scheme: 'slate',
    magnification: 2,
    timeMultiplier: 1.5,
    toolsOn: ['eliminator'],
    chosen: { masking: { on: true } },
  });
});
test('a choice cannot change what a teacher alone decides', () => {
  const needs = readNeeds({}, { look: { timeMultiplier: 2, toolsGiven: ['calculator'] }, tools: {} });
  expect(needs.timeMultiplier).toBe(1);
  expect(needs.toolsGiven).toEqual([]);
});
test('what cannot be read is passed over, each by itself', () => {
  expect(readNeeds({ magnification: 'huge' })).toEqual(NO_NEEDS);
  expect(readNeeds({ magnification: 2 }, { look: { scheme: 'plaid' }, tools: {} }).magnification).toBe(2);
  expect(readNeeds({ magnification: 2 }, 'nonsense').chosen).toEqual({});
});
test('a choice is bounded: no student fills the database', () => {
  const long = { look: {}, tools: { notes: { text: 'x'.repeat(LONGEST_VIEW) } } };
  expect(chosenView.safeParse(long).success).toBe(false);
  expect(chosenView.safeParse({ look: {}, tools: {} }).success).toBe(true);
});
