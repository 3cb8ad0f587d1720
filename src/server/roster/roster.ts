import type { RosterReport } from '@/core/wire/people';
import { hash } from '@node-rs/argon2';
import type { Kind } from '@/core/roster/columns';
import { peopleOf } from '@/core/roster/people';
import { countsOf, planRoster, type Kept, type Present, type Step } from '@/core/roster/plan';
import { readRoster, type RosterFiles } from '@/core/roster/read';
import type { Problem } from '@/core/xml/problem';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { putRosterPeople } from './accounts';

/** What the school has brought so far. */
function presentIn(db: Db): Present {
  const present = new Map<Kind, Map<string, Kept>>();
  const rows = prepared<[], { kind: Kind; sourced_id: string; fields: string; active: number }>(
    db,
    'SELECT kind, sourced_id, fields, active FROM roster_records',
  );
  for (const { kind, sourced_id: id, fields, active } of rows.iterate()) {
    const records = present.get(kind) ?? new Map<string, Kept>();
    records.set(id, { fields: JSON.parse(fields) as Kept['fields'], active: active === 1 });
    present.set(kind, records);
  }
  return present;
}

function carryOut(db: Db, step: Step, passwordHash: string | null, now: number): void {
  if (step.does === 'end')
    prepared(
      db,
      'UPDATE roster_records SET active = 0, changed_at = ? WHERE kind = ? AND sourced_id = ?',
    ).run(now, step.kind, step.id);
  else
    prepared(
      db,
      `INSERT INTO roster_records (kind, sourced_id, fields, active, password_hash, changed_at) VALUES (?, ?, ?, 1, ?, ?)
       ON CONFLICT (kind, sourced_id) DO UPDATE SET fields = excluded.fields, active = 1,
         password_hash = coalesce(excluded.password_hash, password_hash), changed_at = excluded.changed_at`,
    ).run(step.kind, step.id, JSON.stringify(step.fields), passwordHash, now);
}

/**
 * Says what a roster would add, change and end; with `apply` does it, whole or not at all: its records, and the accounts and classes
 * that are made of them. With an error nothing is done.
 * Passwords are kept as argon2id hashes only, and only with a person's first line.
 * @throws UnreadableRoster without a manifest
 */
export async function bringRoster(
  db: Db,
  files: RosterFiles,
  { apply, now }: { readonly apply: boolean; readonly now: number },
): Promise<RosterReport> {
  const { roster, problems } = readRoster(files);
  const failed = (all: readonly Problem[]) => all.some(({ severity }) => severity === 'error');
  const refused = (all: readonly Problem[]): RosterReport => ({
    ok: false,
    add: {},
    change: {},
    end: {},
    problems: all,
  });
  if (failed(problems)) return refused(problems);
  const first = planRoster(roster, presentIn(db));
  if (failed(first.problems)) return refused([...problems, ...first.problems]);
  const reported = (steps: readonly Step[], more: readonly Problem[]): RosterReport => ({
    ok: true,
    add: countsOf(steps, 'add'),
    change: countsOf(steps, 'change'),
    end: countsOf(steps, 'end'),
    problems: [...problems, ...more],
  });
  if (!apply) return reported(first.steps, first.problems);
  const hashes = new Map<string, string>();
  for (const { id, password } of first.steps) if (password !== null) hashes.set(id, await hash(password));
  // Worked out again inside: what was brought meanwhile counts.
  return db
    .transaction((): RosterReport => {
      const { steps, problems: more } = planRoster(roster, presentIn(db));
      if (failed(more)) return refused([...problems, ...more]);
      for (const step of steps)
        carryOut(db, step, step.password === null ? null : (hashes.get(step.id) ?? null), now);
      const day = new Date(now).toISOString().slice(0, 10);
      return reported(steps, [...more, ...putRosterPeople(db, peopleOf(presentIn(db), day), now)]);
    })
    .immediate();
}
