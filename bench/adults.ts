import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@/core/content/random';
import { statisticsOf } from '@/core/statistics/items';
import { openDatabase } from '@/server/db/open';
import { filesAt } from '@/server/library/files';
import { importPackage, loadTest } from '@/server/library/library';
import type { User } from '@/server/accounts/users';
import { studentsTable } from '@/server/results/exports';
import { figuresOf } from '@/server/results/itemStatistics';
import { Told } from '@/server/results/live';
import { classOverview } from '@/server/results/overview';
import { questionRows, resultsBehind, resultsOfTest } from '@/server/results/testResults';
import { line, ms, percentile } from './numbers';

/** What the adults' pages read, for a whole district: each beside the bare queries over the same rows, in the same run. */
const ATTEMPTS = 10_000;
const ROOM = 200;
const folder = mkdtempSync(join(tmpdir(), 'able-bench-'));
const db = openDatabase(join(folder, 'bench.sqlite'));
const { testIds } = importPackage(db, filesAt('content/skerry-sound-grade-7'));
const testId = testIds[0] ?? 0;
const refs = [...(loadTest(db, testId)?.items.keys() ?? [])];
const random = seededRandom('district');

db.transaction(() => {
  const user = db.prepare(
    "INSERT INTO users (sign_in_name, display_name, role, created_at) VALUES (?, ?, 'student', 0)",
  );
  const assignment = db.prepare(
    'INSERT INTO assignments (test_id, user_id, created_at, options) VALUES (?, ?, 0, ?)',
  );
  const attempt = db.prepare(
    `INSERT INTO attempts (id, assignment_id, test_id, user_id, seed, phase, limit_ms, used_ms, running_since, last_alive_at, begun_at, handed_in_at)
     VALUES (?, ?, ?, ?, 'seed', ?, 5400000, ?, ?, ?, 0, ?)`,
  );
  const item = db.prepare(
    "INSERT INTO item_results (attempt_id, item, outcomes, progress, scored_by, marked, used_ms) VALUES (?, ?, ?, ?, 'machine', 0, ?)",
  );
  const whole = db.prepare('INSERT INTO test_results (attempt_id, outcomes, points) VALUES (?, ?, ?)');
  const response = db.prepare(
    "INSERT INTO responses (attempt_id, item, response, value, answered_at) VALUES (?, ?, 'RESPONSE', ?, 0)",
  );
  for (let i = 0; i < ATTEMPTS + ROOM; i += 1) {
    const running = i >= ATTEMPTS;
    const userId = user.run(`student ${i}`, `Student ${i}`).lastInsertRowid;
    const assignmentId = assignment.run(testId, userId, '{}').lastInsertRowid;
    const id = `attempt-${i}`;
    const now = Date.now();
    attempt.run(
      id,
      assignmentId,
      testId,
      userId,
      running ? 'running' : 'handed-in',
      600_000,
      running ? now : null,
      now,
      running ? null : now,
    );
    let score = 0;
    for (const ref of refs) {
      const right = random() < 0.6;
      score += Number(right);
      response.run(id, ref, JSON.stringify('ABCD'[Math.floor(random() * 4)]));
      if (!running)
        item.run(
          id,
          ref,
          `{"SCORE":${Number(right)},"MAXSCORE":1}`,
          'complete',
          Math.round(random() * 90_000),
        );
    }
    if (!running)
      whole.run(id, '{}', JSON.stringify({ score, maximum: refs.length, later: 0, ownRule: false }));
  }
})();
const by = { id: 0, role: 'administrator' } as unknown as User;

/** Median of a few times, in milliseconds. */
function time(work: () => unknown, times = 5): number {
  const taken = Array.from({ length: times }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return percentile(taken, 0.5);
}
const beside = (name: string, own: number, bare: number) =>
  line(name, `${ms(own)}; bare ${ms(bare)}; ratio ${(own / bare).toFixed(2)}`);

const bareResults = db.prepare(
  `SELECT p.id, u.display_name, u.sign_in_name, p.handed_in_at, p.used_ms, r.points FROM attempts p JOIN users u ON u.id = p.user_id
   JOIN assignments a ON a.id = p.assignment_id JOIN test_results r ON r.attempt_id = p.id
   WHERE p.test_id = ? AND p.phase = 'handed-in' ORDER BY u.display_name, p.begun_at`,
);
beside(
  `results of ${ATTEMPTS} attempts, listed`,
  time(() => resultsOfTest(db, by, testId)),
  time(() => bareResults.all(testId).map((row) => JSON.parse((row as { points: string }).points) as unknown)),
);
const bareQuestions = db.prepare(
  `SELECT r.attempt_id, r.item, json_extract(r.outcomes, '$.SCORE') AS score, json_extract(r.outcomes, '$.MAXSCORE') AS maximum, r.progress, r.used_ms
   FROM item_results r JOIN attempts p ON p.id = r.attempt_id WHERE p.test_id = ? AND p.phase = 'handed-in'`,
);
const bareChosen = db.prepare(
  "SELECT s.attempt_id, s.item, s.value FROM responses s JOIN attempts p ON p.id = s.attempt_id WHERE p.test_id = ? AND p.phase = 'handed-in'",
);
line('whether figures worked out before still hold', ms(time(() => resultsBehind(db, by, testId))));
beside(
  `questions of ${ATTEMPTS} attempts × ${refs.length}, read`,
  time(() => questionRows(db, by, testId), 3),
  time(() => bareQuestions.all(testId), 3),
);
beside(
  `figures of ${ATTEMPTS} × ${refs.length}, from the database on`,
  time(() => figuresOf(db, by, testId), 3),
  time(() => [bareQuestions.all(testId), bareChosen.all(testId)], 3),
);
const table = Array.from({ length: 60 }, (_, i) => {
  const cells = Array.from({ length: 5_000 }, () => 'ABCD'[Math.floor(random() * 4)] ?? 'A');
  return {
    item: `i${i}`,
    counts: true,
    cells,
    scores: cells.map((cell) => Number(cell === 'A')),
    maximum: 1,
    key: 'A',
  };
});
line('statistics of 5000 × 60', ms(time(() => statisticsOf(table, 5_000), 3)));
beside(
  `the table of ${ATTEMPTS} students as CSV`,
  time(() => studentsTable(db, by, testId), 3),
  time(() => [bareResults.all(testId), bareQuestions.all(testId)], 3),
);

// A room of 200: the others are not of this proctor's school.
db.prepare(
  "UPDATE users SET ended_at = 1 WHERE id IN (SELECT user_id FROM attempts WHERE phase = 'handed-in')",
).run();
const bareRoom = db.prepare(
  `SELECT a.id, u.display_name, t.title, p.*, (SELECT count(DISTINCT item) FROM responses r WHERE r.attempt_id = p.id AND r.value <> 'null') AS answered
   FROM assignments a JOIN users u ON u.id = a.user_id JOIN attempts p ON p.assignment_id = a.id JOIN tests t ON t.id = p.test_id
   WHERE u.ended_at IS NULL ORDER BY u.display_name`,
);
beside(
  `a room of ${ROOM}, looked at`,
  time(() => classOverview(db, by), 9),
  time(() => bareRoom.all(), 9),
);
const told = new Told();
told.news(db, by, classOverview(db, by), Date.now());
line(
  `a room of ${ROOM}, what is new of it, each second`,
  ms(time(() => told.news(db, by, classOverview(db, by), Date.now()), 9)),
);
db.close();
rmSync(folder, { recursive: true, force: true });
