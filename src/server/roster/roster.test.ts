import type { RosterReport } from '@/core/wire/people';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { UnreadableRoster } from '@/core/roster/read';
import { openDatabase, type Db } from '../db/open';
import { bringRoster } from './roster';
import { FILES, filesFrom, manifest, SCHOOL, type Texts } from './testRoster';

let folder: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'able-roster-'));
  db = openDatabase(join(folder, 'roster.sqlite'));
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

const bring = (texts: Readonly<Record<string, string | Uint8Array>>, apply = true) =>
  bringRoster(db, filesFrom(texts), { apply, now: 1_000 });
const problemsOf = ({ problems }: RosterReport) =>
  problems.map(({ severity, code, file, line }) => `${severity} ${code} ${file}:${line}`);
const school = (changes: Texts): Texts => ({ ...SCHOOL, ...changes });
/** The school with something put in another's place in one file. */
const changed = (file: string, from: string, to: string): Texts => {
  const before = SCHOOL[file] ?? '';
  if (!before.includes(from)) throw new Error(`${file} has no ${from}`);
  return school({ [file]: before.replace(from, to) });
};
const ALL = { orgs: 3, academicSessions: 1, courses: 1, classes: 1, users: 2, roles: 2, enrollments: 2 };

test('what would be added is said and nothing done; applied it is there; brought again it changes nothing', async () => {
  expect(await bring(SCHOOL, false)).toEqual({ ok: true, add: ALL, change: {}, end: {}, problems: [] });
  expect(await bring(SCHOOL)).toEqual({ ok: true, add: ALL, change: {}, end: {}, problems: [] });
  expect(await bring(SCHOOL)).toEqual({ ok: true, add: {}, change: {}, end: {}, problems: [] });
});

describe('a second one', () => {
  beforeEach(async () => {
    await bring(SCHOOL);
  });
  const counts = async (texts: Texts) => {
    const { ok, add, change, end, problems } = await bring(texts);
    expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
    expect(ok).toBe(true);
    return { add, change, end };
  };
  test('missing from a bulk is ended, and who is ended is enrolled nowhere; back again counts as added', async () => {
    const without = school({
      'users.csv': (SCHOOL['users.csv'] ?? '').replace(/u1,.*\n/, ''),
      'roles.csv': (SCHOOL['roles.csv'] ?? '').replace(/r1,.*\n/, ''),
    });
    expect(await counts(without)).toEqual({
      add: {},
      change: {},
      end: { users: 1, roles: 1, enrollments: 1 },
    });
    expect(await counts(SCHOOL)).toEqual({
      add: { users: 1, roles: 1, enrollments: 1 },
      change: {},
      end: {},
    });
  });
  test('only kinds that were brought are touched', async () => {
    const some = { 'manifest.csv': manifest('bulk', '1.2', ['orgs']), 'orgs.csv': SCHOOL['orgs.csv'] ?? '' };
    expect(await counts(some)).toEqual({ add: {}, change: {}, end: {} });
  });
  test('disabled is a change; a new date alone is none; columns in another order, or left out, say nothing new', async () => {
    expect(await counts(changed('users.csv', 'u1,,,true', 'u1,,,false'))).toEqual({
      add: {},
      change: { users: 1 },
      end: {},
    });
    expect(await counts(changed('users.csv', 'u1,,,true', 'u1,,2026-09-01,false'))).toEqual({
      add: {},
      change: {},
      end: {},
    });
    const turned =
      'type,name,sourcedId\ndistrict,Skerry District,d1\nschool,Harbour School,s1\nschool,Lantern School,s2\n';
    expect(await counts(changed('users.csv', 'u1,,,true', 'u1,,,false'))).toEqual({
      add: {},
      change: {},
      end: {},
    });
    expect(await counts({ ...changed('users.csv', 'u1,,,true', 'u1,,,false'), 'orgs.csv': turned })).toEqual({
      add: {},
      change: {},
      end: {},
    });
  });
  test('a delta adds, changes and ends what it names', async () => {
    const delta = {
      'manifest.csv': manifest('delta', '1.2', ['users', 'roles']),
      'users.csv':
        'sourcedId,status,dateLastModified,enabledUser,username,givenName,familyName\nu3,active,2026-09-01,true,tomas,Tomas,Okafor\nu2,active,2026-09-01,true,petra,Petra,Vance\nu1,tobedeleted,2026-09-01,,,,\n',
      'roles.csv':
        'sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId\nr3,active,2026-09-01,u3,primary,student,,,s1\n',
    };
    expect(await counts(delta)).toEqual({
      add: { users: 1, roles: 1 },
      change: { users: 1 },
      end: { users: 1, enrollments: 1 },
    });
  });
  test('with an error nothing is done, and nothing is counted', async () => {
    const bad = school({
      'users.csv': `${SCHOOL['users.csv'] ?? ''}u3,,,true,tomas,Tomas,Okafor,\nu4,,,maybe,ines,Ines,Lindqvist,\n`,
    });
    const report = await bring(bad);
    expect(report).toMatchObject({ ok: false, add: {}, change: {}, end: {} });
    expect(await counts(SCHOOL)).toEqual({ add: {}, change: {}, end: {} });
  });
});

