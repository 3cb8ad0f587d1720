import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { openDatabase } from '@/server/db/open';
import { line, ms, percentile } from './numbers';
import { remove, school, startBareServer, startServer, type Student } from './school';

// A whole school takes a test at once: all begin within a minute, each sends a batch every five seconds, all hand in within the last
// minute. Nothing may be lost, and nobody waits.
const { values } = parseArgs({
  options: { students: { type: 'string', default: '2000' }, minutes: { type: 'string', default: '5' } },
});
const STUDENTS = Number(values.students);
const MINUTES = Number(values.minutes);
if (!Number.isInteger(STUDENTS) || STUDENTS < 1 || !(MINUTES >= 1)) {
  process.stderr.write('load: --students takes a whole number from 1, --minutes a number from 1\n');
  process.exit(2);
}
const BATCH_EVERY_MS = 5_000;
/** All begin, and all hand in, within this. */
const RUSH_MS = Math.min(60_000, (MINUTES * 60_000) / 4);
const PORT = 3979;

const agent = new Agent({ keepAlive: true, maxSockets: Infinity });
const times = {
  starting: [] as number[],
  saving: [] as number[],
  handingIn: [] as number[],
  bare: [] as number[],
};
const refused: string[] = [];
let again = 0;
const wait = (milliseconds: number) =>
  new Promise((resolve) => setTimeout(resolve, Math.max(0, milliseconds)));

/** One request; its answer, or null where it was not answered with 200. */
function send(
  port: number,
  method: 'GET' | 'POST',
  path: string,
  cookie: string,
  data: unknown,
): Promise<Record<string, unknown> | null> {
  const body = method === 'POST' ? JSON.stringify(data) : '';
  return new Promise((resolve) => {
    const asked = request(
      {
        agent,
        port,
        method,
        path,
        headers: { cookie, 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) },
      },
      (response) => {
        let text = '';
        response.on('data', (piece: Buffer) => (text += piece.toString('utf8')));
        response.on('end', () => {
          if (response.statusCode !== 200) refused.push(`${response.statusCode ?? 0} ${path}`);
          resolve(response.statusCode === 200 ? (JSON.parse(text) as Record<string, unknown>) : null);
        });
      },
    );
    asked.on('error', (error) => {
      refused.push(`${error.message} ${path}`);
      resolve(null);
    });
    asked.end(body);
  });
}
async function timed<T>(into: number[], work: () => Promise<T>): Promise<T> {
  const start = performance.now();
  const done = await work();
  into.push(performance.now() - start);
  return done;
}

/** What a student did, as the database must have it afterwards. */
interface Done {
  readonly attemptId: string;
  readonly events: number;
  readonly answer: string;
}

const CHOICES = ['A', 'B', 'C', 'D'];

/** One student's whole test: begins somewhere in the first rush, answers, hands in somewhere in the last. */
async function takeTest({ assignmentId, cookie }: Student, over: number): Promise<Done | null> {
  await wait(Math.random() * RUSH_MS);
  const opened = await timed(times.starting, async () => {
    const attempt = await send(PORT, 'POST', `/api/assignments/${assignmentId}/begin`, cookie, {});
    if (!attempt) return null;
    const id = String(attempt.attemptId);
    const resumed = await send(PORT, 'POST', `/api/attempts/${id}/resume`, cookie, {});
    const content = await send(PORT, 'GET', `/api/attempts/${id}/content`, cookie, null);
    return resumed && content ? { id, device: String(resumed.device) } : null;
  });
  if (!opened) return null;
  const { id, device } = opened;
  const handsInAt = over - Math.random() * RUSH_MS;
  let seq = 0;
  let answer = '';
  let next = Date.now() + Math.random() * BATCH_EVERY_MS;
  while (next < handsInAt) {
    await wait(next - Date.now());
    next += BATCH_EVERY_MS;
    const events = Array.from({ length: 1 + Math.floor(Math.random() * 3) }, () => {
      seq += 1;
      answer = CHOICES[Math.floor(Math.random() * CHOICES.length)] ?? 'A';
      const given = { type: 'answered', item: 'reading-1', responses: { RESPONSE: answer }, how: 'edit' };
      return { ...given, device, seq, at: Date.now() };
    });
    const data = { device, events, cursor: Number.MAX_SAFE_INTEGER };
    // As a page does: what was not acknowledged is sent again.
    const save = () => send(PORT, 'POST', `/api/attempts/${id}/events`, cookie, data);
    while (!(await timed(times.saving, save)) && Date.now() < over + 60_000) {
      again += 1;
      await wait(2_000);
    }
  }
  await wait(handsInAt - Date.now());
  await timed(times.handingIn, () =>
    send(PORT, 'POST', `/api/attempts/${id}/hand-in`, cookie, { device, reason: 'asked' }),
  );
  return { attemptId: id, events: seq, answer };
}

