import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import next from 'next';
import { parseAndValidateFlightRouterState } from 'next/dist/server/app-render/parse-and-validate-flight-router-state.js';
import { endOldSessions } from '@/server/accounts/sessions';
import { prepared } from '@/server/db/statements';
import { backUp } from '@/server/db/backup';
import { database, serversDatabase } from '@/server/db/open';
import { toldOf } from '@/server/db/trouble';
import { scoreWhatIsLeft } from '@/server/results/rescoring';
import { GIVING_BYTES, PIECE_BYTES, ROSTER_BYTES, TRIED_BYTES } from '@/core/wire/uploads';
import { clientOf } from './front/client';
import { readConfig, type FrontConfig } from './front/config';
import { newNonce, securityHeaders } from './front/headers';
import { logLine, Metrics } from './front/log';
import { answerDirect, findDirect } from './direct';
import { asksForLive, serveLive } from './live';

/** Bytes of a request's body where nothing but a short form is sent; what is answered directly has limits of its own. */
const MAX_BODY = 16_384;
/** Where more than a short form is sent, and how large it may be. Whoever sends it is asked before it is read. */
const UPLOADS: readonly (readonly [address: RegExp, most: number])[] = [
  [/^\/api\/roster$/, ROSTER_BYTES],
  [/^\/api\/assignments\/give$/, GIVING_BYTES],
  [/^\/api\/library\/uploads\/[\w-]{1,64}$/, PIECE_BYTES],
  [/^\/api\/tests\/\d{1,15}\/items\/[^/]+\/try$/, TRIED_BYTES],
];
const mostOf = (path: string): number => UPLOADS.find(([address]) => address.test(path))?.[1] ?? MAX_BODY;
/** A connection that is idle is kept longer than a page is silent, and longer than a proxy keeps its own (nginx: 60 s): the other end closes it. */
const KEEP_IDLE_MS = 75_000;
const METHODS = new Set(['GET', 'HEAD', 'POST', 'OPTIONS']);

const development = process.argv.includes('--dev');

/** Ends a request that is not to be carried out: a short reason, and nothing of it is read any further. */
function refuse(response: ServerResponse, status: number, code: string): void {
  response.writeHead(status, {
    'content-type': 'application/json',
    'cache-control': 'no-store',
    ...(status === 413 && { connection: 'close' }),
  });
  response.end(JSON.stringify({ code }));
}

/** What is wrong with a request before anything of it is read; null where nothing is. */
function wrongWith(request: IncomingMessage): readonly [status: number, code: string] | null {
  if (!METHODS.has(request.method ?? '')) return [405, 'bad-input'];
  try {
    decodeURIComponent((request.url ?? '').split('?')[0] ?? '');
    // Where Next's client says it is. What Next cannot read it answers with a failure, so its own reader is asked before.
    parseAndValidateFlightRouterState(request.headers['next-router-state-tree']);
  } catch {
    return [400, 'bad-input'];
  }
  if (!request.url?.startsWith('/') || request.url.length > 4_000) return [400, 'bad-input'];
  const isDirect = findDirect(request) !== null;
  const length = Number(request.headers['content-length'] ?? 0);
  const most = mostOf(request.url.split('?')[0] ?? '');
  if (!isDirect && (length > most || request.headers['transfer-encoding'] !== undefined))
    return [413, 'bad-input'];
  return null;
}

/** Whether it stands: the database answers. */
function health(response: ServerResponse): void {
  try {
    prepared(database(), 'SELECT 1').get();
    response.writeHead(200, { 'content-type': 'application/json', 'cache-control': 'no-store' });
    response.end('{"ok":true}');
  } catch {
    response.writeHead(503, { 'content-type': 'application/json', 'cache-control': 'no-store' });
    response.end('{"ok":false}');
  }
}

