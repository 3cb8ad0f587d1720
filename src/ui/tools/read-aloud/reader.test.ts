import type { Sentence } from '@/core/tools/speech';
import { quiet } from '../../kit/quiet';
import { reader } from './reader';
import type { Voice } from './voice';

const asked: string[] = [];
/** A voice that says of its first word that it sounds, and never ends. */
const voice: Voice = {
  ...({} as Voice),
  speak: (_sentence, _manner, onWord) => {
    asked.push('speak');
    setTimeout(() => onWord(0));
    return new Promise(() => undefined);
  },
  prepare: () => undefined,
  pause: () => asked.push('pause'),
  resume: () => asked.push('resume'),
  stop: () => asked.push('stop'),
};
jest.mock('./voice', () => ({ findVoice: () => Promise.resolve(voice) }));

jest.useFakeTimers();
const later = () => jest.runAllTimersAsync();
const sentence = { start: 0, end: 4, spoken: [] } as unknown as Sentence;

beforeEach(() => {
  reader.stop();
  asked.length = 0;
});

test('what is read rests where it is when nothing is to sound, and goes on from there', async () => {
  reader.read(document.body, [sentence]);
  await later();
  quiet();
  expect(asked.at(-1)).toBe('pause');
  reader.resume();
  expect(asked.at(-1)).toBe('resume');
});

test('what was about to begin does not', async () => {
  reader.read(document.body, [sentence]);
  quiet();
  await later();
  expect(asked).not.toContain('speak');
});
