/** @jest-environment node */
import { paceOf } from '.';

const MINUTE = 60_000;

// work.md, C3 (common practice, no source): 60 minutes for 25 questions, 30 for 15, 26 for 8: about two to three minutes each.
test.each([
  [60, 25, 144],
  [30, 15, 120],
  [26, 8, 195],
])('%d minutes for %d questions are %d seconds each', (minutes, questions, seconds) => {
  expect(paceOf(0, minutes * MINUTE, { questions, done: 0 })?.share).toBe(seconds * 1000);
});

test('where an even pace is, and how far one is from it', () => {
  const of = (minutes: number, done: number) =>
    paceOf(minutes * MINUTE, 30 * MINUTE, { questions: 15, done });
  expect(of(0, 0)).toMatchObject({ at: 1, ahead: 0 });
  expect(of(1.99, 1)).toMatchObject({ at: 1, ahead: 1 });
  expect(of(2, 1)).toMatchObject({ at: 2, ahead: 0 });
  expect(of(12, 4)).toMatchObject({ at: 7, ahead: -2 });
  // At the end, and after it where late answers are taken.
  expect(of(30, 15)).toMatchObject({ at: 15, ahead: 0 });
  expect(of(40, 15)).toMatchObject({ at: 15, ahead: 0 });
});

test('nothing to share', () => {
  expect(paceOf(0, 0, { questions: 5, done: 0 })).toBeNull();
  expect(paceOf(0, MINUTE, { questions: 0, done: 0 })).toBeNull();
});
