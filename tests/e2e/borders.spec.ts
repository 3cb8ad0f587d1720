import { readdirSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import fc from 'fast-check';
import { actsOf, type Act } from '../../src/core/access/access';
import { PASSWORDS, expect, test, type App } from './app';

/** Every address the app answers, as the code says them; parts in brackets stand for anything. */
function routesOf(folder: string, address = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (!entry.isDirectory()) return /^(route\.ts|page\.tsx)$/.test(entry.name) ? [address || '/'] : [];
    const own = entry.name.startsWith('(') ? '' : `/${entry.name}`;
    return routesOf(`${folder}/${entry.name}`, address + own);
  });
}
/** What is answered before Next (app/direct.ts), and by which method; nothing else stands at these addresses. */
const DIRECT: Readonly<Record<string, 'GET' | 'POST'>> = {
  '/api/attempts/[id]/events': 'POST',
  '/api/attempts/[id]/resume': 'POST',
  '/api/attempts/[id]/content': 'GET',
  '/api/attempts/[id]/hand-in': 'POST',
  '/api/assignments/[id]/begin': 'POST',
  '/api/desk/live': 'GET',
};
const ROUTES = [
  ...routesOf('src/app'),
  ...Object.keys(DIRECT),
  '/healthz',
  '/metrics',
  '/_next/static/[...path]',
  '/_next/image',
  '/[...path]',
];

interface Sent {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Uint8Array;
}
interface Answered {
  readonly status: number;
  readonly headers: Readonly<Record<string, unknown>>;
  readonly text: string;
}
/** Sends bytes as they are: no program between that would tidy an address first. */
const send = (app: App, { method, path, headers, body }: Sent): Promise<Answered> =>
  new Promise((resolve, reject) => {
    const bytes = Buffer.from(body);
    const sends = !['GET', 'HEAD', 'TRACE'].includes(method) || bytes.length > 0;
    const asked = httpRequest(
      {
        host: '127.0.0.1',
        port: app.port,
        method,
        path,
        headers: { ...headers, ...(sends && { 'content-length': String(bytes.length) }) },
        agent: false,
      },
      (response) => {
        const pieces: Buffer[] = [];
        response.on('data', (piece: Buffer) => pieces.push(piece));
        response.on('end', () =>
          resolve({
            status: response.statusCode ?? 0,
            headers: response.headers,
            text: Buffer.concat(pieces).toString('utf8'),
          }),
        );
        response.on('error', reject);
      },
    );
    asked.on('error', reject);
    asked.end(sends ? bytes : undefined);
  });

const json = (app: App, path: string, body: unknown, cookie = '', method = 'POST') =>
  send(app, {
    method,
    path,
    headers: { 'content-type': 'application/json', origin: app.url, cookie },
    body: method === 'GET' ? '' : JSON.stringify(body),
  });

interface Inside {
  readonly cookie: string;
  readonly attempt: string;
  readonly device: string;
}
/** A student in the middle of a test, without a browser. */
async function begin(app: App, name: keyof typeof PASSWORDS): Promise<Inside> {
  const signedIn = await json(app, '/api/sign-in', { name, password: PASSWORDS[name] });
  const [set = ''] = (signedIn.headers['set-cookie'] as string[] | undefined) ?? [];
  const cookie = set.split(';')[0] ?? '';
  const [mine] = app.query<{ id: number }>(
    'SELECT a.id FROM assignments a JOIN users u ON u.id = a.user_id WHERE u.sign_in_name = ? ORDER BY a.id',
    name,
  );
  const begun = await json(app, `/api/assignments/${mine?.id ?? 0}/begin`, {}, cookie);
  const { attemptId } = JSON.parse(begun.text) as { attemptId: string };
  const resumed = await json(app, `/api/attempts/${attemptId}/resume`, {}, cookie);
  const { device } = JSON.parse(resumed.text) as { device: string };
  return { cookie, attempt: attemptId, device };
}

