import autocannon from 'autocannon';
import { beginAttempt, resumeAttempt } from '@/server/delivery/delivery';
import { line, ms } from './numbers';
import { remove, school, startBareServer, startServer } from './school';

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

const { folder, db, all } = await school(STUDENTS);
const students = all.map(({ user, assignmentId, cookie }) => {
  const { attemptId } = beginAttempt(db, user, assignmentId, Date.now());
  const { device } = resumeAttempt(db, user, attemptId, null, Date.now());
  return { cookie, attempt: attemptId, device, seq: 0 };
});
db.close();

const event = (device: string, seq: number) => ({
  type: 'answered',
  device,
  seq,
  at: Date.now(),
  item: 'reading-1',
  responses: { RESPONSE: 'B' },
  how: 'edit',
});

const port = 3977;
const app = await startServer(folder, port);
const ours = await load(`http://localhost:${port}`, (own) => {
  const student = students[own] ?? { cookie: '', attempt: '', device: '', seq: 0 };
  student.seq += 1;
  return {
    path: `/api/attempts/${student.attempt}/events`,
    headers: { 'content-type': 'application/json', cookie: student.cookie },
    body: JSON.stringify({
      device: student.device,
      events: [event(student.device, student.seq)],
      cursor: 1e9,
    }),
  };
});
app.kill('SIGKILL');

const stopBare = await startBareServer(folder, port + 1);
let seq = 0;
const baseline = await load(`http://localhost:${port + 1}`, () => {
  seq += 1;
  return {
    path: '/',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ device: 'bench', events: [event('bench', seq)], cursor: 0 }),
  };
});
stopBare();
remove(folder);

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
