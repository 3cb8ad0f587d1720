import type { Role } from '../access/access';
import type { Kept, Present } from './plan';
import type { Kind } from './columns';

/** Somebody who has an account, as the roster has them. */
export interface RosterPerson {
  readonly sourcedId: string;
  readonly signInName: string;
  readonly displayName: string;
  readonly role: Role;
}
/** A class, with who teaches and learns in it now. */
export interface RosterClass {
  readonly sourcedId: string;
  readonly title: string;
  readonly members: readonly string[];
}
export interface RosterPeople {
  readonly people: readonly RosterPerson[];
  readonly classes: readonly RosterClass[];
}

/** What the roles of a roster are here, the one that may most first; who has none of them has no account. */
const ROLES: readonly (readonly [Role, readonly string[]])[] = [
  [
    'administrator',
    ['administrator', 'districtAdministrator', 'siteAdministrator', 'systemAdministrator', 'principal'],
  ],
  ['teacher', ['teacher']],
  ['proctor', ['proctor', 'aide']],
  ['student', ['student']],
];

const activeOf = (present: Present, kind: Kind): [string, Kept['fields']][] =>
  [...(present.get(kind) ?? new Map<string, Kept>())].flatMap(([id, { fields, active }]) =>
    active ? [[id, fields] as [string, Kept['fields']]] : [],
  );

/** Whether something holds on a day, both as YYYY-MM-DD; without dates it always does. */
const holdsOn = ({ beginDate = '', endDate = '' }: Kept['fields'], day: string): boolean =>
  (beginDate === '' || beginDate <= day) && (endDate === '' || day <= endDate);

/**
 * The accounts and classes that a school's roster asks for (OneRoster 1.1: the role stands with the user; 1.2: with `roles`; from
 * memory). Somebody who is not enabled, or whose roles are none of ours (parents, guardians), has none.
 * @param day today, YYYY-MM-DD: roles and enrollments that are over or to come do not count
 */
export function peopleOf(present: Present, day: string): RosterPeople {
  const roles = new Map<string, Set<string>>();
  const addRole = (user: string, role: string) => roles.set(user, (roles.get(user) ?? new Set()).add(role));
  for (const [, fields] of activeOf(present, 'roles'))
    if (holdsOn(fields, day)) addRole(fields.userSourcedId ?? '', fields.role ?? '');
  const people = activeOf(present, 'users').flatMap(([sourcedId, fields]): RosterPerson[] => {
    if (fields.role !== undefined && fields.role !== '') addRole(sourcedId, fields.role);
    const own = roles.get(sourcedId) ?? new Set();
    const role = ROLES.find(([, names]) => names.some((name) => own.has(name)))?.[0];
    if (!role || fields.enabledUser === 'false' || !fields.username) return [];
    const given = fields.preferredGivenName || fields.givenName || '';
    const family = fields.preferredFamilyName || fields.familyName || '';
    return [
      {
        sourcedId,
        signInName: fields.username,
        displayName: `${given} ${family}`.trim() || fields.username,
        role,
      },
    ];
  });
  const here = new Set(people.map(({ sourcedId }) => sourcedId));
  const members = new Map<string, Set<string>>();
  for (const [, fields] of activeOf(present, 'enrollments')) {
    const { classSourcedId = '', userSourcedId = '' } = fields;
    if (here.has(userSourcedId) && holdsOn(fields, day))
      members.set(classSourcedId, (members.get(classSourcedId) ?? new Set()).add(userSourcedId));
  }
  const classes = activeOf(present, 'classes').map(([sourcedId, { title = '' }]) => ({
    sourcedId,
    title,
    members: [...(members.get(sourcedId) ?? [])],
  }));
  return { people, classes };
}
