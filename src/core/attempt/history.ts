import { compareEvents, type AttemptEvent } from './events';
import { reduce } from './reducer';
import { NEW_ATTEMPT, type AttemptState } from './state';

/** Events between two kept states: a late one is put in its place by replaying at most about so many and what follows. */
const STRIDE = 64;

/**
 * The events of an attempt in their one order, and the state they make. Whatever order they arrive in, however often, the
 * state is the same: an event that is known changes nothing, one that comes late is put where it belongs.
 */
export class History {
  private readonly events: AttemptEvent[] = [];
  private readonly known = new Set<string>();
  /** `states[i]` is the state before event `i * STRIDE`. */
  private states: AttemptState[];
  private current: AttemptState;

  /**
   * @param base a state that holds everything up to some moment
   * @param through how far the base goes: what is older than this was already in it, or comes too late to be put in
   */
  constructor(
    base: AttemptState = NEW_ATTEMPT,
    private readonly through: AttemptEvent | null = null,
  ) {
    this.current = base;
    this.states = [base];
  }

  get state(): AttemptState {
    return this.current;
  }
  get size(): number {
    return this.events.length;
  }
  /** The newest event. */
  get last(): AttemptEvent | null {
    return this.events.at(-1) ?? this.through;
  }

  /** Takes an event in. @returns false when it is older than the base, so that only a whole history can tell */
  add(event: AttemptEvent): boolean {
    const key = `${event.device}\n${event.seq}`;
    if (this.known.has(key)) return true;
    if (this.through && compareEvents(event, this.through) < 0) return false;
    this.known.add(key);
    const last = this.events.at(-1);
    if (!last || compareEvents(last, event) < 0) {
      this.append(event);
      return true;
    }
    const at = this.events.findIndex((one) => compareEvents(one, event) > 0);
    const from = Math.floor(at / STRIDE) * STRIDE;
    const again = [...this.events.slice(from, at), event, ...this.events.slice(at)];
    this.current = this.states[from / STRIDE] ?? this.current;
    this.states = this.states.slice(0, from / STRIDE + 1);
    this.events.length = from;
    for (const one of again) this.append(one);
    return true;
  }

  private append(event: AttemptEvent): void {
    if (this.events.length > 0 && this.events.length % STRIDE === 0)
      this.states[this.events.length / STRIDE] = this.current;
    this.events.push(event);
    this.current = reduce(this.current, event);
  }
}

/** The state that events make, in whatever order they come. */
export function stateFrom(events: Iterable<AttemptEvent>): AttemptState {
  const history = new History();
  for (const event of [...events].sort(compareEvents)) history.add(event);
  return history.state;
}
