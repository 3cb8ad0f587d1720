import { addGuest } from '../accounts/guests';
import { endOldSessions, openSession } from '../accounts/sessions';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { assign, describeTest, type TestFacts } from './assignments';

/** A test anyone may practice on, under a grade and a subject. */
export interface PracticeTest extends TestFacts {
  readonly testId: number;
  readonly grade: string;
  readonly subject: string;
}

/** Offers a test for practice. Again is harmless. */
export function offerForPractice(
  db: Db,
  testId: number,
  { grade, subject }: Pick<PracticeTest, 'grade' | 'subject'>,
): void {
  prepared(db, 'INSERT INTO practice (test_id, grade, subject) VALUES (?, ?, ?) ON CONFLICT DO NOTHING').run(
    testId,
    grade,
    subject,
  );
}

/** What is offered for practice, by grade, subject and title. */
export const practiceTests = (db: Db): PracticeTest[] =>
  prepared<[], { test_id: number; grade: string; subject: string }>(
    db,
    'SELECT p.test_id, p.grade, p.subject FROM practice p JOIN tests t ON t.id = p.test_id ORDER BY p.grade, p.subject, t.title',
  )
    .all()
    .map(({ test_id: testId, grade, subject }) => ({ testId, grade, subject, ...describeTest(db, testId) }));

/**
 * Opens a test for practice to somebody without an account: a guest, with a session, who has just this test.
 * @throws Refusal `not-found` for a test that is not offered, `busy` while too many practice
 */
export function beginPractice(
  db: Db,
  testId: number,
  now: number,
): { readonly assignmentId: number; readonly token: string; readonly maxAgeSeconds: number } {
  return db
    .transaction(() => {
      endOldSessions(db, now);
      const offered = prepared<[number], { one: number }>(
        db,
        'SELECT 1 AS one FROM practice WHERE test_id = ? LIMIT 1',
      ).get(testId);
      if (!offered) throw new Refusal('not-found', 404);
      const guest = addGuest(db, now);
      assign(db, testId, guest, { practice: true });
      const row = prepared<[number], { id: number }>(db, 'SELECT id FROM assignments WHERE user_id = ?').get(
        guest,
      );
      if (!row) throw new Error('the practice was not assigned');
      return { assignmentId: row.id, ...openSession(db, guest, now) };
    })
    .immediate();
}
