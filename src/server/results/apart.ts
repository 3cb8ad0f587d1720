import type { TestFigures } from '@/core/wire/results';
import { reachFor } from '../accounts/access';
import type { User } from '../accounts/users';
import { inChild } from '../child';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { figuresTable, studentsTable } from './exports';
import { figuresOf } from './itemStatistics';
import { resultsBehind } from './testResults';

/** So many results of questions are worked out at once in a tenth of a second or two; more of them by a process of its own. */
const AT_ONCE = 6_000;

/** What is worked out of everybody's answers to a test. */
export const WORKED_OUT = ['figures', 'students', 'questions'] as const;
export type WorkedOut = (typeof WORKED_OUT)[number];

/** The figures as JSON, or a table as CSV. @throws Refusal `not-yours` */
export function workOut(db: Db, by: User, testId: number, what: WorkedOut): string {
  switch (what) {
    case 'figures':
      return JSON.stringify(figuresOf(db, by, testId));
    case 'students':
      return studentsTable(db, by, testId);
    default:
      return figuresTable(db, by, testId);
  }
}

/**
 * The same, beside everything else where it is much: while it is worked out answers are kept as quickly as ever.
 * @throws Refusal `not-yours`; `busy` while very many others wait, `cannot-be-read` where it takes longer than two minutes
 */
export async function workOutApart(
  db: Db,
  by: User,
  testId: number,
  what: WorkedOut,
  run: typeof inChild = inChild,
): Promise<string> {
  reachFor(by, 'see-results');
  const row = prepared<[number, number], { more: number }>(
    db,
    `SELECT count(*) AS more FROM (SELECT 1 FROM attempts p JOIN item_results r ON r.attempt_id = p.id WHERE p.test_id = ? LIMIT ?)`,
  ).get(testId, AT_ONCE + 1);
  if ((row?.more ?? 0) <= AT_ONCE) return workOut(db, by, testId, what);
  const anew = () => run('results', ['--test', String(testId), '--by', String(by.id), '--what', what]);
  // The table of students has their names in it, which may change by themselves.
  return what === 'students' ? anew() : stillTrue(db, by, testId, what, anew);
}

/** What was worked out last, by what and for whom; `of` is what it was worked out of. */
const workedOut = new Map<string, { readonly of: string; readonly text: Promise<string> }>();
/** So much of it is kept, the one used last the longest. */
const MOST_KEPT = 24;

/** What was worked out before, as long as nothing behind it has changed; who asks while it is being worked out waits for the same. */
function stillTrue(
  db: Db,
  by: User,
  testId: number,
  what: WorkedOut,
  anew: () => Promise<string>,
): Promise<string> {
  const name = [...reachFor(by, 'see-results'), testId, what].join(' ');
  const of = resultsBehind(db, by, testId);
  const before = workedOut.get(name);
  const text = before?.of === of ? before.text : anew();
  workedOut.delete(name);
  workedOut.set(name, { of, text });
  for (const [oldest] of workedOut) {
    if (workedOut.size <= MOST_KEPT) break;
    workedOut.delete(oldest);
  }
  // What did not succeed is tried again by whoever asks next.
  text.catch(() => {
    if (workedOut.get(name)?.text === text) workedOut.delete(name);
  });
  return text;
}

export const figuresApart = async (db: Db, by: User, testId: number): Promise<TestFigures> =>
  JSON.parse(await workOutApart(db, by, testId, 'figures')) as TestFigures;
