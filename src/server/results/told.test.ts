import { attemptAsset } from '../delivery/content';
import { assignedTest, assignedTests } from '../delivery/assignments';
import { beginAttempt, handIn, resumeAttempt } from '../delivery/delivery';
import { ADMINISTRATOR, testSchool, type TestSchool } from '../delivery/testSchool';
import { classOverview } from './overview';
import { answersFor, resultFor } from './results';

let school: TestSchool;
afterEach(() => school.close());

const handedIn = async (options: object, folder = 'content/skerry-sound-grade-6') => {
  school = await testSchool(folder, { now: 1000 });
  school.db.prepare('UPDATE assignments SET options = ?').run(JSON.stringify(options));
  await school
    .say({ type: 'answered', item: 'reading-1', responses: { RESPONSE: 'B' }, how: 'edit' }, 2000)
    .catch(() => undefined);
  handIn(school.db, school.student, school.attemptId, school.device, 'asked', 3000);
};
/** The pictures that the questions of the test show. */
const attemptPictures = (): string[] =>
  (school.db.prepare("SELECT path FROM assets WHERE path LIKE 'images/%'").all() as { path: string }[]).map(
    ({ path }) => path,
  );
const told = (attempt = school.attemptId) => resultFor(school.db, school.student, attempt);
const listed = () => assignedTests(school.db, school.student.id)[0];

describe('what is told after handing in is what the assignment says', () => {
  test('thanks alone: no points anywhere, no questions, no answers', async () => {
    await handedIn({ tells: 'thanks', needed: 3 });
    expect(told()).toMatchObject({ points: null, needed: null, questions: [], parts: [], notMarked: 0 });
    expect(listed()?.past).toEqual([{ attemptId: school.attemptId, handedInAt: 3000, points: null }]);
    expect(() => answersFor(school.db, school.student, school.attemptId)).toThrow('not-found');
    // Nor what the test itself says to how it went, and no picture of anything.
    school.close();
    await handedIn({ tells: 'thanks' }, 'content/skerry-sound-crossing');
    expect(told()?.feedback).toEqual([]);
  });
  test('thanks alone shows no picture of a question either; the answers do', async () => {
    const picture = (name: string) => () =>
      attemptAsset(school.db, school.student, school.attemptId, name, 9000);
    await handedIn({ tells: 'thanks' });
    const shown = attemptPictures();
    expect(shown.length).toBeGreaterThan(0);
    for (const one of shown) expect(picture(one)).toThrow('not-found');
    school.close();
    await handedIn({});
    for (const one of attemptPictures()) expect(picture(one)().bytes.length).toBeGreaterThan(0);
  });
  test('the desk knows all the same', async () => {
    await handedIn({ tells: 'thanks' });
    expect(classOverview(school.db, ADMINISTRATOR)[0]?.points?.score).toBe(1);
  });
  test('the score without the answers', async () => {
    await handedIn({ tells: 'score' });
    expect(told()?.points?.score).toBe(1);
    expect(listed()?.past[0]?.points?.score).toBe(1);
    expect(() => answersFor(school.db, school.student, school.attemptId)).toThrow('not-found');
  });
  test('everything, where nothing else is said', async () => {
    await handedIn({});
    expect(told()).toMatchObject({ tells: 'answers', needed: null, parts: [] });
    expect(answersFor(school.db, school.student, school.attemptId)?.questions.length).toBeGreaterThan(0);
  });
});

describe('the needed score', () => {
  test('is the one of the assignment, and else what the test says (QTI 3.0, mastery-value)', async () => {
    await handedIn({ needed: 12.5 });
    expect(told()?.needed).toBe(12.5);
    expect(listed()?.needed).toBe(12.5);
    school.close();
    await handedIn({}, 'content/skerry-sound-crossing');
    expect(told()?.needed).toBe(9);
    expect(listed()?.needed).toBe(9);
  });
  test('each part is told where there is more than one, and the parts make the whole', async () => {
    await handedIn({}, 'content/skerry-sound-crossing');
    const result = told();
    expect(result?.parts.length).toBeGreaterThan(1);
    const maximum = result?.parts.reduce((sum, part) => sum + part.maximum + part.later, 0);
    expect(maximum).toBe(result?.questions.reduce((sum, one) => sum + (one.maximum ?? 0), 0));
  });
});

describe('taken more than once', () => {
  const again = (now: number) => {
    const assignment = listed()?.assignmentId ?? 0;
    const { attemptId } = beginAttempt(school.db, school.student, assignment, now);
    const { device } = resumeAttempt(school.db, school.student, attemptId, null, now);
    return { attemptId, device };
  };
  test('as often as the assignment says; every attempt keeps its own answers and score', async () => {
    await handedIn({ times: 2 });
    expect(listed()).toMatchObject({ state: 'handed-in', again: true });
    const second = again(5000);
    expect(second.attemptId).not.toBe(school.attemptId);
    // Begun twice by a nervous finger it is the same one.
    expect(again(5100).attemptId).toBe(second.attemptId);
    const { device } = again(5200);
    expect(listed()).toMatchObject({ state: 'stopped', again: false, attemptId: second.attemptId });
    handIn(school.db, school.student, second.attemptId, device, 'asked', 6000);
    expect(listed()).toMatchObject({ state: 'handed-in', again: false });
    expect(listed()?.past.map(({ attemptId, points }) => [attemptId, points?.score])).toEqual([
      [second.attemptId, 0],
      [school.attemptId, 1],
    ]);
    expect(told()?.points?.score).toBe(1);
    expect(told(second.attemptId)?.points?.score).toBe(0);
    expect(again(7000).attemptId).toBe(second.attemptId);
    expect(classOverview(school.db, ADMINISTRATOR).filter(({ student }) => student === 'Wren')).toHaveLength(
      1,
    );
  });
  test('once, where nothing is said', async () => {
    await handedIn({});
    expect(listed()?.again).toBe(false);
    const id = listed()?.assignmentId ?? 0;
    expect(beginAttempt(school.db, school.student, id, 5000).attemptId).toBe(school.attemptId);
    expect(assignedTest(school.db, school.student, id).past).toHaveLength(1);
  });
});
