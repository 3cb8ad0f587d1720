import type { Problem } from '../xml/problem';
import { reporterFor } from '../xml/problem';
import { columnsOf, KINDS, type Kind } from './columns';
import type { Roster, RosterFile, RosterRecord } from './read';

/** A record a school has, by what it last brought. */
export interface Kept {
  readonly fields: Readonly<Record<string, string>>;
  readonly active: boolean;
}
export type Present = ReadonlyMap<Kind, ReadonlyMap<string, Kept>>;

/** One thing that applying a roster does. */
export interface Step {
  readonly kind: Kind;
  readonly id: string;
  readonly does: 'add' | 'change' | 'end';
  readonly fields: Readonly<Record<string, string>>;
  readonly password: string | null;
}
export interface RosterPlan {
  readonly steps: readonly Step[];
  readonly problems: readonly Problem[];
}
export type Counts = Readonly<Partial<Record<Kind, number>>>;

/** How many of each kind a plan adds, changes, ends. */
export function countsOf(steps: readonly Step[], does: Step['does']): Counts {
  const counts: Partial<Record<Kind, number>> = {};
  for (const step of steps) if (step.does === does) counts[step.kind] = (counts[step.kind] ?? 0) + 1;
  return counts;
}

const list = (cell: string | undefined): string[] =>
  (cell ?? '')
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
const sameFields = (a: Readonly<Record<string, string>>, b: Readonly<Record<string, string>>): boolean => {
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length && keys.every((key) => Object.hasOwn(b, key) && a[key] === b[key])
  );
};

/** A record as it will be, with where it was written; those that only stay have no line. */
interface Coming {
  readonly fields: Readonly<Record<string, string>>;
  readonly record: RosterRecord | null;
}

class Planner {
  readonly problems: Problem[] = [];
  private steps: Step[] = [];
  /** What is active once all of it is applied. */
  private readonly after = new Map<Kind, Map<string, Coming>>();

  constructor(
    private readonly roster: Roster,
    private readonly present: Present,
  ) {}

  private report(kind: Kind) {
    return reporterFor(`${kind}.csv`, this.problems);
  }
  private kept(kind: Kind): ReadonlyMap<string, Kept> {
    return this.present.get(kind) ?? new Map<string, Kept>();
  }
  private active(kind: Kind): Map<string, Coming> {
    const known = this.after.get(kind);
    if (known) return known;
    const made = new Map<string, Coming>();
    for (const [id, { fields, active }] of this.kept(kind))
      if (active) made.set(id, { fields, record: null });
    this.after.set(kind, made);
    return made;
  }

  run(): RosterPlan {
    for (const file of this.roster.files) this.take(file);
    this.endEnrollments();
    this.checkReferences();
    this.checkUserNames();
    this.checkSchools();
    this.checkEnrollments();
    this.checkRoles();
    return { steps: this.steps, problems: this.problems };
  }

  private end(kind: Kind, id: string): void {
    this.active(kind).delete(id);
    this.steps.push({ kind, id, does: 'end', fields: {}, password: null });
  }

  private take({ kind, mode, records, columns }: RosterFile): void {
    const active = this.active(kind);
    const named = new Set<string>();
    for (const record of records) {
      const { id, ends, password } = record;
      named.add(id);
      const before = this.kept(kind).get(id);
      if (ends) {
        if (before?.active) this.end(kind, id);
        else this.report(kind).warn('ends-unknown', record.line, `"${id}" is to be deleted and not known`);
        continue;
      }
      // A column that is not there says nothing; one that is there and empty says there is none.
      const silent = Object.entries(before?.fields ?? {}).filter(([name]) => !columns.has(name));
      const fields = { ...Object.fromEntries(silent), ...record.fields };
      active.set(id, { fields, record });
      if (!before?.active) this.steps.push({ kind, id, does: 'add', fields, password });
      else if (!sameFields(before.fields, fields))
        this.steps.push({ kind, id, does: 'change', fields, password: null });
    }
    if (mode === 'bulk') for (const id of [...active.keys()]) if (!named.has(id)) this.end(kind, id);
  }