function serverFor(config: FrontConfig, pages: ReturnType<ReturnType<typeof next>['getRequestHandler']>) {
  const metrics = new Metrics();
  const serve = (request: IncomingMessage, response: ServerResponse) => {
    const begin = performance.now();
    const [method, address] = [request.method ?? '', request.url ?? ''];
    response.once('close', () => {
      const ms = performance.now() - begin;
      metrics.count(method, response.statusCode, ms);
      if (config.log) process.stdout.write(`${logLine(method, address, response.statusCode, ms)}\n`);
    });
    const client = clientOf(request, config);
    const nonce = newNonce();
    const headers = securityHeaders(nonce, client.secure, development);
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    const wrong = wrongWith(request);
    if (wrong) return refuse(response, ...wrong);
    if (address === '/healthz') return health(response);
    if (address === '/metrics' && client.address.startsWith('127.')) {
      response.writeHead(200, { 'content-type': 'text/plain; version=0.0.4', 'cache-control': 'no-store' });
      return response.end(metrics.text());
    }
    const found = findDirect(request);
    if (found) return void answerDirect(request, response, found, config.origins);
    if (asksForLive(request)) return serveLive(request, response);
    // There are no server actions to be called; asking for one would only fill the log.
    delete request.headers['next-action'];
    // What the pages may believe of who asks: said by us, whatever was sent under these names.
    request.headers['x-able-address'] = client.address;
    request.headers['x-able-secure'] = String(client.secure);
    request.headers['x-able-origins'] = [...config.origins].join(' ');
    // Next gives its own scripts the nonce it finds here.
    request.headers['content-security-policy'] = headers['content-security-policy'];
    return void pages(request, response);
  };
  const server = createServer(
    { requestTimeout: 30_000, headersTimeout: 10_000, keepAliveTimeout: KEEP_IDLE_MS },
    serve,
  );
  server.on('clientError', (_error, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n');
  });
  return server;
}

/** Copies the database every so often; one that fails is said and the next is tried. */
function backUpEvery({ folder, everyMs, keep }: NonNullable<FrontConfig['backup']>): void {
  const once = () =>
    backUp(database(), folder, Date.now(), keep).then(
      (path) => process.stdout.write(`${JSON.stringify({ at: new Date().toISOString(), backup: path })}\n`),
      (error: unknown) =>
        process.stderr.write(
          `${JSON.stringify({ at: new Date().toISOString(), backup: 'failed', why: String(error) })}\n`,
        ),
    );
  setInterval(() => void once(), everyMs).unref();
}

/** Who practices without an account is gone soon after the session is over, also where nobody signs in for long. */
const SWEEP_EVERY_MS = 10 * 60_000;
/** So many computers may knock at one moment, as when a whole school begins; the system may allow fewer (Linux: `net.core.somaxconn`). */
const BACKLOG = 8192;

/**
 * The app's server: Next for everything, but for what a whole class asks for in the same minute (direct.ts): Next's way to a route
 * handler costs some twenty times what keeping an answer does (npm run bench, npm run load).
 */
async function main(): Promise<void> {
  const at = process.argv.indexOf('--port');
  const port = Number(at >= 0 ? process.argv[at + 1] : (process.env.PORT ?? 3000));
  const config = readConfig(process.env, port);
  const app = next({ dev: development, port, hostname: 'localhost' });
  await app.prepare();
  if (config.backup) backUpEvery(config.backup);
  const db = serversDatabase();
  const sweep = () => {
    try {
      endOldSessions(db, Date.now());
    } catch (error) {
      // Without room, or while another writes, a server serves all the same.
      toldOf(error);
    }
  };
  sweep();
  void scoreWhatIsLeft(db).catch(console.error);
  setInterval(sweep, SWEEP_EVERY_MS).unref();
  serverFor(config, app.getRequestHandler()).listen({ port, host: config.host, backlog: BACKLOG }, () => {
    process.stdout.write(`ready on http://localhost:${port}\n`);
  });
}

void main();
