import { hash, verify } from '@node-rs/argon2';
import { readNeeds, type AccessNeeds } from '@/core/needs';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';

export type Role = 'student' | 'teacher' | 'proctor';
export interface User {
  readonly id: number;
  readonly signInName: string;
  readonly displayName: string;
  readonly role: Role;
  readonly needs: AccessNeeds;
}
interface UserRow {
  id: number;
  sign_in_name: string;
  display_name: string;
  role: Role;
  password_hash: string;
  needs: string;
}

const toUser = (row: UserRow): User => ({
  id: row.id,
  signInName: row.sign_in_name,
  displayName: row.display_name,
  role: row.role,
  needs: readNeeds(JSON.parse(row.needs)),
});

/** What is set for a person; the defaults where nobody is found. */
export const needsOf = (db: Db, userId: number): AccessNeeds => {
  const row = prepared<[number], Pick<UserRow, 'needs'>>(db, 'SELECT needs FROM users WHERE id = ?').get(
    userId,
  );
  return readNeeds(row ? JSON.parse(row.needs) : {});
};

/** Adds a person, or gives an existing sign-in name new data. The password is kept as an argon2id hash only. */
export async function putUser(
  db: Db,
  user: {
    signInName: string;
    displayName: string;
    role: Role;
    password: string;
    needs?: Partial<AccessNeeds>;
  },
): Promise<number> {
  const passwordHash = await hash(user.password);
  const row = prepared<[string, string, string, string, string, number], { id: number }>(
    db,
    `INSERT INTO users (sign_in_name, display_name, role, password_hash, needs, created_at) VALUES (?, ?, ?, ?, ?, ?)
     ON CONFLICT (sign_in_name) DO UPDATE SET display_name = excluded.display_name, role = excluded.role,
       password_hash = excluded.password_hash, needs = excluded.needs
     RETURNING id`,
  ).get(
    user.signInName,
    user.displayName,
    user.role,
    passwordHash,
    JSON.stringify(user.needs ?? {}),
    Date.now(),
  );
  if (!row) throw new Error('the database returned no id for a user');
  return row.id;
}

export function userById(db: Db, id: number): User | null {
  const row = prepared<[number], UserRow>(db, 'SELECT * FROM users WHERE id = ?').get(id);
  return row ? toUser(row) : null;
}

/** A hash of nothing anyone knows: checked when the name is unknown, so that both cases take the same time. */
const NOBODY = hash('no one has this password');

/** The person with that name and password, or null, without telling which was wrong. */
export async function userByPassword(db: Db, signInName: string, password: string): Promise<User | null> {
  const row = prepared<[string], UserRow>(db, 'SELECT * FROM users WHERE sign_in_name = ?').get(signInName);
  const matches = await verify(row?.password_hash ?? (await NOBODY), password);
  return row && matches ? toUser(row) : null;
}
