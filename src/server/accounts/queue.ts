import { Refusal } from '../refusal';

/**
 * Runs work a few at a time, the rest in the order it came.
 * @throws Refusal `busy` when more than `most` wait already
 */
export function boundedQueue(together: number, most: number): <T>(work: () => Promise<T>) => Promise<T> {
  const waiting: (() => void)[] = [];
  let running = 0;
  /** The place of one that is done goes to whoever waits longest. */
  const next = () => {
    const first = waiting.shift();
    if (first) first();
    else running -= 1;
  };
  return async (work) => {
    if (running < together) running += 1;
    else {
      if (waiting.length >= most) throw new Refusal('busy', 503);
      await new Promise<void>((resolve) => waiting.push(resolve));
    }
    try {
      return await work();
    } finally {
      next();
    }
  };
}
