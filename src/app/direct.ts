import type { IncomingMessage, ServerResponse } from 'node:http';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { ZodMiniType } from 'zod/mini';
import { batch } from '@/core/wire/events';
import { handInRequest } from '@/core/wire/requests';
import { nameOfSession, userOfSession } from '@/server/accounts/sessions';
import type { User } from '@/server/accounts/users';
import { commitTogether } from '@/server/db/groupCommit';
import { database } from '@/server/db/open';
import { toldOf } from '@/server/db/trouble';
import { attemptContent } from '@/server/delivery/content';
import { beginAttempt, handIn, resumeAttempt, saveBatch } from '@/server/delivery/delivery';
import { takerFor } from '@/server/delivery/tryOut';
import { Refusal } from '@/server/refusal';
import { isFromElsewhere } from './front/client';
import { sessionTokenIn } from './session';

/** Who asks for what: the identifier in the address, and the body as its schema reads it. */
interface Asked<Input> {
  readonly user: User;
  readonly id: string;
  /** What the session is called where something is tied to it. */
  readonly session: string;
  readonly input: Input;
}

/** A request that is answered here, before Next. */
interface Direct {
  readonly method: 'GET' | 'POST';
  readonly address: RegExp;
  /** Bytes of a body that are read; what is larger is not. */
  readonly most: number;
  readonly work: (asked: Asked<unknown>, now: number) => unknown;
}

const SMALL = 16_384;
/** A batch is small, but for drawings. */
const BATCH = 4_000_000;

/** @param schema of the body; null where nothing of it is asked */
function direct<Input>(
  [method, address, schema, most = SMALL]: readonly [
    method: 'GET' | 'POST',
    address: RegExp,
    schema: ZodMiniType<Input> | null,
    most?: number,
  ],
  work: (asked: Asked<Input>, now: number) => unknown,
): Direct {
  return {
    method,
    address,
    most,
    work: (asked, now) => {
      const read = schema?.safeParse(asked.input);
      if (read && !read.success) throw new Refusal('bad-input', 400);
      return work({ ...asked, input: read?.data as Input }, now);
    },
  };
}

/** What a whole class asks for in the same minute: the way into a test and out of it, and every answer between. */
const DIRECT: readonly Direct[] = [
  direct(['POST', /^\/api\/attempts\/([\w-]{1,64})\/events$/, batch, BATCH], ({ user, id, input }, now) =>
    saveBatch(database(), user, id, input, now),
  ),
  direct(['POST', /^\/api\/assignments\/(\d{1,15})\/begin$/, null], ({ user, id }, now) =>
    commitTogether(database(), () => beginAttempt(database(), user, Number(id), now)),
  ),
  direct(['POST', /^\/api\/attempts\/([\w-]{1,64})\/resume$/, null], ({ user, id, session }, now) =>
    commitTogether(database(), () => resumeAttempt(database(), user, id, session, now)),
  ),
  direct(['GET', /^\/api\/attempts\/([\w-]{1,64})\/content$/, null], ({ user, id }, now) =>
    attemptContent(database(), user, id, now),
  ),
  direct(['POST', /^\/api\/attempts\/([\w-]{1,64})\/hand-in$/, handInRequest], ({ user, id, input }, now) =>
    commitTogether(database(), () => handIn(database(), user, id, input.device, input.reason, now)),
  ),
];

/** A request that is answered here, and the identifier in its address; null for every other. */
export interface Found {
  readonly way: Direct;
  readonly id: string;
}
export function findDirect({ method, url = '' }: IncomingMessage): Found | null {
  for (const way of DIRECT) {
    const id = way.method === method ? way.address.exec(url)?.[1] : undefined;
    if (id !== undefined) return { way, id };
  }
  return null;
}

async function read(request: IncomingMessage, most: number): Promise<unknown> {
  if (Number(request.headers['content-length'] ?? 0) > most) throw new Refusal('bad-input', 413);
  const pieces: Buffer[] = [];
  let size = 0;
  for await (const piece of request as AsyncIterable<Buffer>) {
    size += piece.length;
    if (size > most) throw new Refusal('bad-input', 413);
    pieces.push(piece);
  }
  if (size === 0) return undefined;
  try {
    return JSON.parse(Buffer.concat(pieces).toString('utf8'));
  } catch {
    throw new Refusal('bad-input', 400);
  }
}

async function answer(
  request: IncomingMessage,
  { way, id }: Found,
  origins: ReadonlySet<string>,
): Promise<unknown> {
  const { origin, cookie } = request.headers;
  const site = request.headers['sec-fetch-site']?.toString() ?? null;
  if (way.method === 'POST' && isFromElsewhere({ origin: origin ?? null, site }, origins))
    throw new Refusal('other-site', 403);
  // Who it is comes first: nothing a stranger sends is read.
  const token = sessionTokenIn(cookie ?? '');
  const signedIn = token === null ? null : userOfSession(database(), token, Date.now());
  if (token === null || !signedIn) throw new Refusal('not-signed-in', 401);
  if (signedIn.mustChange) throw new Refusal('change-password', 403);
  const user = takerFor(database(), signedIn);
  if (!user) throw new Refusal('not-yours', 403);
  const input = way.method === 'POST' ? await read(request, way.most) : undefined;
  return way.work({ user, id, session: nameOfSession(token), input }, Date.now());
}

const zipped = promisify(gzip);
/** Less than this is not worth packing, in letters. */
const WORTH_PACKING = 4_000;

/** Carries out a request and answers in JSON: what came of it, or why not. */
export async function answerDirect(
  request: IncomingMessage,
  response: ServerResponse,
  found: Found,
  origins: ReadonlySet<string>,
): Promise<void> {
  let status = 200;
  let text: string;
  try {
    text = JSON.stringify((await answer(request, found, origins)) ?? {});
  } catch (error) {
    const refusal = toldOf(error);
    status = refusal?.status ?? 500;
    text = JSON.stringify(refusal?.body ?? { code: 'error' });
  }
  const packs = text.length > WORTH_PACKING && /\bgzip\b/.test(request.headers['accept-encoding'] ?? '');
  const body = packs ? await zipped(text) : text;
  response.writeHead(status, {
    'content-type': 'application/json',
    'cache-control': 'no-store',
    ...(packs && { 'content-encoding': 'gzip', vary: 'accept-encoding' }),
    // The rest of a body that is not read must not hold the connection.
    ...(status !== 200 && !request.complete && { connection: 'close' }),
  });
  response.end(body);
}
