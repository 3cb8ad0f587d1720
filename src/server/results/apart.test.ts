import type { User } from '../accounts/users';
import { ADMINISTRATOR, testSchool, type TestSchool } from '../delivery/testSchool';
import type { inChild } from '../child';
import { anyAttempt } from '../delivery/attempts';
import { keepScores } from '../delivery/scores';
import { workOut, workOutApart, WORKED_OUT } from './apart';

const administrator = ADMINISTRATOR as unknown as User;
let school: TestSchool;
beforeAll(async () => {
  school = await testSchool('content/skerry-sound-grade-6');
});
afterAll(() => school.close());

/** Gives the attempt so many results. */
function results(count: number): number {
  const { db, attemptId } = school;
  db.prepare("UPDATE attempts SET phase = 'handed-in', handed_in_at = 1 WHERE id = ?").run(attemptId);
  db.prepare('DELETE FROM item_results').run();
  const add = db.prepare(
    `INSERT INTO item_results (attempt_id, item, outcomes, progress, scored_by, marked) VALUES (?, ?, '{"SCORE":1}', 'complete', 'machine', 0)`,
  );
  db.transaction(() => {
    for (let i = 0; i < count; i += 1) add.run(attemptId, i === 0 ? 'reading-1' : `other-${i}`);
  })();
  return db.prepare<[], { id: number }>('SELECT id FROM tests').get()?.id ?? 0;
}

test.each(WORKED_OUT)('%s: little is worked out here, much by a process of its own', async (what) => {
  const asked: (readonly string[])[] = [];
  const run: typeof inChild = (_program, args) => {
    asked.push(args);
    return Promise.resolve('from elsewhere');
  };
  const few = results(1);
  expect(await workOutApart(school.db, administrator, few, what, run)).toBe(
    workOut(school.db, administrator, few, what),
  );
  expect(asked).toEqual([]);
  const many = results(6_001);
  expect(await workOutApart(school.db, administrator, many, what, run)).toBe('from elsewhere');
  expect(asked).toEqual([['--test', String(many), '--by', '0', '--what', what]]);
});

test('figures are worked out once for as long as no result is written: whoever asks meanwhile waits for the same', async () => {
  const { db, attemptId } = school;
  const many = results(6_001);
  let times = 0;
  let fails = false;
  const run: typeof inChild = () => {
    times += 1;
    return fails ? Promise.reject(new Error('gone')) : Promise.resolve(`the ${times}. time`);
  };
  const ask = (what: 'figures' | 'students' = 'figures') => workOutApart(db, administrator, many, what, run);
  keepScores(db, anyAttempt(db, attemptId), 2);
  expect(await Promise.all([ask(), ask()])).toEqual(['the 1. time', 'the 1. time']);
  expect(await ask()).toBe('the 1. time');
  // The table has names in it, which no result tells of.
  expect([await ask('students'), await ask('students')]).toEqual(['the 2. time', 'the 3. time']);
  // The same scores, written again: somebody may have marked.
  keepScores(db, anyAttempt(db, attemptId), 2);
  expect([await ask(), await ask()]).toEqual(['the 4. time', 'the 4. time']);
  // What did not succeed is not kept.
  keepScores(db, anyAttempt(db, attemptId), 2);
  fails = true;
  await expect(ask()).rejects.toThrow('gone');
  fails = false;
  expect(await ask()).toBe('the 6. time');
  // Somebody is gone from whom it was made.
  db.prepare("UPDATE attempts SET phase = 'stopped' WHERE id = ?").run(attemptId);
  expect(await ask()).not.toBe('the 6. time');
});

test('who may not see results has none worked out', async () => {
  await expect(workOutApart(school.db, school.student, 1, 'figures')).rejects.toThrow('not-yours');
});
