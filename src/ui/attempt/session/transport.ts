import type { BrowserEvent } from '@/core/attempt/events';
import type { Content as Words } from '@/core/content/content';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import type { AttemptContent } from '@/core/wire/content';
import type { GoOnRequest } from '@/core/wire/requests';
import { resumedReply, savedReply, type Resumed, type Saved } from '@/core/wire/replies';

export type Content = AttemptContent;
/** What came of going on. */
export interface WentOn {
  readonly test: DeliveredTest;
  /** What the test has to say to it. */
  readonly feedback: readonly { readonly title: string; readonly content: Words }[];
  /** A clock had ended something first, so that nothing was done of what was asked. */
  readonly moved: boolean;
}
export type { Resumed, Saved };

/** The server said no, with a reason; anything else that goes wrong is the network. */
export class ServerRefusal extends Error {
  constructor(
    readonly code: string,
    readonly status: number,
  ) {
    super(code);
    this.name = 'ServerRefusal';
  }
}

/** The few things a browser asks of the server during an attempt. */
export interface Transport {
  content(): Promise<Content>;
  /** Opens the attempt in this page; the server gives the page its name. */
  resume(): Promise<Resumed>;
  save(device: string, events: readonly BrowserEvent[], cursor: number, leaving?: boolean): Promise<Saved>;
  /** Has the answer to one question checked now; what was given before must have been sent. */
  check(device: string, item: string, by: string | null): Promise<{ readonly item: DeliveredItem }>;
  /** Goes on where there is no way back, ends the open part, or sees what a clock has ended. */
  goOn(device: string, move: GoOnRequest['move']): Promise<WentOn>;
  stop(device: string): Promise<void>;
  handIn(device: string, reason: 'asked' | 'time'): Promise<void>;
}

/** A request that takes longer than this counts as lost; it is sent again, which changes nothing on the server. */
const PATIENCE_MS = 12_000;

export function httpTransport(attemptId: string): Transport {
  const base = `/api/attempts/${encodeURIComponent(attemptId)}`;
  const call = async <T>(path: string, body?: unknown, keepalive = false): Promise<T> => {
    const response = await fetch(`${base}${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
      cache: 'no-store',
      keepalive,
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    if (!response.ok) {
      const problem = (await response.json().catch(() => ({}))) as { code?: string };
      if (problem.code !== undefined) throw new ServerRefusal(problem.code, response.status);
      throw new TypeError(`the server answered ${response.status}`);
    }
    return (await response.json()) as T;
  };
  return {
    content: () => call('/content'),
    resume: async () => resumedReply.parse(await call('/resume', {})),
    save: async (device, events, cursor, leaving) =>
      savedReply.parse(await call('/events', { device, events, cursor }, leaving)),
    check: (device, item, by) => call(`/items/${encodeURIComponent(item)}/check`, { device, by }),
    goOn: (device, move) => call('/go-on', { device, move }),
    stop: (device) => call('/stop', { device }),
    handIn: (device, reason) => call('/hand-in', { device, reason }),
  };
}