test('no address, method, header or body makes the server fail, and every answer carries the headers', async ({
  ownApp: app,
}) => {
  test.setTimeout(240_000);
  expect(ROUTES.length).toBeGreaterThan(20);
  const me = await begin(app, 'wren');
  const other = await begin(app, 'bao');

  const odd = fc.oneof(
    fc.constantFrom(
      '%ff',
      '%25ff',
      '%00',
      '..',
      '%2e%2e%2f',
      '__proto__',
      'constructor',
      'toString',
      '0',
      '-1',
      '9007199254740993',
      '1e400',
      "'; DROP TABLE users; --",
      'images/x.svg',
      'a'.repeat(3_000),
    ),
    fc.string({ maxLength: 30 }),
  );
  const segment = fc.oneof(
    { weight: 3, arbitrary: fc.constantFrom(me.attempt, other.attempt, 'reading-1', 'en') },
    {
      weight: 2,
      arbitrary: odd.map((text) => (/^(%[0-9a-f]{2,4})+$/.test(text) ? text : encodeURIComponent(text))),
    },
  );
  const path = fc
    .tuple(fc.constantFrom(...ROUTES), fc.array(segment, { minLength: 3, maxLength: 3 }), fc.option(odd))
    .map(([route, parts, query]) => {
      let at = 0;
      const filled = route.replaceAll(/\[[^\]]+\]/g, () => parts[at++ % parts.length] ?? 'x');
      return query === null ? filled : `${filled}?${encodeURIComponent(query)}=${encodeURIComponent(query)}`;
    });
  const event = fc.record({
    type: fc.constantFrom(
      'answered',
      'opened',
      'flagged',
      'struck',
      'tool-kept',
      'seen',
      'begun',
      'stopped',
      'nothing',
    ),
    device: fc.constantFrom(me.device, other.device, 'server', ''),
    seq: fc.oneof(fc.integer(), fc.constantFrom(1, 2, Number.MAX_SAFE_INTEGER, 1.5)),
    at: fc.oneof(fc.integer(), fc.constant(1e308)),
    item: fc.oneof(fc.constantFrom('reading-1', '__proto__', 'constructor'), fc.string()),
    responses: fc.oneof(fc.jsonValue(), fc.constant({ RESPONSE: 'A' })),
    how: fc.constantFrom('edit', 'undo', 'x'),
    tool: fc.string(),
    state: fc.jsonValue(),
  });
  const body = fc.oneof(
    fc.jsonValue().map((value) => JSON.stringify(value)),
    fc
      .record({
        device: fc.constantFrom(me.device, other.device, 'server'),
        events: fc.array(event, { maxLength: 5 }),
        cursor: fc.oneof(fc.integer(), fc.constantFrom(0, -1, 1e300)),
      })
      .map((value) => JSON.stringify(value)),
    fc.constantFrom(
      '',
      '{',
      '[['.repeat(4_000),
      JSON.stringify({ device: me.device, reason: 'asked' }),
      JSON.stringify({ device: me.device, by: '__proto__' }),
      JSON.stringify({ name: 'wren', password: 'x'.repeat(9_000) }),
    ),
    fc.uint8Array({ maxLength: 200 }),
  );
  const headers = fc
    .record(
      {
        cookie: fc.constantFrom(me.cookie, me.cookie, me.cookie, 'able=__proto__', ';;=;', 'x'.repeat(3_000)),
        origin: fc.constantFrom(app.url, app.url, app.url, 'null', 'nonsense', 'http://elsewhere.test'),
        'content-type': fc.constantFrom(
          'application/json',
          'text/plain',
          'multipart/form-data; boundary=',
          '',
        ),
        range: fc.constantFrom('bytes=5-1', 'bytes=0-0', 'x'),
        rsc: fc.constant('1'),
        'next-action': fc.constantFrom('0'.repeat(40), 'x'),
        'next-router-state-tree': fc.constantFrom('%5B%5D', '[', '%ff'),
        'x-forwarded-for': fc.constantFrom('::', '999.1.1.1', '__proto__'),
        'x-able-address': fc.constant('1.2.3.4'),
        'if-none-match': fc.constant('*'),
        'accept-language': fc.constantFrom('xx', ';q=', '*'),
      },
      { requiredKeys: [] },
    )
    .map((given) => given as Record<string, string>);
  const asked = fc.record({
    method: fc.constantFrom(
      'GET',
      'GET',
      'POST',
      'POST',
      'POST',
      'HEAD',
      'PUT',
      'DELETE',
      'PATCH',
      'OPTIONS',
      'TRACE',
    ),
    path,
    headers,
    body,
  });

  await fc.assert(
    fc.asyncProperty(asked, async (one) => {
      const { status, headers: got } = await send(app, one);
      expect(status, JSON.stringify(one).slice(0, 2_000)).toBeLessThan(500);
      expect(got['content-security-policy']).toContain("frame-ancestors 'none'");
      expect(got['x-content-type-options']).toBe('nosniff');
      if (one.method === 'TRACE') expect(status).toBe(405);
    }),
    {
      numRuns: Number(process.env.ABLE_FUZZ ?? 900),
      seed: Number(process.env.ABLE_SEED ?? 20_261_127),
      endOnFailure: true,
    },
  );

  // It still stands, and the other student, who did nothing, finds everything as it was.
  expect((await json(app, '/healthz', null, '', 'GET')).status).toBe(200);
  const again = await json(app, `/api/attempts/${other.attempt}/resume`, {}, other.cookie);
  expect(again.status).toBe(200);
  expect(
    app.query("SELECT 1 FROM events WHERE attempt_id = ? AND device <> 'server'", other.attempt),
  ).toEqual([]);
});

