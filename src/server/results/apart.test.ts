import type { User } from '../accounts/users';
import { ADMINISTRATOR, testSchool, type TestSchool } from '../delivery/testSchool';
import type { inChild } from '../child';
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

test('who may not see results has none worked out', async () => {
  await expect(workOutApart(school.db, school.student, 1, 'figures')).rejects.toThrow('not-yours');
});
