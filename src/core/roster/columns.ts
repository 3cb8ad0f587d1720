/**
 * The files of a roster and their columns: OneRoster 1.2 CSV binding, and the 1.1 form of `users` (both from memory). What a school
 * brings is read by this table alone.
 */
export const KINDS = [
  'orgs',
  'academicSessions',
  'courses',
  'classes',
  'users',
  'roles',
  'enrollments',
] as const;
export type Kind = (typeof KINDS)[number];
export type Version = '1.1' | '1.2';

/** What a cell holds. `ref` and `refs` name records of another kind. */
export interface Column {
  readonly holds: 'text' | 'date' | 'boolean' | 'year' | 'ref' | 'refs' | 'word' | 'secret';
  readonly required?: true;
  readonly to?: Kind;
  readonly words?: readonly string[];
  /** Words of its own, beginning `ext:`, may stand here too. */
  readonly open?: true;
}
type Columns = Readonly<Record<string, Column>>;

const text: Column = { holds: 'text' };
const wanted: Column = { holds: 'text', required: true };
const date: Column = { holds: 'date' };
const day: Column = { holds: 'date', required: true };
const word = (words: readonly string[], more: Partial<Column> = {}): Column => ({
  holds: 'word',
  required: true,
  words,
  ...more,
});
const ref = (to: Kind, more: Partial<Column> = {}): Column => ({ holds: 'ref', to, ...more });
const must = { required: true } as const;

/** Of every file besides its own: set aside where they are of a kind that schools need not send. */
const EVERY: Columns = {
  sourcedId: wanted,
  status: { holds: 'word', words: ['active', 'tobedeleted'] },
  dateLastModified: text,
};
const PEOPLE: Columns = {
  enabledUser: { holds: 'boolean', required: true },
  username: wanted,
  userIds: text,
  givenName: wanted,
  familyName: wanted,
  middleName: text,
  identifier: text,
  email: text,
  sms: text,
  phone: text,
  agentSourcedIds: { holds: 'refs', to: 'users' },
  grades: text,
  password: { holds: 'secret' },
};
const ROLES_1_1 = [
  'administrator',
  'aide',
  'guardian',
  'parent',
  'proctor',
  'relative',
  'student',
  'teacher',
];
const ROLES_1_2 = [
  'aide',
  'counselor',
  'districtAdministrator',
  'guardian',
  'parent',
  'principal',
  'proctor',
  'relative',
  'siteAdministrator',
  'student',
  'systemAdministrator',
  'teacher',
];

/** The columns of a file, in no order. */
export function columnsOf(kind: Kind, version: Version): Columns {
  return { ...EVERY, ...OWN[kind](version) };
}
const OWN: Readonly<Record<Kind, (version: Version) => Columns>> = {
  orgs: () => ({
    name: wanted,
    type: word(['department', 'school', 'district', 'local', 'state', 'national'], { open: true }),
    identifier: text,
    parentSourcedId: ref('orgs'),
  }),
  academicSessions: () => ({
    title: wanted,
    type: word(['gradingPeriod', 'semester', 'schoolYear', 'term'], { open: true }),
    startDate: day,
    endDate: day,
    parentSourcedId: ref('academicSessions'),
    schoolYear: { holds: 'year', required: true },
  }),
  courses: () => ({
    schoolYearSourcedId: ref('academicSessions'),
    title: wanted,
    courseCode: text,
    grades: text,
    orgSourcedId: ref('orgs', must),
    subjects: text,
    subjectCodes: text,
  }),
  classes: () => ({
    title: wanted,
    grades: text,
    courseSourcedId: ref('courses', must),
    classCode: text,
    classType: word(['homeroom', 'scheduled'], { open: true }),
    location: text,
    schoolSourcedId: ref('orgs', must),
    termSourcedIds: { holds: 'refs', to: 'academicSessions', required: true },
    subjects: text,
    subjectCodes: text,
    periods: text,
  }),
  users: (version) =>
    version === '1.1'
      ? {
          ...PEOPLE,
          orgSourcedIds: { holds: 'refs', to: 'orgs', required: true },
          role: word(ROLES_1_1),
        }
      : {
          ...PEOPLE,
          userMasterIdentifier: text,
          resourceSourcedIds: text,
          preferredGivenName: text,
          preferredMiddleName: text,
          preferredFamilyName: text,
          primaryOrgSourcedId: ref('orgs'),
          pronouns: text,
        },
  roles: () => ({
    userSourcedId: ref('users', must),
    roleType: word(['primary', 'secondary']),
    role: word(ROLES_1_2, { open: true }),
    beginDate: date,
    endDate: date,
    orgSourcedId: ref('orgs', must),
    userProfileSourcedId: text,
  }),
  enrollments: (version) => ({
    classSourcedId: ref('classes', must),
    schoolSourcedId: ref('orgs', must),
    userSourcedId: ref('users', must),
    role: word(
      version === '1.1' ? ROLES_1_1 : ['administrator', 'proctor', 'student', 'teacher'],
      version === '1.2' ? { open: true } : {},
    ),
    primary: { holds: 'boolean' },
    beginDate: date,
    endDate: date,
  }),
};
