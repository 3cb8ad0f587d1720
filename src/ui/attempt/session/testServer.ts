import type { AttemptEvent, BrowserEvent } from '@/core/attempt/events';
import { NEW_ATTEMPT } from '@/core/attempt/state';
import type { DeliveredItem } from '@/core/item/delivered';
import { USUAL } from '@/core/item/options';
import { NO_MATERIALS } from '@/core/item/materials';
import { NO_NEEDS } from '@/core/needs';
import type { Stage } from '@/core/sitting/stage';
import type { Timers } from './timers';
import { ServerRefusal, type Content, type Saved, type Transport, type WentOn } from './transport';

export const CHECKED: DeliveredItem = {
  number: 1,
  ref: '',
  language: null,
  body: [],
  responses: [],
  stimuli: [],
  materials: NO_MATERIALS,
  cards: {},
  toolsOff: [],
  points: 1,
  tries: 0,
  checksWhole: false,
  feedback: [],
};

export const CONTENT: Content = {
  test: {
    title: 'T',
    language: null,
    directions: [],
    timeLimit: null,
    parts: [],
    count: 0,
    clocks: [],
    given: USUAL,
    items: {},
    stimuli: {},
    assets: [],
  },
  student: { displayName: 'Wren', needs: NO_NEEDS, tries: false },
};

/** A test of two parts in which one question is open. */
export const partsOpen = (ref: string, part: 'one' | 'two'): Content => ({
  ...CONTENT,
  test: {
    ...CONTENT.test,
    parts: (['one', 'two'] as const).map((identifier) => ({
      identifier,
      title: '',
      navigation: 'nonlinear',
      status: identifier === part ? 'open' : identifier === 'one' ? 'ended' : 'ahead',
      count: 1,
      limit: null,
      isCertain: true,
      sections:
        identifier === part ? [{ identifier, title: '', directions: [], first: ref, items: [ref] }] : [],
    })),
    items: { [ref]: { ...CHECKED, ref } },
  },
});
export const stageAt = (part: string, ref: string): Stage => ({ part, at: ref, open: [ref], lookable: [] });
export const wentOn = (by: 'next' | 'end-part' | 'time', stage: Stage): AttemptEvent => ({
  type: 'went-on',
  by,
  stage,
  device: 'server',
  seq: 2,
  at: 1_000_010,
});

/** A server that keeps events by number, and can be unplugged. */
export class FakeServer implements Transport {
  readonly kept = new Map<string, Map<number, BrowserEvent>>();
  up = true;
  loseAnswer = false;
  /** Answers to this question are refused as bad input. */
  refuses = '';
  moved = false;
  /** A page this server was never told of. */
  forgot = '';
  /** What may be seen now, and how often it was fetched. */
  shows: Content = CONTENT;
  fetched = 0;
  content = () => {
    if (!this.up) return Promise.reject(new TypeError('network'));
    this.fetched += 1;
    return Promise.resolve(this.shows);
  };
  /** What the server itself says with the next answer. */
  says: AttemptEvent[] = [];
  /** Where going on leads, and what was held when it was asked for. */
  leadsTo: Stage | null = null;
  heldAtGoOn = -1;
  goOn = (device: string, move: 'next' | 'end-part' | 'time'): Promise<WentOn> => {
    if (!this.up || !this.leadsTo) return Promise.reject(new TypeError('network'));
    this.heldAtGoOn = this.kept.get(device)?.size ?? 0;
    this.says = [wentOn(move, this.leadsTo)];
    return Promise.resolve({ test: this.shows.test, feedback: [], moved: false });
  };
  resume = () =>
    Promise.resolve({
      device: 'page-2',
      state: { ...NEW_ATTEMPT, phase: 'running' as const },
      cursor: 0,
      serverNow: 1_000_000,
    });
  save = (device: string, events: readonly BrowserEvent[]): Promise<Saved> => {
    if (!this.up) return Promise.reject(new TypeError('network'));
    if (device === this.forgot) return Promise.reject(new ServerRefusal('unknown-device', 409));
    if (events.some((event) => event.type === 'answered' && event.item === this.refuses))
      return Promise.reject(new ServerRefusal('bad-input', 400));
    const mine = this.kept.get(device) ?? new Map<number, BrowserEvent>();
    this.kept.set(device, mine);
    for (const event of events) if (!mine.has(event.seq)) mine.set(event.seq, event);
    if (this.loseAnswer) return Promise.reject(new TypeError('the answer was lost'));
    let contiguous = 0;
    while (mine.has(contiguous + 1)) contiguous += 1;
    const others = this.says;
    this.says = [];
    return Promise.resolve({
      acknowledged: contiguous,
      serverNow: 1_000_000,
      cursor: 0,
      others,
      moved: this.moved,
      phase: 'running',
    });
  };
  /** What the server held when a check was asked for. */
  heldAtCheck = -1;
  check = (device: string, item: string) => {
    if (!this.up) return Promise.reject(new TypeError('network'));
    this.heldAtCheck = this.kept.get(device)?.size ?? 0;
    return Promise.resolve({ item: { ...CHECKED, ref: item } });
  };
  stop = () => Promise.resolve();
  handIn = () => (this.up ? Promise.resolve() : Promise.reject(new TypeError('network')));
}

/** Timers that run when told. */
export class HandTimers implements Timers {
  private due: (() => void)[] = [];
  set(run: () => void): unknown {
    this.due.push(run);
    return run;
  }
  clear(timer: unknown): void {
    this.due = this.due.filter((run) => run !== timer);
  }
  fire(): void {
    const now = this.due;
    this.due = [];
    for (const run of now) run();
  }
}

export const settle = async () => {
  for (let i = 0; i < 20; i += 1) await new Promise((resolve) => setImmediate(resolve));
};