test('nobody reads or changes an attempt that is not theirs', async ({ ownApp: app }) => {
  const me = await begin(app, 'wren');
  const other = await begin(app, 'bao');
  const inside = ROUTES.filter((one) => one.startsWith('/api/attempts/[id]'));
  expect(inside.length).toBeGreaterThan(5);
  for (const route of inside) {
    const path = route
      .replace('[id]', other.attempt)
      .replace('[item]', 'reading-1')
      .replace('[...path]', 'images/x.svg');
    for (const method of ['GET', 'POST']) {
      const answered = await json(
        app,
        path,
        { device: other.device, events: [], cursor: 0 },
        me.cookie,
        method,
      );
      // What whoever supervises does is refused to every student, whosever the attempt is.
      const forStaff =
        method === 'POST' && /\/(unlock|hold|release|late|marks|add-time|move|end)$/.test(route);
      expect(forStaff ? [403] : [400, 404, 405], `${method} ${route}: ${answered.status}`).toContain(
        answered.status,
      );
      const unknown = await json(app, path, {}, '', method);
      const none = (DIRECT[route] ?? method) !== method;
      expect(none ? [404] : [401, 405], `${method} ${route} signed out: ${unknown.status}`).toContain(
        unknown.status,
      );
    }
  }
});

/** Who may ask for what under /api: an act of core/access, or anyone. A route that is not here fails the test below. */
const WHO: Readonly<Record<string, Act | 'anyone'>> = {
  '/api/assignments/[id]/assets/[...path]': 'take',
  '/api/assignments/[id]/begin': 'take',
  '/api/assignments/[id]/let-in': 'supervise',
  '/api/assignments/[id]/standing': 'take',
  '/api/assignments/[id]/take-back': 'give',
  '/api/assignments/[id]/try': 'give',
  '/api/assignments/give': 'give',
  '/api/attempts/[id]/add-time': 'supervise',
  '/api/attempts/[id]/assets/[...path]': 'mark',
  '/api/attempts/[id]/content': 'take',
  '/api/attempts/[id]/end': 'supervise',
  '/api/attempts/[id]/events': 'take',
  '/api/attempts/[id]/go-on': 'take',
  '/api/attempts/[id]/hand-in': 'take',
  '/api/attempts/[id]/hold': 'supervise',
  '/api/attempts/[id]/items/[item]/check': 'take',
  '/api/attempts/[id]/late': 'supervise',
  '/api/attempts/[id]/marks': 'mark',
  '/api/attempts/[id]/move': 'supervise',
  '/api/attempts/[id]/release': 'supervise',
  '/api/attempts/[id]/resume': 'take',
  '/api/attempts/[id]/sealed': 'take',
  '/api/attempts/[id]/start': 'take',
  '/api/attempts/[id]/stop': 'take',
  '/api/attempts/[id]/unlock': 'supervise',
  '/api/desk/live': 'supervise',
  '/api/dictionaries/[language]': 'anyone',
  '/api/language': 'anyone',
  '/api/library/[id]/delete': 'keep-library',
  '/api/library/[id]/export/[file]': 'keep-library',
  '/api/library/uploads': 'keep-library',
  '/api/library/uploads/[id]': 'keep-library',
  '/api/library/uploads/[id]/read': 'keep-library',
  '/api/my-view': 'take',
  '/api/password': 'anyone',
  '/api/pdf-files/[kind]/[name]': 'anyone',
  '/api/practice': 'anyone',
  '/api/roster': 'keep-people',
  '/api/rooms': 'supervise',
  '/api/rooms/[id]/close': 'supervise',
  '/api/sign-in': 'anyone',
  '/api/sign-in/lift': 'supervise',
  '/api/sign-in/room': 'anyone',
  '/api/sign-out': 'anyone',
  '/api/tests/[id]/assets/[...path]': 'keep-library',
  '/api/tests/[id]/export/[file]': 'see-results',
  '/api/tests/[id]/items/[item]/try': 'keep-library',
  '/api/tests/[id]/marking-rule': 'see-results',
  '/api/tests/[id]/release': 'see-results',
  '/api/tests/[id]/rescore': 'see-results',
  '/api/tests/[id]/try': 'keep-library',
  '/api/users/[id]/end-session': 'keep-people',
  '/api/users/[id]/erase': 'keep-people',
  '/api/users/[id]/export/[file]': 'give',
  '/api/users/[id]/needs': 'give',
  '/api/users/[id]/needs/read': 'give',
  '/api/users/[id]/sign-out': 'supervise',
  '/api/users/slips': 'keep-people',
};
const ASKED_WITH_GET =
  /(assets\/\[\.\.\.path\]|standing|desk\/live|content|sealed|dictionaries\/\[language\]|pdf-files\/\[kind\]\/\[name\]|export\/\[file\])$/;

