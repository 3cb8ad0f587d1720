import type { AttemptEvent, BrowserAction, BrowserEvent } from '@/core/attempt/events';
import { History } from '@/core/attempt/history';
import { may } from '@/core/attempt/may';
import { own } from '@/core/own';
import type { GoOnRequest } from '@/core/wire/requests';
import { openPartOf, type DeliveredTest } from '@/core/item/delivered';
import type { AttemptState } from '@/core/attempt/state';
import { PlaceKeeper } from '../offline/placeKeeper';
import type { Places } from '../offline/places';
import type { ServerClock } from './clock';
import type { Journal } from './journal';
import { lackingIn } from './lacking';
import { Outbox } from './outbox';
import { saveStateOf, type SaveState } from './saveState';
import { browserTimers, type Timers } from './timers';
import { ServerRefusal, type Content, type Transport, type WentOn } from './transport';

export interface SessionStatus {
  readonly save: SaveState;
  /** Another browser has the attempt now. */
  readonly moved: boolean;
  /** The server says it is over (handed in elsewhere, or the time ran out). */
  readonly over: boolean;
  /** The person is no longer signed in: answers stay here until they are. */
  readonly signedOut: boolean;
  /** This computer keeps where the page stands, so that it can be opened again without network. */
  readonly placed: boolean;
}

const SEND_AFTER_MS = 350;
const HEARTBEAT_MS = 15_000;
/** While it is paused, so that going on does not make anybody wait. */
const HELD_MS = 3_000;
const RETRY_MS = [1_000, 2_000, 4_000, 8_000, 15_000];

/** Where a page begins: as the server resumed the attempt here, or as this computer kept it. */
export interface Start {
  readonly device: string;
  readonly state: AttemptState;
  readonly cursor: number;
  /** What this page had said already; given where the server could not be asked. */
  readonly outbox?: Outbox;
}

/** What a computer keeps of an attempt. */
export interface Keeping {
  readonly journal: Journal;
  readonly places: Places;
}

/**
 * One attempt in one opened page: applies what the student does at once, keeps it in the journal, and sends it. Knows no
 * React; components subscribe.
 */
export class AttemptSession {
  /** What this page knows of the attempt: the state it was opened with, and everything since in its one order. */
  private readonly history: History;
  private device: string;
  /** What the page was opened with. */
  private readonly opened: AttemptState;
  private lastAt = 0;
  private delivered: DeliveredTest;
  private status: SessionStatus = {
    save: 'saved',
    moved: false,
    over: false,
    signedOut: false,
    placed: false,
  };
  private cursor: number;
  private outbox: Outbox;
  private readonly journal: Journal;
  private readonly keeper: PlaceKeeper;
  private inFlight: Promise<boolean> | null = null;
  private failures = 0;
  private journalFailed = false;
  /** Events a batch holds while something in it was refused; else as many as fit. */
  private most: number | undefined;
  /** Something could not be given to the server, and is only in this page. */
  private refused = false;
  private timer: unknown = null;
  private closed = false;
  private readonly listeners = new Set<() => void>();

  constructor(
    start: Start,
    content: Content,
    readonly clock: ServerClock,
    { journal, places }: Keeping,
    private readonly transport: Transport,
    private readonly timers: Timers = browserTimers,
    private readonly monotonic: () => number = () => performance.now(),
  ) {
    this.device = start.device;
    this.opened = start.state;
    this.history = new History(start.state);
    this.delivered = content.test;
    this.student = content.student;
    this.cursor = start.cursor;
    this.outbox = start.outbox ?? new Outbox();
    this.journal = journal;
    this.keeper = new PlaceKeeper(
      places,
      journal,
      timers,
      () => this.standing(),
      (placed) => this.setPlaced(placed),
    );
    if (start.outbox) {
      // Opened without the server: so it is said, and it is asked for at once.
      this.failures = 1;
      this.updateSave();
      this.schedule(0);
    } else {
      void this.keeper.now();
      this.schedule(HEARTBEAT_MS);
    }
  }