  /** Who is ended is enrolled nowhere any more. */
  private endEnrollments(): void {
    const ended = new Set<string>();
    for (const { kind, does, id } of this.steps) if (kind === 'users' && does === 'end') ended.add(id);
    if (ended.size === 0) return;
    const theirs = [...this.active('enrollments')]
      .filter(([, { fields }]) => ended.has(fields.userSourcedId ?? ''))
      .map(([id]) => id);
    const dropped = new Set(theirs);
    this.steps = this.steps.filter(({ kind, id }) => kind !== 'enrollments' || !dropped.has(id));
    for (const id of theirs)
      if (this.kept('enrollments').get(id)?.active) this.end('enrollments', id);
      else this.active('enrollments').delete(id);
  }

  private checkReferences(): void {
    for (const kind of KINDS)
      for (const [id, { fields, record }] of this.active(kind)) {
        if (!record) continue;
        for (const [name, { to }] of Object.entries(columnsOf(kind, this.roster.version))) {
          if (!to) continue;
          for (const target of list(fields[name]))
            if (!this.active(to).has(target))
              this.report(kind).error(
                'unknown-reference',
                record.line,
                `${name} of "${id}" names "${target}", which is not among the ${to}`,
              );
        }
      }
  }

  private checkUserNames(): void {
    const seen = new Map<string, string>();
    // Those that stay first: what is wrong is said of the line that brings it.
    const users = [...this.active('users')].sort(
      ([, a], [, b]) => (a.record?.line ?? 0) - (b.record?.line ?? 0),
    );
    for (const [id, { fields, record }] of users) {
      const name = (fields.username ?? '').toLowerCase();
      const other = seen.get(name);
      if (name !== '' && other !== undefined && record)
        this.report('users').error(
          'duplicate-username',
          record.line,
          `the user name "${fields.username ?? ''}" of "${id}" is that of "${other}", great and small letters aside`,
        );
      seen.set(name, id);
    }
  }

  private checkSchools(): void {
    for (const [id, { fields, record }] of this.active('classes')) {
      const org = this.active('orgs').get(fields.schoolSourcedId ?? '');
      if (org && record && org.fields.type !== 'school')
        this.report('classes').error(
          'no-school',
          record.line,
          `the class "${id}" is at "${fields.schoolSourcedId ?? ''}", which is no school but a ${org.fields.type ?? ''}`,
        );
    }
  }

  private checkEnrollments(): void {
    const spans = new Map<string, { from: string; to: string; id: string }[]>();
    for (const [id, { fields, record }] of this.active('enrollments')) {
      const {
        classSourcedId = '',
        schoolSourcedId,
        userSourcedId = '',
        role = '',
        beginDate,
        endDate,
      } = fields;
      const school = this.active('classes').get(classSourcedId)?.fields.schoolSourcedId;
      if (record && school !== undefined && school !== schoolSourcedId)
        this.report('enrollments').warn(
          'other-school',
          record.line,
          `the school of "${id}" is "${schoolSourcedId ?? ''}" and that of its class "${school}"`,
        );
      const key = JSON.stringify([classSourcedId, userSourcedId, role]);
      const span = { from: beginDate ?? '', to: endDate ?? '9999', id };
      const twice = spans.get(key)?.find(({ from, to }) => from <= span.to && span.from <= to);
      if (record && twice)
        this.report('enrollments').warn(
          'enrolled-twice',
          record.line,
          `"${id}" and "${twice.id}" enroll the same person in the same class at the same time`,
        );
      spans.set(key, [...(spans.get(key) ?? []), span]);
    }
  }

  private checkRoles(): void {
    if (this.roster.version !== '1.2') return;
    const withRole = new Set([...this.active('roles').values()].map(({ fields }) => fields.userSourcedId));
    for (const [id, { record }] of this.active('users'))
      if (record && !withRole.has(id))
        this.report('users').warn('no-role', record.line, `"${id}" has no role`);
  }
}

/** What a roster would add, change and end, and what is wrong with it beside what a school has. With an error nothing is to be done. */
export const planRoster = (roster: Roster, present: Present): RosterPlan =>
  new Planner(roster, present).run();
