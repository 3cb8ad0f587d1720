import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { dataDir } from '../db/open';

/** Where packages lie on their way in and out: beside the database. */
export function workFolder(): string {
  const folder = join(/*turbopackIgnore: true*/ dataDir(), 'uploads');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
