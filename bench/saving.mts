import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import autocannon from 'autocannon';
import Database from 'better-sqlite3';
import { openSession } from '@/server/accounts/sessions';
import { putUser, userById } from '@/server/accounts/users';
import { openDatabase } from '@/server/db/open';
import { assign, assignedTests } from '@/server/delivery/assignments';
import { beginAttempt, resumeAttempt } from '@/server/delivery/delivery';
import { filesAt } from '@/server/library/files';
import { importPackage } from '@/server/library/library';
import { line, ms } from './numbers';

const SECONDS = 8;
const STUDENTS = 200;

/** One request after another per connection, each with a new event, as fast as they are answered. */
async function load(
  url: string,
  requestFor: (connection: number) => { path: string; headers: Record<string, string>; body: string },
) {
  let turn = 0;
  return autocannon({
    url,
    connections: 40,
    duration: SECONDS,
    requests: [
      {
        method: 'POST',
        setupRequest: (request) => {
          turn = (turn + 1) % STUDENTS;
          return { ...request, ...requestFor(turn) };
        },
      },
    ],
  });
}

const folder = mkdtempSync(join(tmpdir(), 'able-bench-'));
const db = openDatabase(join(folder, 'able-compass.sqlite'));
const { testIds } = importPackage(db, filesAt('content/skerry-sound-grade-6'));
const students: { cookie: string; attempt: string; seq: number }[] = [];
const firstId = await putUser(db, { signInName: 's0', displayName: 's0', role: 'student', password: 'x' });
const [{ password_hash: hash } = { password_hash: '' }] = db
  .prepare<[number], { password_hash: string }>('SELECT password_hash FROM users WHERE id = ?')
  .all(firstId);
for (let i = 0; i < STUDENTS; i += 1) {
  const id =
    i === 0
      ? firstId
      : Number(
          db
            .prepare(
              "INSERT INTO users (sign_in_name, display_name, role, password_hash, created_at) VALUES (?, ?, 'student', ?, 0)",
            )
            .run(`s${i}`, `s${i}`, hash).lastInsertRowid,
        );
  const user = userById(db, id);
  if (!user) throw new Error('no user');
  assign(db, testIds[0] ?? 0, id);
  const { attemptId } = beginAttempt(db, user, assignedTests(db, id)[0]?.assignmentId ?? 0, Date.now());
  resumeAttempt(db, user, attemptId, 'bench', Date.now());
  students.push({
    cookie: `able_session=${openSession(db, id, Date.now()).token}`,
    attempt: attemptId,
    seq: 0,
  });
}
db.close();

const event = (seq: number) => ({
  type: 'answered',
  device: 'bench',
  seq,
  at: Date.now(),
  item: 'reading-1',
  responses: { RESPONSE: 'B' },
  how: 'edit',
});

const port = 3977;
const app = spawn(process.execPath, ['--import', 'tsx', 'src/app/server.ts', '--port', String(port)], {
  env: { ...process.env, ABLE_DATA_DIR: folder, NODE_ENV: 'production' },
  stdio: 'ignore',
});
for (let i = 0; i < 100; i += 1) {
  if (
    await fetch(`http://localhost:${port}/sign-in`).then(
      (r) => r.ok,
      () => false,
    )
  )
    break;
  await new Promise((resolve) => setTimeout(resolve, 100));
}
const ours = await load(`http://localhost:${port}`, (own) => {
  const student = students[own] ?? { cookie: '', attempt: '', seq: 0 };
  student.seq += 1;
  return {
    path: `/api/attempts/${student.attempt}/events`,
    headers: { 'content-type': 'application/json', cookie: student.cookie },
    body: JSON.stringify({ device: 'bench', events: [event(student.seq)], cursor: 1e9 }),
  };
});
app.kill('SIGKILL');

/** The baseline: node:http and better-sqlite3, the same pragmas, one insert per request. */
const bareDb = new Database(join(folder, 'bare.sqlite'));
bareDb.pragma('journal_mode = WAL');
bareDb.pragma('synchronous = FULL');
bareDb.exec(
  'CREATE TABLE events (id INTEGER PRIMARY KEY, attempt_id TEXT, device TEXT, seq INTEGER, at INTEGER, received_at INTEGER, body TEXT) STRICT',
);
const insert = bareDb.prepare(
  'INSERT INTO events (attempt_id, device, seq, at, received_at, body) VALUES (?, ?, ?, ?, ?, ?)',
);
const bare = createServer((request, response) => {
  let text = '';
  request.on('data', (chunk: Buffer) => (text += chunk.toString()));
  request.on('end', () => {
    if (!text.endsWith('}')) return void response.end();
    const { events } = JSON.parse(text) as { events: { seq: number; at: number }[] };
    for (const one of events) insert.run('a', 'bench', one.seq, one.at, Date.now(), JSON.stringify(one));
    response.setHeader('content-type', 'application/json');
    response.end('{"acknowledged":1}');
  });
});
await new Promise<void>((resolve) => bare.listen(port + 1, resolve));
let seq = 0;
const baseline = await load(`http://localhost:${port + 1}`, () => {
  seq += 1;
  return {
    path: '/',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ device: 'bench', events: [event(seq)], cursor: 0 }),
  };
});
bare.close();
bareDb.close();
rmSync(folder, { recursive: true, force: true });

line(
  'our endpoint, saves per second / 99th percentile',
  `${Math.round(ours.requests.average)} / ${ms(ours.latency.p99)}`,
);
line(
  'bare server, saves per second / 99th percentile',
  `${Math.round(baseline.requests.average)} / ${ms(baseline.latency.p99)}`,
);
line('ratio (wanted: 0.5 or more)', (ours.requests.average / baseline.requests.average).toFixed(2));
line('answers other than 2xx', String(ours.non2xx + ours.errors));
process.exit(0);
