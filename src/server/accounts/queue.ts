import { Refusal } from '../refusal';

/**
 * Runs work a few at a time, the rest in the order it came.
 * @throws Refusal `busy` when more than `most` wait already
 */
export function boundedQueue(together: number, most: number): <T>(work: () => Promise<T>) => Promise<T> {
  const waiting: (() => void)[] = [];
  let running = 0;
  const next = () => {
    running -= 1;
    waiting.shift()?.();
  };
  return async (work) => {
    if (running >= together) {
      if (waiting.length >= most) throw new Refusal('busy', 503);
      await new Promise<void>((resolve) => waiting.push(resolve));
    }
    running += 1;
    try {
      return await work();
    } finally {
      next();
    }
  };
}
