import { ACTS, actsOf, reachOf, ROLES, type Act, type Reach, type Role } from './access';

/** The whole table, written down apart from the code: acts down, roles across. */
const WHOLE: Readonly<Record<Act, Readonly<Record<Role, Reach>>>> = {
  take: { student: 'own', teacher: 'nobody', proctor: 'nobody', scorer: 'nobody', administrator: 'nobody' },
  supervise: {
    student: 'nobody',
    teacher: 'classes',
    proctor: 'school',
    scorer: 'nobody',
    administrator: 'school',
  },
  give: {
    student: 'nobody',
    teacher: 'classes',
    proctor: 'nobody',
    scorer: 'nobody',
    administrator: 'school',
  },
  mark: {
    student: 'nobody',
    teacher: 'classes',
    proctor: 'nobody',
    scorer: 'school',
    administrator: 'school',
  },
  'see-results': {
    student: 'nobody',
    teacher: 'classes',
    proctor: 'nobody',
    scorer: 'nobody',
    administrator: 'school',
  },
  'keep-library': {
    student: 'nobody',
    teacher: 'school',
    proctor: 'nobody',
    scorer: 'nobody',
    administrator: 'school',
  },
  'keep-people': {
    student: 'nobody',
    teacher: 'nobody',
    proctor: 'nobody',
    scorer: 'nobody',
    administrator: 'school',
  },
};

test.each(ROLES.flatMap((role) => ACTS.map((act) => [role, act] as const)))(
  'how far a %s may %s',
  (role, act) => {
    expect(reachOf(role, act)).toBe(WHOLE[act][role]);
    expect(actsOf(role).includes(act)).toBe(WHOLE[act][role] !== 'nobody');
  },
);

test('whoever does something for the adults takes no test, and no student does anything for them', () => {
  expect(actsOf('student')).toEqual(['take']);
  for (const role of ROLES.filter((one) => one !== 'student')) expect(actsOf(role)).not.toContain('take');
});
