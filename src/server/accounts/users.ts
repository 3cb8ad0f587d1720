import { hash, verify } from '@node-rs/argon2';
import { isLanguage, type Language } from '@/core/languages';
import type { Role } from '@/core/access/access';
import { NO_NEEDS, readNeeds, type AccessNeeds, type ChosenView } from '@/core/needs';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';

export interface User {
  readonly id: number;
  readonly signInName: string;
  readonly displayName: string;
  readonly role: Role;
  readonly needs: AccessNeeds;
  /** Chosen for the interface; null = none was. */
  readonly language: Language | null;
  /** Practices without an account: nothing is kept. */
  readonly guest: boolean;
  /** Whom an adult is while trying a test out. */
  readonly tries: boolean;
  /** Has a password that was given to them, and has to choose one of their own before anything else. */
  readonly mustChange: boolean;
  /** Signed in with a room's code: for one assignment, and only once let in. Null for who signed in with a password. */
  readonly room: { readonly assignmentId: number; readonly letIn: boolean } | null;
}
interface UserRow {
  id: number;
  sign_in_name: string;
  display_name: string;
  role: Role;
  /** Null: nobody signs in with a password until one is set. */
  password_hash: string | null;
  needs: string;
  /** What the student chose in My view, as JSON; null = nothing. */
  chosen_view: string | null;
  language: string | null;
  guest: number;
  tries_for: number | null;
  must_change: number;
}
const needsIn = ({ needs, chosen_view: chosen }: Pick<UserRow, 'needs' | 'chosen_view'>): AccessNeeds =>
  readNeeds(JSON.parse(needs), chosen === null ? null : JSON.parse(chosen));

const toUser = (row: UserRow): User => ({
  id: row.id,
  signInName: row.sign_in_name,
  displayName: row.display_name,
  role: row.role,
  needs: needsIn(row),
  language: isLanguage(row.language) ? row.language : null,
  guest: row.guest === 1,
  tries: row.tries_for !== null,
  mustChange: row.must_change === 1,
  room: null,
});

const needsRow = (db: Db, userId: number) =>
  prepared<[number], Pick<UserRow, 'needs' | 'chosen_view'>>(
    db,
    'SELECT needs, chosen_view FROM users WHERE id = ?',
  ).get(userId);

/** What a person's tests begin with: what is set for them, and what they chose on top; the defaults where nobody is found. */
export const needsOf = (db: Db, userId: number): AccessNeeds => {
  const row = needsRow(db, userId);
  return row ? needsIn(row) : NO_NEEDS;
};

/** What a teacher has set for a person, without what they chose themselves. */
export const setNeedsOf = (db: Db, userId: number): AccessNeeds => {
  const row = needsRow(db, userId);
  return row ? needsIn({ ...row, chosen_view: null }) : NO_NEEDS;
};

/** Keeps what a student chose in My view; null goes back to what was set for them. */
export function keepChosenView(db: Db, userId: number, view: ChosenView | null): void {
  prepared(db, 'UPDATE users SET chosen_view = ? WHERE id = ?').run(view && JSON.stringify(view), userId);
}

/** Keeps the language a person chose for the interface. */
export function keepLanguage(db: Db, userId: number, language: Language): void {
  prepared(db, 'UPDATE users SET language = ? WHERE id = ?').run(language, userId);
}

/** Adds a person, or gives an existing sign-in name new data. The password is kept as an argon2id hash only. */
export async function putUser(
  db: Db,
  user: {
    signInName: string;
    displayName: string;
    role: Role;
    /** Without one nobody signs in under this name until it is set. */
    password?: string;
    needs?: Partial<AccessNeeds>;
  },
): Promise<number> {
  const passwordHash = user.password === undefined ? null : await hash(user.password);
  const row = prepared<[string, string, string, string | null, string, number], { id: number }>(
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
  const row = prepared<[string], UserRow>(
    db,
    'SELECT * FROM users WHERE sign_in_name = ? AND guest = 0 AND ended_at IS NULL',
  ).get(signInName);
  const known = row?.password_hash ?? null;
  const matches = await verify(known ?? (await NOBODY), password);
  return row && known !== null && matches ? toUser(row) : null;
}
