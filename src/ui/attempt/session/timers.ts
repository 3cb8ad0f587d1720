/** Timers as an argument, so that tests need not wait. */
export interface Timers {
  set(run: () => void, ms: number): unknown;
  clear(timer: unknown): void;
}
export const browserTimers: Timers = {
  set: (run, ms) => setTimeout(run, ms),
  clear: (timer) => clearTimeout(timer as ReturnType<typeof setTimeout>),
};
