import { spawn } from 'node:child_process';
import { boundedQueue } from './accounts/queue';
import { Refusal } from './refusal';

/** A program of ours: what works on packages and rosters, and what works out the results of a test that many have taken. */
export type Program = 'package-import' | 'package-export' | 'roster' | 'results';

/** What a program may take: reading a package of a hundred questions takes a second, figures of ten thousand attempts half a minute. */
const LIMITS = { memoryMb: 1_500, ms: 120_000 } as const;
/** So many packages and rosters at once, a third is told to wait; results one after the other: a school's machine has answers to keep besides. */
const MOST_PACKAGES = 2;
const results = boundedQueue(1, 50);
/** Letters of what it says that are kept: a report of thousands of lines. */
const MOST_SAID = 60_000_000;

let packages = 0;

/** As it was built; where nothing is (development, unit tests), as it is written. */
const commandOf = (program: Program): string[] =>
  process.env.NODE_ENV === 'production'
    ? [`.next/able/${program}.mjs`]
    : ['--import', 'tsx', `src/cli/${program}.ts`];

/**
 * Runs what takes long apart from the server: a program that takes all memory or time ends its own process, and nobody's saving waits
 * for it.
 * @returns what it wrote to its standard output
 * @throws Refusal `busy` while others run, `cannot-be-read` where it took too much or broke off
 */
export async function inChild(program: Program, args: readonly string[]): Promise<string> {
  if (program === 'results') return results(() => run(program, args));
  if (packages >= MOST_PACKAGES) throw new Refusal('busy', 503);
  packages += 1;
  try {
    return await run(program, args);
  } finally {
    packages -= 1;
  }
}

const run = (program: Program, args: readonly string[]): Promise<string> =>
  new Promise((resolve, reject) => {
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
