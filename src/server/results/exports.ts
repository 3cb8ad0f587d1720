import { qtiResults } from '@/core/report/qtiResults';
import { writeTable } from '@/core/table/csv';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { anyAttempt } from '../delivery/attempts';
import { markedSitting } from '../delivery/scores';
import { figuresOf } from './itemStatistics';
import { zipStream } from '../zipStream';
import { questionRows, questionsIn, resultsOfTest, type QuestionRow } from './testResults';

const minutes = (ms: number): number => Math.round(ms / 6_000) / 10;
const rounded = (value: number | null): number | null =>
  value === null ? null : Math.round(value * 10_000) / 10_000;

/** The attempts at a test, a line each: who, when, how long, points in all and for every question (empty = not given to them). */
export function studentsTable(db: Db, by: User, testId: number): string {
  const rows = questionRows(db, by, testId);
  const questions = questionsIn(db, rows);
  const scores = new Map<string, Map<string, QuestionRow>>();
  for (const row of rows) {
    const own = scores.get(row.attemptId) ?? new Map<string, QuestionRow>();
    scores.set(row.attemptId, own.set(row.ref, row));
  }
  return writeTable(
    [
      'student',
      'sign_in_name',
      'attempt',
      'handed_in',
      'minutes',
      'score',
      'maximum',
      'still_to_mark',
      ...questions.map(({ ref }) => ref),
    ],
    resultsOfTest(db, by, testId).map((one) => [
      one.student,
      one.signInName,
      one.attemptId,
      new Date(one.handedInAt).toISOString(),
      minutes(one.usedMs),
      one.points?.score ?? null,
      one.points?.maximum ?? null,
      one.points?.later ?? null,
      ...questions.map(({ ref }) => {
        const row = scores.get(one.attemptId)?.get(ref);
        return row?.marked ? row.score : null;
      }),
    ]),
  );
}

/** The figures of the questions of a test, a line each (adults.md, "What the numbers mean"). */
export function figuresTable(db: Db, by: User, testId: number): string {
  return writeTable(
    [
      'item',
      'title',
      'counts',
      'n',
      'difficulty',
      'discrimination',
      'upper_lower',
      'omitted',
      'not_reached',
      'alpha_without',
      'median_seconds',
    ],
    figuresOf(db, by, testId).questions.map((one) => [
      one.ref,
      one.title,
      one.counts ? 'yes' : 'no',
      one.n,
      rounded(one.difficulty),
      rounded(one.discrimination),
      rounded(one.upperLower),
      one.omitted,
      one.notReached,
      rounded(one.alphaWithout),
      one.medianMs === null ? null : Math.round(one.medianMs / 100) / 10,
    ]),
  );
}

/**
 * Every attempt at a test as a QTI 3.0 Results Reporting document of its own, in one zip.
 * @param origin what this installation is called in the documents
 */
export function resultsArchive(db: Db, by: User, testId: number, origin: string): ReadableStream<Uint8Array> {
  const results = resultsOfTest(db, by, testId);
  return zipStream(
    (function* () {
      for (const { attemptId } of results)
        yield { name: `${attemptId}.xml`, text: resultsDocument(db, attemptId, origin) };
    })(),
  );
}

/** An attempt that is handed in as a QTI 3.0 Results Reporting document. */
export function resultsDocument(db: Db, attemptId: string, origin: string): string {
  const attempt = anyAttempt(db, attemptId);
  const at = attempt.handed_in_at ?? attempt.begun_at;
  const person = prepared<[number], { sign_in_name: string; sourced_id: string | null }>(
    db,
    'SELECT sign_in_name, sourced_id FROM users WHERE id = ?',
  ).get(attempt.user_id);
  return qtiResults(markedSitting(db, attempt, at), {
    candidate: person?.sourced_id ?? person?.sign_in_name ?? '',
    sessions: [{ source: origin, identifier: attemptId }],
    at: new Date(at).toISOString(),
  });
}
