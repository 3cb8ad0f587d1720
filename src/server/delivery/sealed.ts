import { createCipheriv, randomBytes } from 'node:crypto';
import { deliverTest } from '@/core/deliver/deliver';
import { showingOf } from '@/core/sitting/stage';
import { Sitting } from '@/core/sitting/sitting';
import type { Started } from '@/core/wire/replies';
import { VECTOR_BYTES, type SealedBundle } from '@/core/wire/sealed';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { loadAsset } from '../library/library';
import { Refusal } from '../refusal';
import { assignedTest, newForm, optionsOf, requireWindow } from './assignments';
import { attemptOf, type AttemptRow } from './attempts';
import { beginNow, resumeAttempt } from './delivery';
import { contentOf, sessionsIn } from './sittings';

/** AES-256 in Galois/Counter Mode (NIST SP 800-38D), as browsers have it: 96 bits of a vector of its own, the tag at the end. */
const ALGORITHM = 'aes-256-gcm';

function sealedRow(db: Db, user: User, attemptId: string): { attempt: AttemptRow; key: string } {
  const attempt = attemptOf(db, user, attemptId);
  if (attempt.phase !== 'not-started')
    throw new Refusal(attempt.phase === 'handed-in' ? 'handed-in' : 'begun', 409);
  if (attempt.seal_key === null) throw new Refusal('not-found', 404);
  return { attempt, key: attempt.seal_key };
}

/**
 * Everything that may be seen when the attempt begins, pictures and sounds included, so that nobody can read it before: the key is told
 * when the clock starts.
 * @returns the vector, and what it hides
 * @throws Refusal `not-found`; `begun`, `handed-in` once its clock has started
 */
export function sealedTest(db: Db, user: User, attemptId: string): Buffer {
  const { attempt, key } = sealedRow(db, user, attemptId);
  const content = contentOf(db, attempt);
  const form = newForm(db, attempt, content.test, user.needs.timeMultiplier);
  const sitting = Sitting.begin(content, form);
  const test = deliverTest(content, form, {
    sessions: sessionsIn(sitting),
    needs: user.needs,
    showing: showingOf(sitting),
    given: optionsOf(db, attempt.assignment_id),
  });
  const bundle: SealedBundle = {
    content: { test, student: { displayName: user.displayName, needs: user.needs, tries: user.tries } },
    assets: test.assets.flatMap((path) => {
      const asset = loadAsset(db, content.packageId, path);
      return asset ? [{ path, mediaType: asset.mediaType, base64: asset.bytes.toString('base64') }] : [];
    }),
  };
  const vector = randomBytes(VECTOR_BYTES);
  const cipher = createCipheriv(ALGORITHM, Buffer.from(key, 'base64'), vector);
  const hidden = Buffer.concat([cipher.update(JSON.stringify(bundle), 'utf8'), cipher.final()]);
  return Buffer.concat([vector, hidden, cipher.getAuthTag()]);
}

/**
 * Starts the clock of an attempt whose test was fetched before: tells the key, and opens it in this page.
 * @throws Refusal `not-found`; `begun`, `handed-in` once its clock has started; `opens-later`, `window-over`
 */
export function startSealed(
  db: Db,
  user: User,
  attemptId: string,
  session: string | null,
  now: number,
): Started {
  return db
    .transaction((): Started => {
      const { attempt, key } = sealedRow(db, user, attemptId);
      requireWindow(assignedTest(db, user, attempt.assignment_id, now).window);
      prepared(db, 'UPDATE attempts SET begun_at = ? WHERE id = ?').run(now, attemptId);
      beginNow(db, user, attempt, now);
      return { key, ...resumeAttempt(db, user, attemptId, session, now) };
    })
    .immediate();
}
