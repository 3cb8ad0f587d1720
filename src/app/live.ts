import type { IncomingMessage, ServerResponse } from 'node:http';
import { actsOf } from '@/core/access/access';
import type { ClassRow } from '@/core/wire/desk';
import { requireAct } from '@/server/accounts/access';
import { nameOfSession, userOfSession } from '@/server/accounts/sessions';
import type { User } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { reachedAlike, Told, writtenSince } from '@/server/results/live';
import { classOverview } from '@/server/results/overview';
import { sessionTokenIn } from './session';

/** It is looked this often whether anything was written, in milliseconds. */
const LOOK_EVERY_MS = 1_000;
/** And this often in any case: time that passes is news too. */
const LOOK_ANYWAY_MS = 5_000;
/** A line is sent at least this often, so that nothing between takes the connection for dead; whoever is signed out meanwhile is let go. */
const ALIVE_EVERY_MS = 15_000;
/** Streams in all, and of one session: a desk in some tabs, and no flood. */
const MOST_STREAMS = 300;
const MOST_OF_SESSION = 8;

/** Looking takes a tenth of the time at most: the rest is for who answers. */
const RESTS_TIMES = 9;

interface Stream {
  readonly response: ServerResponse;
  readonly token: string;
  readonly session: string;
  readonly told: Told;
  heardAt: number;
}
const streams = new Set<Stream>();
let timer: NodeJS.Timeout | null = null;
let lookedAt = 0;
let looking = false;
/** No look before. */
let restsUntil = 0;
let isWritten = () => true;

/** Whether a request asks for what goes on in the room, as it happens. */
export const asksForLive = ({ method, url = '' }: IncomingMessage): boolean =>
  method === 'GET' && url === '/api/desk/live';

const nextTurn = () => new Promise((resolve) => setImmediate(resolve));

/** Who listens there now; null, and it ends, where they are signed out or may not any more. */
function listener({ token, response }: Stream, now: number): User | null {
  const user = userOfSession(database(), token, now);
  if (user && !user.mustChange && actsOf(user.role).includes('supervise')) return user;
  response.end();
  return null;
}

/**
 * Tells everyone what is new to them. Students whom two reach alike are looked at once, and who saves an answer is heard between.
 * @returns how long that took, in milliseconds
 */
async function tellAll(now: number): Promise<number> {
  const db = database();
  const seen = new Map<string, readonly ClassRow[]>();
  let took = 0;
  for (const stream of [...streams]) {
    const { response, told } = stream;
    // Whoever does not keep up is told when they do.
    if (response.writableNeedDrain) continue;
    const began = performance.now();
    const user = listener(stream, now);
    if (user) {
      const alike = reachedAlike(user);
      const rows = seen.get(alike) ?? classOverview(db, user, now);
      seen.set(alike, rows);
      const news = told.news(db, user, rows, now);
      if (news) response.write(`event: news\ndata: ${JSON.stringify(news)}\n\n`);
    }
    took += performance.now() - began;
    await nextTurn();
  }
  return took;
}

/** Gives a sign where nothing was said for a while; whoever is signed out is let go. */
function keepAlive(now: number): void {
  for (const stream of [...streams]) {
    if (now - stream.heardAt < ALIVE_EVERY_MS) continue;
    stream.heardAt = now;
    if (listener(stream, now)) stream.response.write(': here\n\n');
  }
}

async function tick(): Promise<void> {
  const now = Date.now();
  if (looking) return;
  looking = true;
  try {
    keepAlive(now);
    if (now < restsUntil || (!isWritten() && now - lookedAt < LOOK_ANYWAY_MS)) return;
    lookedAt = now;
    restsUntil = now + (await tellAll(now)) * RESTS_TIMES;
  } catch (error) {
    console.error(error);
    // Everybody connects anew, and is told everything.
    for (const { response } of [...streams]) response.end();
  } finally {
    looking = false;
  }
}

function open(request: IncomingMessage, response: ServerResponse): void {
  const now = Date.now();
  const token = sessionTokenIn(request.headers.cookie ?? '');
  const user = token === null ? null : userOfSession(database(), token, now);
  if (token === null || !user) throw new Refusal('not-signed-in', 401);
  if (user.mustChange) throw new Refusal('change-password', 403);
  requireAct(user, 'supervise');
  const session = nameOfSession(token);
  const own = [...streams].filter((one) => one.session === session).length;
  if (streams.size >= MOST_STREAMS || own >= MOST_OF_SESSION) throw new Refusal('busy', 503);
  const stream: Stream = { response, token, session, told: new Told(), heardAt: now };
  response.writeHead(200, {
    'content-type': 'text/event-stream',
    'cache-control': 'no-store',
    // A proxy passes every line on at once (nginx).
    'x-accel-buffering': 'no',
  });
  response.write('retry: 3000\n\n');
  streams.add(stream);
  response.once('close', () => {
    streams.delete(stream);
    if (streams.size > 0 || timer === null) return;
    clearInterval(timer);
    timer = null;
  });
  if (timer === null) isWritten = writtenSince(database());
  timer ??= setInterval(() => void tick(), LOOK_EVERY_MS).unref();
  // What the page has is as old as the page: it is told everything first.
  lookedAt = 0;
}

/** Opens a stream of news (server-sent events) of the students whom somebody supervises; refuses in JSON. */
export function serveLive(request: IncomingMessage, response: ServerResponse): void {
  try {
    open(request, response);
  } catch (error) {
    const [status, code] = error instanceof Refusal ? [error.status, error.code] : [500, 'error'];
    if (!(error instanceof Refusal)) console.error(error);
    response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store' });
    response.end(JSON.stringify({ code }));
  }
}