describe('errors, each by file and the line its record begins on', () => {
  test.each<[string, Readonly<Record<string, string | Uint8Array>>, string]>([
    [
      'user names that differ in case',
      changed('users.csv', 'petra', 'WREN'),
      'duplicate-username users.csv:3',
    ],
    ['a class at no school', changed('classes.csv', ',s1,y1', ',d1,y1'), 'no-school classes.csv:2'],
    ['a long sourcedId', changed('orgs.csv', 's2,', `${'s'.repeat(256)},`), 'bad-value orgs.csv:4'],
    [
      'dates reversed',
      changed('enrollments.csv', 'true,,', 'true,2026-10-01,2026-09-01'),
      'bad-date enrollments.csv:3',
    ],
    ['another version', school({ 'manifest.csv': manifest('bulk', '2.0') }), 'wrong-version manifest.csv:0'],
    ['another mode', school({ 'manifest.csv': manifest('some') }), 'wrong-mode manifest.csv:0'],
    [
      'another encoding',
      { ...SCHOOL, 'users.csv': Uint8Array.from([0x66, 0xfc, 0x72]) },
      'unreadable users.csv:0',
    ],
    ['an empty file', school({ 'roles.csv': '' }), 'unreadable roles.csv:1'],
    ['a sourcedId twice', changed('orgs.csv', 's2,', 's1,'), 'duplicate-id orgs.csv:4'],
    [
      'a reference to nothing',
      changed('enrollments.csv', 'e2,,,k1', 'e2,,,k9'),
      'unknown-reference enrollments.csv:3',
    ],
    [
      'an unknown word',
      changed('roles.csv', 'primary,teacher', 'primary,captain'),
      'unknown-word roles.csv:3',
    ],
    [
      'an impossible day',
      changed('academicSessions.csv', '2027-07-31', '2027-02-30'),
      'bad-date academicSessions.csv:2',
    ],
    [
      'a ragged row after a cell of two lines',
      school({ 'users.csv': `${SCHOOL['users.csv'] ?? ''}u3,,,true\n` }),
      'ragged-row users.csv:5',
    ],
    [
      'a column that must be there',
      changed('orgs.csv', 'name,type', 'title,type'),
      'missing-column orgs.csv:1',
    ],
    [
      'a cell that must be there',
      changed('users.csv', 'Wren,Halloran', 'Wren,'),
      'missing-value users.csv:2',
    ],
  ])('%s', async (_what, texts, expected) => {
    const report = await bring(texts);
    expect(report.ok).toBe(false);
    expect(problemsOf(report)).toContain(`error ${expected}`);
    expect(report.add).toEqual({});
  });
  test('a file promised and missing', async () => {
    const { 'roles.csv': _missing, ...rest } = SCHOOL;
    expect(problemsOf(await bring(rest))).toContain('error missing-file manifest.csv:0');
  });
});

