import { openRoom } from '../delivery/rooms';
import { addPetra, testSchool, type TestSchool } from '../delivery/testSchool';
import type { User } from '../accounts/users';
import { reachedAlike, Told, writtenSince } from './live';
import { classOverview } from './overview';

const MINUTE = 60_000;
let school: TestSchool;
let petra: User;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6', { now: 1000 });
  petra = await addPetra(school.db);
});
afterEach(() => school.close());

/** What is new to whoever has been told so much. */
const newTo = (told: Told, now: number, by = petra) =>
  told.news(school.db, by, classOverview(school.db, by, now), now);

test('first everything is told, then what is new alone; time that passes is news by the minute', async () => {
  const told = new Told();
  expect(newTo(told, 2000)?.changed).toHaveLength(1);
  expect(newTo(told, 3000)).toBeNull();
  await school.say({ type: 'answered', item: 'reading-1', responses: { RESPONSE: 'B' }, how: 'edit' }, 4000);
  expect(newTo(told, 4500)).toMatchObject({
    changed: [{ student: 'Wren', progress: { answered: 1 } }],
    gone: [],
    look: false,
  });
  expect(newTo(told, 5000)).toBeNull();
  expect(newTo(told, 5000 + MINUTE)?.changed).toMatchObject([{ student: 'Wren' }]);
});

test('who is not theirs any more is told gone, and what stands beside the students is told to be looked at', () => {
  const told = new Told();
  const [row] = newTo(told, 2000)?.changed ?? [];
  const testId = school.db.prepare<[], { id: number }>('SELECT id FROM tests').get()?.id ?? 0;
  openRoom(school.db, petra, testId, Date.now());
  expect(newTo(told, Date.now())).toMatchObject({ look: true });
  school.db.prepare('DELETE FROM class_members WHERE user_id = ?').run(school.student.id);
  expect(newTo(told, Date.now())).toMatchObject({ changed: [], gone: [row?.assignmentId] });
});

test('those who reach the same are told alike, as they are now; who may not supervise is told nothing', () => {
  const proctor = { ...petra, id: 98, role: 'proctor' } as const;
  const administrator = { ...petra, id: 99, role: 'administrator' } as const;
  expect(reachedAlike(proctor)).toBe(reachedAlike(administrator));
  expect(reachedAlike(petra)).not.toBe(reachedAlike({ ...petra, id: 97 }));
  expect(() => reachedAlike({ ...petra, role: 'scorer' })).toThrow('not-yours');
});

test('whether anything was written is known without looking at it', () => {
  const written = writtenSince(school.db);
  expect(written()).toBe(true);
  expect(written()).toBe(false);
  school.db.prepare('SELECT * FROM users').all();
  expect(written()).toBe(false);
  school.db.prepare("UPDATE users SET display_name = 'Wren' WHERE id = ?").run(school.student.id);
  expect(written()).toBe(true);
  expect(written()).toBe(false);
});
