import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import english from '@messages/en.json';
import { INTERACTIONS } from '@/core/interactions';

function sources(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return /\.ts$/.test(entry.name) && !/\.test\./.test(entry.name) ? [readFileSync(path, 'utf8')] : [];
  });
}

test('every code that an interaction can miss has its words', () => {
  const codes = new Set(
    sources('src/core/interactions').flatMap((text) =>
      [...text.matchAll(/(?:empty|partial)\('([A-Za-z]+)'/g)].map((found) => found[1] ?? ''),
    ),
  );
  expect(codes.size).toBeGreaterThan(5);
  expect([...codes].filter((code) => !(code in english.missing))).toEqual([]);
});

test('every interaction of the core has its look, and no look is without one', () => {
  const registry = readFileSync('src/ui/interactions/index.ts', 'utf8');
  const folders = readdirSync('src/ui/interactions', { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'shared')
    .map((entry) => entry.name);
  expect(folders.sort()).toEqual(INTERACTIONS.map((one) => one.type).sort());
  for (const folder of folders) expect(registry).toContain(`from './${folder}'`);
});