const memoryOf = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

process.stdout.write(`${STUDENTS} students, ${MINUTES} minutes\n`);
const { folder, db, all } = await school(STUDENTS);
db.close();
const app = await startServer(folder, PORT);
let memory = 0;
const looking = setInterval(() => {
  memory = Math.max(memory, memoryOf(app.pid ?? 0));
}, 500);
const begun = Date.now();
const done = await Promise.all(all.map((one) => takeTest(one, begun + MINUTES * 60_000)));
clearInterval(looking);
app.kill('SIGKILL');

// What the database holds after the server was killed, against what was done.
const after = openDatabase(join(folder, 'able-compass.sqlite'));
const kept = after.prepare<[string], { phase: string; events: number; answer: string | null }>(
  `SELECT p.phase, (SELECT count(*) FROM events e WHERE e.attempt_id = p.id AND e.device <> 'server' AND e.standing = 'counts') AS events,
     (SELECT json_extract(r.value, '$') FROM responses r WHERE r.attempt_id = p.id AND r.item = 'reading-1') AS answer
   FROM attempts p WHERE p.id = ?`,
);
let lost = 0;
for (const one of done) {
  const found = one && kept.get(one.attemptId);
  if (!one || found?.phase !== 'handed-in' || found.events !== one.events || found.answer !== one.answer)
    lost += 1;
}
after.close();

// The same batches at the same pace to a bare server, for half a minute.
const stopBare = await startBareServer(folder, PORT + 1);
const bareUntil = Date.now() + 30_000;
await Promise.all(
  all.map(async (_, i) => {
    let next = Date.now() + Math.random() * BATCH_EVERY_MS;
    for (let seq = 1; next < bareUntil; seq += 1, next += BATCH_EVERY_MS) {
      await wait(next - Date.now());
      const given = { type: 'answered', item: 'reading-1', responses: { RESPONSE: 'B' }, how: 'edit' };
      const data = { device: `d${i}`, events: [{ ...given, seq, at: Date.now() }] };
      await timed(times.bare, () => send(PORT + 1, 'POST', '/', '', data));
    }
  }),
);
stopBare();
agent.destroy();
remove(folder);

const p99 = (sample: readonly number[]) => percentile(sample, 0.99);
line('lost (wanted: 0)', String(lost));
line('answers other than 200, and batches sent again', `${refused.length} / ${again}`);
line(
  'starting, median / 99th percentile (wanted: under 2 s)',
  `${ms(percentile(times.starting, 0.5))} / ${ms(p99(times.starting))}`,
);
line(
  'saving, median / 99th percentile (wanted: under 200 ms)',
  `${ms(percentile(times.saving, 0.5))} / ${ms(p99(times.saving))}`,
);
line(
  'handing in, median / 99th percentile',
  `${ms(percentile(times.handingIn, 0.5))} / ${ms(p99(times.handingIn))}`,
);
line(
  'bare server, saving at the same pace, median / 99th percentile',
  `${ms(percentile(times.bare, 0.5))} / ${ms(p99(times.bare))}`,
);
line(
  'ratio of the medians of saving',
  (percentile(times.saving, 0.5) / percentile(times.bare, 0.5)).toFixed(2),
);
line('batches saved', String(times.saving.length));
line('memory of the server, at most', `${Math.round(memory)} MB`);
for (const one of [...new Set(refused)].slice(0, 10)) process.stdout.write(`  ${one}\n`);
process.exit(lost === 0 ? 0 : 1);