test('whoever has not the right to something is refused it, role by role and route by route', async ({
  ownApp: app,
}) => {
  const api = ROUTES.filter((one) => one.startsWith('/api/'));
  expect(api.filter((one) => !Object.hasOwn(WHO, one))).toEqual([]);
  expect(Object.keys(WHO).filter((one) => !api.includes(one))).toEqual([]);
  const { attempt } = await begin(app, 'wren');
  for (const [name, role] of [
    ['bao', 'student'],
    ['petra', 'teacher'],
    ['ulla', 'proctor'],
    ['noor', 'scorer'],
    ['edda', 'administrator'],
  ] as const) {
    const signedIn = await json(app, '/api/sign-in', { name, password: PASSWORDS[name] });
    const [set = ''] = (signedIn.headers['set-cookie'] as string[] | undefined) ?? [];
    const cookie = set.split(';')[0] ?? '';
    expect(cookie, name).not.toBe('');
    for (const [route, who] of Object.entries(WHO)) {
      if (who === 'anyone' || actsOf(role).includes(who)) continue;
      const path = route
        .replace('/attempts/[id]', `/attempts/${attempt}`)
        .replace('[id]', '1')
        .replace('[item]', 'reading-1')
        .replace('[language]', 'en')
        .replace('[file]', 'results.csv')
        .replace('[...path]', 'images/x.svg');
      const { status } = await json(app, path, {}, cookie, ASKED_WITH_GET.test(route) ? 'GET' : 'POST');
      // A student's own way to a picture is there for every student, and leads to nothing of others.
      const own =
        role === 'student' && /^\/api\/(attempts|assignments)\/.*assets\/\[\.\.\.path\]$/.test(route);
      expect(own ? [404] : [403], `${role} at ${route}`).toContain(status);
    }
  }
});

test('an address that decodes to a broken one is refused, not failed on', async ({ ownApp: app }) => {
  const me = await begin(app, 'wren');
  for (const item of ['%25ff', '%2525', '%25', '%', '%ff', '%00'])
    for (const path of [
      `/api/attempts/${me.attempt}/items/${item}/check`,
      `/api/attempts/${me.attempt}/assets/${item}`,
      `/api/attempts/${item}/events`,
      `/tests/${item}`,
      `/${item}`,
    ])
      for (const method of ['GET', 'POST']) {
        const { status } = await json(app, path, { device: me.device, by: null }, me.cookie, method);
        expect(status >= 400 && status < 500, `${method} ${path}: ${status}`).toBe(true);
      }
});

test('bodies are refused before they are read, signed in or not', async ({ ownApp: app }) => {
  const me = await begin(app, 'wren');
  for (const [path, cookie] of [
    ['/api/sign-in', ''],
    [`/api/attempts/${me.attempt}/hand-in`, me.cookie],
    [`/api/attempts/${me.attempt}/events`, ''],
  ] as const) {
    const status = await new Promise<number>((resolve, reject) => {
      // Nothing but the head is sent: who waits for the body never answers.
      const request = httpRequest(
        {
          host: '127.0.0.1',
          port: app.port,
          method: 'POST',
          path,
          headers: {
            cookie,
            origin: app.url,
            'content-type': 'application/json',
            'content-length': '300000000',
          },
          agent: false,
        },
        (response) => {
          resolve(response.statusCode ?? 0);
          request.destroy();
        },
      );
      request.on('error', reject);
      request.flushHeaders();
    });
    expect([401, 413], path).toContain(status);
  }
});
