import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { filesAt } from '../../src/server/library/files';
import { expect, type App } from './app';

/** The benchmark as another version: with one word changed, and a script that is set aside. */
export function anotherVersion(): Buffer {
  const files = filesAt('content/skerry-sound-grade-6');
  const entries = Object.fromEntries([...files.paths].map((path) => [path, files.read(path)]));
  const change = (path: string, from: string, to: string) => {
    const text = new TextDecoder().decode(entries[path]);
    expect(text).toContain(from);
    entries[path] = new TextEncoder().encode(text.replace(from, to));
  };
  change('items/reading-1.xml', '<qti-value>B</qti-value>', '<qti-value>A</qti-value>');
  change('items/reading-3.xml', '</qti-item-body>', '<p onclick="x()">See?</p></qti-item-body>');
  return Buffer.from(zipSync(entries));
}

/** Brings it as a school does from the command line, while the app runs. */
export function bringAnotherVersion(app: App): void {
  const file = join(app.folder, 'another.zip');
  writeFileSync(file, anotherVersion());
  const { status } = spawnSync(process.execPath, ['.next/able/package-import.mjs', file, '--apply'], {
    env: { ...process.env, ABLE_DATA_DIR: app.folder },
  });
  expect(status).toBe(0);
}