  /** Where this page stands, to be kept; null while what it shows does not go with it. */
  private standing() {
    if (!this.isDelivered) return null;
    const serverNow = this.clock.now();
    return {
      place: {
        device: this.device,
        state: this.getState(),
        upTo: this.outbox.last,
        acknowledged: this.outbox.acknowledged,
        cursor: this.cursor,
        serverNow,
        ahead: serverNow - Date.now(),
      },
      content: { test: this.delivered, student: this.student },
    };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly student: Content['student'];
  /** What the server calls this page. */
  get name(): string {
    return this.device;
  }
  readonly getState = (): AttemptState => this.history.state;
  /** The test as delivered, with what checks have changed in it. */
  readonly getTest = (): DeliveredTest => this.delivered;
  readonly getStatus = (): SessionStatus => this.status;

  /** Does something: applied at once, kept on this computer, then sent. */
  dispatch(action: BrowserAction): void {
    if (this.closed || this.status.moved || this.status.over) return;
    // The clock may be put right by a little: what comes later is never dated before.
    const at = Math.max(this.lastAt, this.clock.now());
    if (may(this.getState(), action, at) !== null) return;
    this.lastAt = at;
    const event = this.outbox.say(action, this.device, at);
    this.history.add(event);
    this.journal.append([event]).then(
      () => this.setJournalFailed(false),
      () => this.setJournalFailed(true),
    );
    this.updateSave();
    this.notify();
    if (this.failures === 0) this.schedule(SEND_AFTER_MS);
  }

  /** Sends everything now. True when the server has it all. */
  async flush(): Promise<boolean> {
    if (this.inFlight) await this.inFlight;
    while (this.isWaiting && !this.closed) {
      if (!(await this.send())) return false;
    }
    return !this.isWaiting;
  }

  /** Whether the server does not have everything. */
  private get isWaiting(): boolean {
    return this.outbox.isWaiting;
  }

  /** The page is going away: one last send that outlives it. What does not arrive is still in the journal. */
  leave(): void {
    if (!this.isWaiting || this.closed) return;
    void this.transport.save(this.device, this.outbox.next(), this.cursor, true).catch(() => undefined);
  }

  /** Tries again at once: the network is said to be back. */
  readonly wake = (): void => {
    this.failures = 0;
    this.schedule(0);
  };

  close(): void {
    this.closed = true;
    this.timers.clear(this.timer);
    this.keeper.end();
  }

  /**
   * Has the answer to a question checked: everything given is sent first, then the question comes back with what may be
   * said of the answer, and is the one delivered from then on.
   * @throws when the network or the server does not take it; nothing is lost
   */
  async check(item: string, by: string | null): Promise<void> {
    if (!(await this.flush())) throw new TypeError('the answers have not all arrived');
    const checked = await this.transport.check(this.device, item, by);
    this.delivered = {
      ...this.delivered,
      items: { ...this.delivered.items, [item]: checked.item },
    };
    await this.send();
    this.notify();
  }

  /**
   * Goes on where there is no way back, or ends the open part: everything given is sent first, then the test comes back with what may
   * be seen from then on. `time`: a clock inside the test has ended something.
   * @throws when the network or the server does not take it; nothing is lost, nothing was done
   */
  async goOn(move: GoOnRequest['move']): Promise<Pick<WentOn, 'feedback' | 'moved'>> {
    if (!(await this.flush())) throw new TypeError('the answers have not all arrived');
    const went = await this.transport.goOn(this.device, move);
    this.delivered = went.test;
    // One that was on its way already knows nothing of it.
    if (this.inFlight) await this.inFlight;
    await this.send();
    this.notify();
    return went;
  }

  stop(): Promise<void> {
    return this.finish(() => this.transport.stop(this.device));
  }
  handIn(reason: 'asked' | 'time'): Promise<void> {
    return this.finish(() => this.transport.handIn(this.device, reason));
  }

  /** @throws when the answers or the request do not get through: nothing is lost, it can be tried again */
  private async finish(request: () => Promise<void>): Promise<void> {
    const sent = await this.flush();
    if (!sent && !this.status.over) throw new TypeError('the answers have not all arrived');
    await request();
    this.close();
    await this.keepNothing();
  }

  /** Nothing of the attempt is found on this computer any more. */
  private keepNothing(): Promise<void> {
    return this.keeper.forget(this.device, this.outbox.acknowledged);
  }

  private schedule(ms: number): void {
    if (this.closed) return;
    this.timers.clear(this.timer);
    this.timer = this.timers.set(() => {
      if (!this.inFlight) void this.send();
    }, ms);
  }

  private send(): Promise<boolean> {
    this.inFlight ??= this.sendOnce().finally(() => {
      this.inFlight = null;
      const next =
        this.failures > 0 ? (RETRY_MS[Math.min(this.failures, RETRY_MS.length) - 1] ?? 15_000) : undefined;
      const quiet = this.getState().phase === 'stopped' ? HELD_MS : HEARTBEAT_MS;
      this.schedule(next ?? (this.isWaiting ? 0 : quiet));
    });
    return this.inFlight;
  }

  private async sendOnce(): Promise<boolean> {
    const events = this.outbox.next(this.most);
    const sentAt = this.monotonic();
    this.updateSave();
    try {
      const saved = await this.transport.save(this.device, events, this.cursor);
      // A server that came back from a backup has less than it had: what it lacks is sent again, after a moment.
      const took = saved.acknowledged >= (events.at(-1)?.seq ?? 0);
      this.failures = took ? 0 : this.failures + 1;
      this.most = undefined;
      this.clock.correct(saved.serverNow, sentAt);
      this.cursor = saved.cursor;
      this.outbox.acknowledge(saved.acknowledged);
      this.takeIn(saved.others);
      const over = saved.phase === 'handed-in';
      this.status = { ...this.status, moved: saved.moved, over: this.status.over || over, signedOut: false };
      if (saved.moved || over) void this.keepNothing();
      else this.keeper.soon();
      // A server from before this computer began to keep: what it lacks is not here any more, so it is opened there anew.
      if (saved.acknowledged < this.outbox.before) await this.openAgain();
      this.updateSave();
      this.notify();
      return took;
    } catch (error) {
      this.failures += 1;
      if (error instanceof ServerRefusal && error.code === 'bad-input') this.findRefused(events);
      if (error instanceof ServerRefusal && error.code === 'unknown-device')
        await this.openAgain().catch(() => undefined);
      if (error instanceof ServerRefusal && error.code === 'not-signed-in')
        this.status = { ...this.status, signedOut: true };
      this.updateSave();
      this.notify();
      return false;
    }
  }

  /** What others said. It was said before whatever is said here from now on, though this page's clock may be a little behind. */
  private takeIn(others: readonly AttemptEvent[]): void {
    for (const event of others) {
      this.history.add(event);
      this.lastAt = Math.max(this.lastAt, event.at + 1);
    }
    // It stands somewhere else now, and this page did not ask for it: what may be seen there is fetched.
    if (!this.isDelivered) void this.fetchAgain();
  }

  /** Whether what may be seen where the attempt stands now is here. */
  get isDelivered(): boolean {
    const { current, stage } = this.getState();
    if (current !== null && !own(this.delivered.items, current)) return false;
    return stage === null || stage.part === (openPartOf(this.delivered)?.identifier ?? null);
  }

  /** Fetches what may be seen now; without network it is tried again with the next sign of life. */
  private async fetchAgain(): Promise<void> {
    try {
      this.delivered = (await this.transport.content()).test;
      this.notify();
    } catch {
      this.schedule(RETRY_MS[0] ?? HEARTBEAT_MS);
    }
  }

  /**
   * The server will not take something in a batch, which must not hold up everything after it: the batch is halved until one
   * event is left, and that one is sent emptied. The save sign says so.
   */
  private findRefused(events: readonly BrowserEvent[]): void {
    const [only] = events;
    if (events.length > 1) this.most = Math.ceil(events.length / 2);
    else if (only) {
      this.refused = true;
      this.outbox.empty(only);
    }
  }

  /**
   * The server does not know this page any more: it came back from a backup made before the page was opened. The page is given
   * another name and says again all it has, what it was opened with included, as far as the server lacks it.
   */
  private async openAgain(): Promise<void> {
    const { device, state, cursor } = await this.transport.resume();
    const at = this.clock.now();
    const lost = lackingIn(state, this.opened);
    const before = this.device;
    this.device = device;
    this.cursor = cursor;
    this.outbox = this.outbox.again(device, lost, at);
    await this.journal.append(this.outbox.all);
    await this.keeper.now();
    await this.journal.forget(before, Infinity);
  }

  private setPlaced(placed: boolean): void {
    if (this.status.placed === placed) return;
    this.status = { ...this.status, placed };
    this.notify();
  }

  private setJournalFailed(failed: boolean): void {
    if (this.journalFailed === failed) return;
    this.journalFailed = failed;
    this.updateSave();
    this.notify();
  }

  private updateSave(): void {
    const save = saveStateOf({
      isWaiting: this.isWaiting,
      isDown: this.failures > 0,
      wasRefused: this.refused,
      journalFailed: this.journalFailed,
    });
    if (save !== this.status.save) this.status = { ...this.status, save };
  }

  private notify(): void {
    for (const listener of this.listeners) listener();
  }
}
