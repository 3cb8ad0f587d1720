import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { dataDir } from '../db/open';
import { Refusal } from '../refusal';

/** Where packages lie on their way in and out: beside the database. */
export function workFolder(): string {
  const folder = join(/*turbopackIgnore: true*/ dataDir(), 'uploads');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}

/** A program of ours that works on packages. */
export type Program = 'package-import' | 'package-export';

/** What reading a package may take: a hundred questions take a second, and pictures little. */
const LIMITS = { memoryMb: 1_500, ms: 120_000 } as const;
/** So many at once; a school's machine has answers to keep besides. */
const MOST = 2;
/** Letters of what it says that are kept: a report of thousands of lines. */
const MOST_SAID = 20_000_000;

let running = 0;

/** As it was built; where nothing is (development, unit tests), as it is written. */
const commandOf = (program: Program): string[] =>
  process.env.NODE_ENV === 'production'
    ? [`.next/able/${program}.mjs`]
    : ['--import', 'tsx', `src/cli/${program}.ts`];

/**
 * Runs what reads packages apart from the server: a package that takes all memory or time ends its own process, and nobody's saving
 * waits for it.
 * @returns what it wrote to its standard output
 * @throws Refusal `busy` while others run, `cannot-be-read` where it took too much or broke off
 */
export async function inChild(program: Program, args: readonly string[]): Promise<string> {
  if (running >= MOST) throw new Refusal('busy', 503);
  running += 1;
  try {
    return await new Promise<string>((resolve, reject) => {
      const child = spawn(
        process.execPath,
        [`--max-old-space-size=${LIMITS.memoryMb}`, ...commandOf(program), ...args],
        { env: process.env, stdio: ['ignore', 'pipe', 'inherit'], timeout: LIMITS.ms, killSignal: 'SIGKILL' },
      );
      let said = '';
      child.stdout.setEncoding('utf8');
      child.stdout.on('data', (piece: string) => {
        said += piece;
        if (said.length > MOST_SAID) child.kill('SIGKILL');
      });
      child.once('error', reject);
      child.once('close', (code) => {
        // Whatever it does it says; one that says nothing broke off.
        if (code === null || said === '') reject(new Refusal('cannot-be-read', 422));
        else resolve(said);
      });
    });
  } finally {
    running -= 1;
  }
}