describe('notes, with which it is applied', () => {
  test.each<[string, Texts, string]>([
    ['to be deleted in a bulk', changed('orgs.csv', 's2,,', 's2,tobedeleted,'), 'ends-in-bulk orgs.csv:4'],
    [
      'to be deleted and not known',
      changed('orgs.csv', 's2,,', 's2,tobedeleted,'),
      'ends-unknown orgs.csv:4',
    ],
    [
      'nobody’s role',
      school({ 'roles.csv': (SCHOOL['roles.csv'] ?? '').replace(/r2.*\n/, '') }),
      'no-role users.csv:3',
    ],
    [
      'enrolled twice at a time',
      school({
        'enrollments.csv': `${SCHOOL['enrollments.csv'] ?? ''}e3,,,k1,s1,u1,student,,2026-09-01,2026-10-01\n`,
      }),
      'enrolled-twice enrollments.csv:4',
    ],
    [
      'at another school than the class',
      changed('enrollments.csv', 'k1,s1,u1', 'k1,s2,u1'),
      'other-school enrollments.csv:2',
    ],
    [
      'a file the manifest calls absent',
      school({
        'manifest.csv': manifest('bulk').replace('file.enrollments,bulk', 'file.enrollments,absent'),
      }),
      'file-skipped enrollments.csv:0',
    ],
    [
      'an unknown column',
      school({
        'orgs.csv':
          'sourcedId,name,type,motto,metadata.flag\ns1,Harbour School,school,x,y\nd1,District,district,,\ns2,L,school,,\n',
      }),
      'unknown-column orgs.csv:1',
    ],
  ])('%s', async (_what, texts, expected) => {
    const report = await bring(texts);
    expect(report.problems.filter(({ severity }) => severity === 'error')).toEqual([]);
    expect(problemsOf(report)).toContain(`warning ${expected}`);
    expect(report.ok).toBe(true);
    expect(report.add.users).toBe(2);
  });
  test('columns of metadata are kept quiet about, and a delta without dates is not', async () => {
    const report = await bring(
      school({
        'orgs.csv': 'sourcedId,name,type,metadata.flag\ns1,H,school,y\nd1,D,district,\ns2,L,school,\n',
      }),
    );
    expect(report.problems).toEqual([]);
    const delta = await bring({
      'manifest.csv': manifest('delta', '1.2', ['orgs']),
      'orgs.csv': 'sourcedId,status,dateLastModified,name,type\ns3,active,,Outer School,school\n',
    });
    expect(problemsOf(delta)).toEqual(['warning no-date orgs.csv:2']);
  });
});

test('version 1.1 has roles and schools in its users', async () => {
  const { 'roles.csv': _roles, ...rest } = SCHOOL;
  const report = await bring({
    ...rest,
    'manifest.csv': manifest(
      'bulk',
      '1.1',
      FILES.filter((one) => one !== 'roles'),
    ),
    'users.csv':
      'sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,givenName,familyName\nu1,,,true,"s1,s2",student,wren,Wren,Halloran\nu2,,,true,s1,teacher,petra,Petra,Vance\n',
  });
  expect(report).toMatchObject({ ok: true, problems: [], add: { users: 2, enrollments: 2 } });
});

test('one folder inside and a desktop’s litter are read past; without a manifest there is no roster', async () => {
  const inside = Object.fromEntries(Object.entries(SCHOOL).map(([path, text]) => [`export/${path}`, text]));
  const litter = { '__MACOSX/export/._users.csv': 'x', '.DS_Store': 'x', 'export/Thumbs.db': 'x' };
  expect(await bring({ ...inside, ...litter })).toMatchObject({ ok: true, add: ALL, problems: [] });
  await expect(bring({})).rejects.toThrow(UnreadableRoster);
});

test('a password is never kept in clear', async () => {
  const report = await bring(SCHOOL);
  expect(JSON.stringify(report)).not.toContain('kelp-and-tide');
  const rows = db.prepare<[], Record<string, unknown>>('SELECT * FROM roster_records').all();
  expect(JSON.stringify(rows)).not.toContain('kelp-and-tide');
  const hashes = rows.filter((one) => one.password_hash !== null);
  expect(hashes.map((one) => one.sourced_id)).toEqual(['u1']);
  expect(String(hashes[0]?.password_hash)).toMatch(/^\$argon2id\$/);
});
