import { readFileSync } from 'node:fs';
import { licencesIn, type Lock } from './licences';

const lockOf = (packages: Lock['packages']): Lock => ({ packages: { '': { license: 'MIT' }, ...packages } });

test('everything that is shipped here may be: its licence is free, or it is accepted with a reason', () => {
  const { counts, accepted, refused } = licencesIn(
    JSON.parse(readFileSync('package-lock.json', 'utf8')) as Lock,
  );
  expect(refused).toEqual([]);
  expect(counts.get('MIT')).toBeGreaterThan(100);
  expect(accepted.map(({ name }) => name)).toContain('caniuse-lite');
});
test.each<[what: string, packages: Lock['packages'], refused: string[]]>([
  ['one of several licences is enough', { 'node_modules/a': { license: '(MIT OR GPL-3.0-only)' } }, []],
  ['all of several are needed', { 'node_modules/a': { license: 'MIT AND GPL-3.0-only' } }, ['a']],
  ['none at all', { 'node_modules/a': {} }, ['a']],
  ['words that are no licence', { 'node_modules/a': { license: 'SEE LICENSE IN x' } }, ['a']],
  ['one inside another', { 'node_modules/b/node_modules/@s/a': { license: 'AGPL-3.0-only' } }, ['@s/a']],
  [
    'what only builds and tests is left out',
    { 'node_modules/a': { license: 'GPL-3.0-only', dev: true } },
    [],
  ],
])('%s', (_what, packages, refused) =>
  expect(licencesIn(lockOf(packages)).refused.map(({ name }) => name)).toEqual(refused),
);
