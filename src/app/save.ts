import type { IncomingMessage, ServerResponse } from 'node:http';
import { batch } from '@/core/wire/events';
import { userOfSession } from '@/server/accounts/sessions';
import { database } from '@/server/db/open';
import { saveBatch } from '@/server/delivery/delivery';
import { Refusal } from '@/server/refusal';
import { isFromElsewhere } from './front/client';
import { sessionTokenIn } from './session';

/** A batch is small; what is larger than this is not read. */
const MAX_BYTES = 4_000_000;
const ADDRESS = /^\/api\/attempts\/([\w-]{1,64})\/events$/;

/** The attempt of a request that saves; null for every other request. */
export function saveAddress(request: IncomingMessage): string | null {
  return request.method === 'POST' ? (ADDRESS.exec(request.url ?? '')?.[1] ?? null) : null;
}

async function read(request: IncomingMessage): Promise<unknown> {
  if (Number(request.headers['content-length'] ?? 0) > MAX_BYTES) throw new Refusal('bad-input', 413);
  const pieces: Buffer[] = [];
  let size = 0;
  for await (const piece of request as AsyncIterable<Buffer>) {
    size += piece.length;
    if (size > MAX_BYTES) throw new Refusal('bad-input', 413);
    pieces.push(piece);
  }
  try {
    return JSON.parse(Buffer.concat(pieces).toString('utf8'));
  } catch {
    throw new Refusal('bad-input', 400);
  }
}

async function save(
  request: IncomingMessage,
  attemptId: string,
  origins: ReadonlySet<string>,
): Promise<unknown> {
  const { origin, cookie } = request.headers;
  const site = request.headers['sec-fetch-site']?.toString() ?? null;
  if (isFromElsewhere({ origin: origin ?? null, site }, origins)) throw new Refusal('other-site', 403);
  // Who it is comes first: nothing a stranger sends is read.
  const token = sessionTokenIn(cookie ?? '');
  const user = token === null ? null : userOfSession(database(), token, Date.now());
  if (!user) throw new Refusal('not-signed-in', 401);
  const input = batch.safeParse(await read(request));
  if (!input.success) throw new Refusal('bad-input', 400);
  return saveBatch(database(), user, attemptId, input.data, Date.now());
}

/** Keeps a batch and answers in JSON: what is acknowledged, or why not. */
export async function answerSave(
  request: IncomingMessage,
  response: ServerResponse,
  attemptId: string,
  origins: ReadonlySet<string>,
): Promise<void> {
  let status = 200;
  let text: string;
  try {
    text = JSON.stringify(await save(request, attemptId, origins));
  } catch (error) {
    status = error instanceof Refusal ? error.status : 500;
    text = JSON.stringify({ code: error instanceof Refusal ? error.code : 'error' });
    if (!(error instanceof Refusal)) console.error(error);
  }
  response.writeHead(status, {
    'content-type': 'application/json',
    'cache-control': 'no-store',
    // The rest of a body that is not read must not hold the connection.
    ...(status !== 200 && !request.complete && { connection: 'close' }),
  });
  response.end(text);
}
