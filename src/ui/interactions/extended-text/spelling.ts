import type { SpellingAnswer, SpellingQuestion } from './spelling.worker';

let worker: Worker | null = null;
let questions = 0;
const waiting = new Map<number, (wrong: SpellingAnswer['wrong']) => void>();

/**
 * Starts the one spelling worker of the page, which fetches and reads the word list. Done when a test that needs it is loaded,
 * so that it is there when the network is not.
 */
export function startSpelling(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./spelling.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<SpellingAnswer>) => {
    waiting.get(data.id)?.(data.wrong);
    waiting.delete(data.id);
  };
  return worker;
}

/** Which of the words are not in the word list, with suggestions; none where there is no word list. */
export function askSpelling(words: readonly string[]): Promise<SpellingAnswer['wrong']> {
  questions += 1;
  const id = questions;
  return new Promise((resolve) => {
    waiting.set(id, resolve);
    startSpelling().postMessage({ id, words } satisfies SpellingQuestion);
  });
}
