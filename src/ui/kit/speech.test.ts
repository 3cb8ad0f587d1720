import { renderHook } from '@testing-library/react';
import { Speech, useTold } from './speech';

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});
const said = (speech: Speech) => speech.read().map((line) => line.words);

test('two things said at once are both said, in their order; the same words again are said again', () => {
  const speech = new Speech();
  speech.say('first');
  speech.say('second');
  speech.say('second');
  expect(said(speech)).toEqual(['first', 'second', 'second']);
  expect(new Set(speech.read().map((line) => line.id)).size).toBe(3);
});
test('of what is being typed only the last is said, once it has come to rest', () => {
  const speech = new Speech();
  for (const words of ['not a number yet', 'not finished', 'done']) {
    speech.say(words, 'progress');
    jest.advanceTimersByTime(200);
  }
  expect(said(speech)).toEqual([]);
  jest.advanceTimersByTime(1000);
  expect(said(speech)).toEqual(['done']);
});
test('what waits is taken back by nothing, and other things wait for themselves', () => {
  const speech = new Speech();
  speech.say('over the limit', 'words');
  speech.say('saved', 'save');
  speech.say('', 'words');
  jest.advanceTimersByTime(1000);
  expect(said(speech)).toEqual(['saved']);
});
test('what was said is cleared away in time', () => {
  const speech = new Speech();
  speech.say('first');
  jest.advanceTimersByTime(60_000);
  expect(said(speech)).toEqual([]);
});
test('words on the screen are said when they change, not as they were found', () => {
  const announce = jest.fn();
  const { rerender } = renderHook<void, { words: string | null }>(({ words }) => useTold(announce, words), {
    initialProps: { words: 'nothing yet' },
  });
  expect(announce).not.toHaveBeenCalled();
  rerender({ words: 'done' });
  rerender({ words: 'done' });
  rerender({ words: null });
  expect(announce.mock.calls.map(([words]) => words as string)).toEqual(['done', '']);
});
