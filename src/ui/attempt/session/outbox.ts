import type { BrowserAction, BrowserEvent } from '@/core/attempt/events';
import type { Millis } from '@/core/attempt/timing';
import { emptied, firstBatch } from './batches';

/** What a page has said, numbered without a gap, and up to which number the server has it. */
export class Outbox {
  private acknowledgedTo: number;

  /**
   * @param events what is still here of what was said
   * @param before the number before the first of them: all up to it the server has
   */
  constructor(
    private events: BrowserEvent[] = [],
    readonly before = 0,
  ) {
    this.acknowledgedTo = before;
  }

  /** All that is still here, in order. */
  get all(): readonly BrowserEvent[] {
    return this.events;
  }
  /** The number of the last thing said; 0 before the first. */
  get last(): number {
    return this.before + this.events.length;
  }
  get acknowledged(): number {
    return this.acknowledgedTo;
  }
  /** Whether the server does not have everything. */
  get isWaiting(): boolean {
    return this.last > this.acknowledgedTo;
  }

  say(action: BrowserAction, device: string, at: Millis): BrowserEvent {
    const event = { ...action, device, seq: this.last + 1, at };
    this.events.push(event);
    return event;
  }

  /** What goes next: as many as fit into a batch, at most `most`. */
  next(most?: number): BrowserEvent[] {
    return firstBatch(this.events.slice(Math.max(0, this.acknowledgedTo - this.before)), most);
  }

  /** The server has everything up to this number; one that came back from a backup may have less than it had. */
  acknowledge(upTo: number): void {
    this.acknowledgedTo = upTo;
  }

  /** Sends nothing in the place of an event the server will not take. */
  empty(event: BrowserEvent): void {
    this.events[event.seq - this.before - 1] = emptied(event);
  }

  /** Everything once more, from number 1 and under another name, with `first` said before it. */
  again(device: string, first: readonly BrowserAction[], at: Millis): Outbox {
    const said = [...first.map((action) => ({ ...action, at })), ...this.events];
    return new Outbox(said.map((event, i): BrowserEvent => ({ ...event, device, seq: i + 1 })));
  }
}
