import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserAction, BrowserEvent } from '@/core/attempt/events';
import type { RawResponse } from '@/core/content/response';
import type { AccessNeeds } from '@/core/needs';
import { putUser, userById, type User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { filesAt } from '../library/files';
import { importPackage } from '../library/library';
import { assign, assignedTests } from './assignments';
import { beginAttempt, handIn, resumeAttempt, saveBatch } from './delivery';

/** A school with one student who is taking one test, for unit tests: a database of its own, and time as the test says. */
export interface TestSchool {
  readonly db: Db;
  readonly student: User;
  readonly attemptId: string;
  /** The page the attempt is open in. */
  readonly device: string;
  /** Sends what a page did, dated and received then. */
  readonly say: (action: BrowserAction, at: number, received?: number) => ReturnType<typeof saveBatch>;
  readonly close: () => void;
}

interface Setting {
  /** SQL that changes what was imported. */
  readonly change?: string;
  readonly needs?: Partial<AccessNeeds>;
  /** When the test is begun. */
  readonly now?: number;
}

/** Imports, assigns and begins. */
export async function testSchool(
  packageFolder: string,
  { change, needs = {}, now = 1000 }: Setting = {},
): Promise<TestSchool> {
  const folder = mkdtempSync(join(tmpdir(), 'able-server-'));
  const db = openDatabase(join(folder, 'test.sqlite'));
  const { testIds } = importPackage(db, filesAt(packageFolder));
  if (change !== undefined) db.prepare(change).run();
  const id = await putUser(db, {
    signInName: 'wren',
    displayName: 'Wren',
    role: 'student',
    password: 'wren-pass',
  });
  db.prepare('UPDATE users SET needs = ? WHERE id = ?').run(JSON.stringify(needs), id);
  for (const testId of testIds) assign(db, testId, id);
  const student = userById(db, id);
  const assignment = assignedTests(db, id)[0];
  if (!student || !assignment) throw new Error('nothing is assigned');
  const { attemptId } = beginAttempt(db, student, assignment.assignmentId, now);
  const { device } = resumeAttempt(db, student, attemptId, null, now);
  let seq = 0;
  return {
    db,
    student,
    attemptId,
    device,
    say: (action, at, received = at) => {
      seq += 1;
      const event: BrowserEvent = { ...action, device, seq, at };
      return saveBatch(db, student, attemptId, { device, events: [event], cursor: 0 }, received);
    },
    close: () => {
      db.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/**
 * A student answers questions of an attempt, one response each, and hands it in.
 * @param page which has the attempt
 */
export async function finishTest(
  db: Db,
  student: User,
  { attemptId, device }: { readonly attemptId: string; readonly device: string },
  answers: Readonly<Record<string, RawResponse>>,
): Promise<void> {
  const events = Object.entries(answers).map(([item, value], i): BrowserEvent => ({
    type: 'answered',
    device,
    seq: i + 1,
    at: 100 + i,
    item,
    responses: { RESPONSE: value },
    how: 'edit',
  }));
  await saveBatch(db, student, attemptId, { device, events, cursor: 0 }, 1000);
  handIn(db, student, attemptId, device, 'asked', 2000);
}

/** Somebody who reaches everybody. */
export const ADMINISTRATOR = { id: 0, role: 'administrator' } as const;

/** Puts everybody who is there now into one class. */
export function oneClass(db: Db): void {
  const { lastInsertRowid } = db.prepare("INSERT INTO classes (title) VALUES ('Harbor 6')").run();
  db.prepare('INSERT INTO class_members (class_id, user_id) SELECT ?, id FROM users WHERE guest = 0').run(
    lastInsertRowid,
  );
}

/** Petra, who teaches or supervises there; as a teacher, everybody who is there already. */
export async function addPetra(db: Db, role: 'teacher' | 'proctor' = 'teacher'): Promise<User> {
  const id = await putUser(db, {
    signInName: 'petra',
    displayName: 'Petra Vance',
    role,
    password: 'petra-pass',
  });
  if (role === 'teacher') oneClass(db);
  const user = userById(db, id);
  if (!user) throw new Error('nobody was added');
  return user;
}
