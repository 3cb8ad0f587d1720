// npm test: everything, from a clean clone. Says what it does while it does it, and ends with the counts.
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import {
  COMPILE,
  dependenciesAreReady,
  ensureBuild,
  ensureChromium,
  fetchDependencies,
  say,
} from './setup.mjs';

const fetched = fetchDependencies();
const program = (name, file, args) => [name, process.execPath, [`node_modules/${file}`, ...args]];
const CHECKS = [
  program('lint', 'eslint/bin/eslint.js', ['.']),
  program('types', 'typescript/bin/tsc', ['--noEmit']),
  program('format', 'prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']),
  program('import rules', 'dependency-cruiser/bin/dependency-cruise.mjs', [
    '--config',
    '.dependency-cruiser.cjs',
    'src',
  ]),
  program('lint of style sheets', 'stylelint/bin/stylelint.mjs', ['src/**/*.css']),
];
const UNIT_TESTS = program('unit tests', 'jest/bin/jest.js', ['--silent', '--maxWorkers=100%']);
const BROWSER_TESTS = program('browser tests', '@playwright/test/cli.js', ['test']);

const counts = { passed: 0, failed: 0 };
const failedSteps = [];

/** Adds up what Jest and Playwright print of passed and failed tests. */
function count(output) {
  const plain = output.replace(/\u001b\[[0-9;]*m/g, '');
  const jest = /^Tests:\s+(?:(\d+) failed, )?(?:\d+ skipped, )?(\d+) passed/m.exec(plain);
  if (jest) {
    counts.failed += Number(jest[1] ?? 0);
    counts.passed += Number(jest[2]);
  }
  const passed = /^\s+(\d+) passed \(/m.exec(plain);
  const failed = /^\s+(\d+) failed$/m.exec(plain);
  if (!jest) {
    counts.passed += Number(passed?.[1] ?? 0);
    counts.failed += Number(failed?.[1] ?? 0);
  }
}

/** Runs a step. What it says is shown at once where it runs alone, else when it has ended: steps side by side do not mix theirs. */
async function take([name, command, args], { alone = false } = {}) {
  say(name);
  const start = Date.now();
  const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
  let output = '';
  for (const stream of [child.stdout, child.stderr])
    stream.setEncoding('utf8').on('data', (text) => {
      output += text;
      if (alone) process.stdout.write(text);
    });
  const status = await new Promise((resolve) => child.once('close', resolve));
  if (!alone) process.stdout.write(output);
  count(output);
  console.log(`${name}: ${status === 0 ? 'fine' : 'FAILED'} (${Math.round((Date.now() - start) / 1000)} s)`);
  if (status !== 0) failedSteps.push(name);
}

// Checks that read files use one processor each: as many side by side as there are. Tests have the machine to themselves.
const compile = ['compiling better-sqlite3', ...COMPILE];
const waiting = fetched ? [compile, ...CHECKS] : [...CHECKS];
const next = async () => {
  for (let step = waiting.shift(); step; step = waiting.shift()) await take(step);
};
await Promise.all(Array.from({ length: availableParallelism() }, next));
if (fetched && !failedSteps.includes(compile[0])) dependenciesAreReady();
await take(UNIT_TESTS, { alone: true });
ensureChromium();
ensureBuild();
await take(BROWSER_TESTS, { alone: true });
if (failedSteps.length > 0) console.log(`\nfailed: ${failedSteps.join(', ')}`);
console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
process.exit(failedSteps.length > 0 ? 1 : 0);
