import type { Slip } from '@/core/wire/people';
import { randomInt } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { passwordFault } from '@/core/password';
import type { OwnPasswordRequest, SlipsRequest } from '@/core/wire/requests';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { requireAct } from './access';
import { logSecurity } from './securityLog';
import { closeAllSessions, closeOtherSessions } from './sessions';
import { forgetTries, hashing, reserveTry } from './signIn';
import { userByPassword, type User } from './users';

/** Short words that are hard to mistake for one another, read out or written by hand. */
const WORDS = (
  'amber anchor arch barge basin beacon birch bridge brook candle canvas cedar chalk chart cliff clover comet copper coral cove ' +
  'crane creek delta drift dune ember fern ferry field finch fjord flint foam fog forest garnet glass gorse granite grove gull ' +
  'harbor hazel heath heron hill horn island ivory jetty juniper kelp kettle lagoon lamp lantern lark lichen linen lodge maple ' +
  'marble marsh meadow mill mint moor moss north oak oar ocean olive orchard otter paddle pearl pebble pier pine plum pond ' +
  'poppy quarry quartz quay rain raven reed reef ridge river robin rope rowan saddle sail sand seal shell shore silver slate ' +
  'sparrow spruce stone storm swan tern thistle tide timber tower valley violet wagon walnut wave willow wren yarrow'
).split(' ');

/** A password that can be read off a slip: three words and a digit, some 24 bits; tries at signing in are slowed down (`signIn.ts`). */
export const newPassword = (): string =>
  `${WORDS[randomInt(WORDS.length)] ?? ''}-${WORDS[randomInt(WORDS.length)] ?? ''}-${WORDS[randomInt(WORDS.length)] ?? ''}-${randomInt(2, 10)}`;

/**
 * Gives people new passwords, and ends every session they have. One's own is not changed so.
 * `change`: they choose one of their own when they sign in with it.
 * @throws Refusal `not-yours`; `not-found` where one of them has no account; `bad-input` for oneself
 */
export async function newSlips(
  db: Db,
  by: User,
  { users: userIds, change = false }: SlipsRequest,
  now: number,
): Promise<Slip[]> {
  requireAct(by, 'keep-people');
  if (userIds.includes(by.id)) throw new Refusal('bad-input', 400);
  const people = [...new Set(userIds)].map((id) => {
    const row = prepared<[number], { display_name: string; sign_in_name: string }>(
      db,
      'SELECT display_name, sign_in_name FROM users WHERE id = ? AND guest = 0 AND ended_at IS NULL',
    ).get(id);
    if (!row) throw new Refusal('not-found', 404);
    return { id, ...row };
  });
  const slips: (Slip & { readonly passwordHash: string })[] = [];
  for (const { id, display_name: displayName, sign_in_name: signInName } of people) {
    const password = newPassword();
    slips.push({ userId: id, displayName, signInName, password, passwordHash: await hash(password) });
  }
  db.transaction(() => {
    for (const { userId, passwordHash } of slips) {
      prepared(db, 'UPDATE users SET password_hash = ?, must_change = ? WHERE id = ?').run(
        passwordHash,
        Number(change),
        userId,
      );
      closeAllSessions(db, userId);
      logSecurity(db, 'password-set', now, { userId, details: { by: by.id } });
    }
  }).immediate();
  return slips.map(({ passwordHash: _kept, ...slip }) => slip);
}

/**
 * Somebody chooses a password of their own. Their sessions elsewhere end: whoever knows the old one is out.
 * @param token of the session in which it is chosen, which goes on
 * @throws Refusal `not-yours` for who has none (a guest, or who came with a room's code); `too-many-tries`, `wrong-password`;
 * `weak-password` for one they may not have (core/password.ts), and for the one they have
 */
export async function choosePassword(
  db: Db,
  user: User,
  { current, chosen }: OwnPasswordRequest,
  { token, address }: { readonly token: string; readonly address: string },
  now: number,
): Promise<void> {
  if (user.guest || user.room) throw new Refusal('not-yours', 403);
  reserveTry(db, user.signInName, address, now);
  if (!(await hashing(() => userByPassword(db, user.signInName, current))))
    throw new Refusal('wrong-password', 401);
  forgetTries(db, user.signInName, address);
  if (passwordFault(chosen, user.signInName) !== null || chosen === current)
    throw new Refusal('weak-password', 400);
  const passwordHash = await hashing(() => hash(chosen));
  db.transaction(() => {
    prepared(db, 'UPDATE users SET password_hash = ?, must_change = 0 WHERE id = ?').run(
      passwordHash,
      user.id,
    );
    closeOtherSessions(db, user.id, token);
    logSecurity(db, 'password-changed', now, { userId: user.id, address });
  }).immediate();
}
