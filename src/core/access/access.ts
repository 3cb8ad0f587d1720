/** What somebody is here (work.md, F3–F6; the names are the trade's). */
export const ROLES = ['student', 'teacher', 'proctor', 'scorer', 'administrator'] as const;
export type Role = (typeof ROLES)[number];

/** What can be done here at all; every use case names one of them. */
export const ACTS = [
  /** Take a test, practice it, see one's own results. */
  'take',
  /** Open rooms, let in, pause, unlock, decide on what came late, lift a wait, sign somebody out. */
  'supervise',
  /** Give a test, and settle how it is taken. */
  'give',
  /** Give points to what a machine cannot score. */
  'mark',
  /** See, release and take out results and statistics. */
  'see-results',
  /** Bring packages into the library, look at them, take them out. */
  'keep-library',
  /** Bring people and classes, and set passwords. */
  'keep-people',
] as const;
export type Act = (typeof ACTS)[number];

/** To whose: nobody's, one's own, that of the students of the classes one teaches, that of everybody here. */
export type Reach = 'nobody' | 'own' | 'classes' | 'school';

/** Who may do what to whose. What is not said is not allowed. */
const TABLE: Readonly<Record<Act, Partial<Readonly<Record<Role, Reach>>>>> = {
  take: { student: 'own' },
  supervise: { teacher: 'classes', proctor: 'school', administrator: 'school' },
  give: { teacher: 'classes', administrator: 'school' },
  mark: { teacher: 'classes', scorer: 'school', administrator: 'school' },
  'see-results': { teacher: 'classes', administrator: 'school' },
  'keep-library': { teacher: 'school', administrator: 'school' },
  'keep-people': { administrator: 'school' },
};

/** How far somebody's right to do something goes. */
export const reachOf = (role: Role, act: Act): Reach => TABLE[act][role] ?? 'nobody';

/** What somebody may do at all, to whosever. */
export const actsOf = (role: Role): readonly Act[] => ACTS.filter((act) => reachOf(role, act) !== 'nobody');
