import { isOver, leftAt, limitWith, toneOf, wordsOf } from './timing';

const MINUTE = 60_000;
const running = { limit: 45 * MINUTE, used: 5 * MINUTE, runningSince: 1_000_000 };

test('time left counts what was used before and what runs now', () => {
  expect(leftAt(running, 1_000_000)).toBe(40 * MINUTE);
  expect(leftAt(running, 1_000_000 + 39 * MINUTE)).toBe(MINUTE);
  expect(leftAt(running, 1_000_000 + 99 * MINUTE)).toBe(0);
  expect(leftAt({ ...running, limit: null }, 1_000_000)).toBeNull();
});
test('the time is over after the limit, with the grace asked for', () => {
  expect(isOver(running, 1_000_000 + 40 * MINUTE)).toBe(false);
  expect(isOver(running, 1_000_000 + 40 * MINUTE + 1)).toBe(true);
  expect(isOver(running, 1_000_000 + 40 * MINUTE + 1, 2000)).toBe(false);
});
test.each([
  [1, 45],
  [1.25, 56.25],
  [1.5, 67.5],
  [2, 90],
])('an extra-time factor of %d makes 45 minutes %d', (factor, minutes) => {
  expect(limitWith(2700, factor)).toBe(minutes * MINUTE);
});
test('signs come at ten and at five minutes; words are minutes until the last', () => {
  expect([10.1, 10, 5.1, 5, 0.2].map((minutes) => toneOf(minutes * MINUTE))).toEqual([
    'calm',
    'ten',
    'ten',
    'five',
    'five',
  ]);
  expect(wordsOf(61_000)).toEqual({ unit: 'minutes', count: 2 });
  expect(wordsOf(59_000)).toEqual({ unit: 'seconds', count: 59 });
});
