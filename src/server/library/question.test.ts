import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { libraryOf, testInLibrary } from './catalog';
import { NO_NEEDS } from '@/core/needs';
import { filesAt } from './files';
import { importPackage } from './library';
import { libraryAsset, questionInLibrary, tryAnswer } from './question';

const KEEPER = { id: 0, role: 'teacher' } as User;
const SCORER = { id: 0, role: 'scorer' } as User;
let folder: string;
let db: Db;
let benchmark: number;
let kinds: number;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'able-question-'));
  db = openDatabase(join(folder, 'test.sqlite'));
  benchmark = importPackage(db, filesAt('content/skerry-sound-grade-6'), 1).testIds[0] ?? 0;
  kinds = importPackage(db, filesAt('content/every-kind-of-question'), 2).testIds[0] ?? 0;
});
afterAll(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

test('the library lists what came last first, with its tests and what hangs on them', () => {
  expect(libraryOf(db, KEEPER)).toMatchObject([
    { versions: [{ importedAt: 2, items: 57, hasSources: true, unused: true }] },
    {
      versions: [
        { importedAt: 1, tests: [{ testId: benchmark, questions: 12, given: 0, attempts: 0 }], unused: true },
      ],
    },
  ]);
  expect(() => libraryOf(db, SCORER)).toThrow('not-yours');
});

test('a test is listed question by question, with kind, points and who scores', () => {
  const { list, title } = testInLibrary(db, KEEPER, benchmark);
  expect(title).toBe('Skerry Sound Spring Benchmark, grade 6');
  expect(list).toHaveLength(12);
  expect(list[0]).toMatchObject({ ref: 'reading-1', kinds: ['choice'], points: 1, scoredBy: 'machine' });
  expect(list.find(({ ref }) => ref === 'reading-5')).toMatchObject({ scoredBy: 'person' });
  expect(() => testInLibrary(db, KEEPER, 999)).toThrow('not-found');
  expect(() => testInLibrary(db, SCORER, benchmark)).toThrow('not-yours');
});

test('every question of every package can be looked at, with its neighbors, and its right answer is worth its points', () => {
  for (const testId of [benchmark, kinds]) {
    const { list } = testInLibrary(db, KEEPER, testId);
    list.forEach(({ ref, points, scoredBy }, i) => {
      const asked = questionInLibrary(db, KEEPER, testId, ref);
      expect(Object.keys(asked.shown.items)).toEqual([ref]);
      expect([asked.before, asked.after]).toEqual([list[i - 1]?.ref ?? null, list[i + 1]?.ref ?? null]);
      const known = Object.values(asked.solution).some((one) => one !== null);
      if (scoredBy !== 'machine' || !known || points === null) return;
      const { outcomes, steps } = tryAnswer(db, KEEPER, testId, ref, asked.solution);
      const score = outcomes.find(({ identifier }) => identifier === 'SCORE');
      expect([ref, Number(score?.value)]).toEqual([ref, points]);
      expect(steps.some((step) => step.does === 'set')).toBe(true);
    });
  }
});

test('an answer is worth what it is, rule by rule, and nothing of it is kept', () => {
  const tried = tryAnswer(db, KEEPER, benchmark, 'reading-1', { RESPONSE: 'A' });
  expect(tried.steps).toEqual([
    { does: 'if', expression: 'match(RESPONSE, correct RESPONSE)', holds: false, line: 0 },
    { does: 'else', line: 0 },
    { does: 'set', identifier: 'SCORE', expression: '0', value: '0', line: 0 },
  ]);
  expect(tried.outcomes).toContainEqual({ identifier: 'SCORE', value: '0' });
  expect(db.prepare('SELECT count(*) AS count FROM attempts').get()).toEqual({ count: 0 });
  expect(() => tryAnswer(db, KEEPER, benchmark, 'reading-1', { RESPONSE: 'no such choice' })).toThrow(
    'bad-input',
  );
  expect(() => tryAnswer(db, KEEPER, benchmark, 'reading-1', { OTHER: 'A' })).toThrow('bad-input');
  expect(() => tryAnswer(db, KEEPER, benchmark, 'no-such', {})).toThrow('not-found');
  expect(() => tryAnswer(db, SCORER, benchmark, 'reading-1', {})).toThrow('not-yours');
});

test('a question whose numbers are drawn is looked at and scored in any of its drawings', () => {
  const instruments = importPackage(db, filesAt('content/skerry-sound-instruments'), 3).testIds[0] ?? 0;
  const needs = NO_NEEDS;
  const drawn = Array.from({ length: 8 }, (_, drawing) => {
    const asked = questionInLibrary(db, KEEPER, instruments, 'gauge-1', { needs, drawing });
    const { outcomes } = tryAnswer(db, KEEPER, instruments, 'gauge-1', asked.solution, drawing);
    expect(outcomes).toContainEqual({ identifier: 'SCORE', value: '1' });
    expect(asked.drawing).toBe(drawing);
    return JSON.stringify(asked.solution);
  });
  expect(new Set(drawn).size).toBeGreaterThan(1);
  expect(questionInLibrary(db, KEEPER, benchmark, 'reading-1').drawing).toBeNull();
});

test('a question is seen with the cards that somebody’s needs ask for, and with nobody else’s', () => {
  const cardsFor = (supports: readonly string[]) =>
    Object.values(
      questionInLibrary(db, KEEPER, benchmark, 'reading-1', {
        needs: { ...NO_NEEDS, supports: [...supports], languages: ['es'] },
        drawing: 0,
      }).shown.items['reading-1']?.cards ?? {},
    );
  expect(cardsFor([])).toEqual([]);
  expect(cardsFor(['glossary-on-screen']).length).toBeGreaterThan(0);
});

test('pictures of a test are shown to who keeps the library, and to nobody else', () => {
  const { shown } = questionInLibrary(
    db,
    KEEPER,
    benchmark,
    testInLibrary(db, KEEPER, benchmark).list[5]?.ref ?? '',
  );
  const all = testInLibrary(db, KEEPER, benchmark).list.flatMap(
    ({ ref }) => questionInLibrary(db, KEEPER, benchmark, ref).shown.assets,
  );
  expect(shown.count).toBe(1);
  expect(all.length).toBeGreaterThan(0);
  for (const path of all) expect(libraryAsset(db, KEEPER, benchmark, path).bytes.length).toBeGreaterThan(0);
  expect(() => libraryAsset(db, SCORER, benchmark, all[0] ?? '')).toThrow('not-yours');
  expect(() => libraryAsset(db, KEEPER, benchmark, 'imsmanifest.xml')).toThrow('not-found');
});
