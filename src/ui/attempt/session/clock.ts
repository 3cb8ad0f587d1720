import type { Millis } from '@/core/attempt/timing';

/**
 * The server's time, carried on by a clock that never jumps (`performance.now`): setting the computer's clock changes
 * nothing.
 */
export class ServerClock {
  private offset: Millis;
  constructor(
    serverNow: Millis,
    private readonly monotonic: () => Millis,
  ) {
    this.offset = serverNow - monotonic();
  }

  now(): Millis {
    return Math.round(this.monotonic() + this.offset);
  }

  /** Corrects by an answer of the server: its time is taken to be that of the middle of the request. */
  correct(serverNow: Millis, sentAt: Millis): void {
    const received = this.monotonic();
    this.offset = serverNow - (sentAt + received) / 2;
  }
}
