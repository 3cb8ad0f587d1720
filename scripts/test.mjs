// npm test: everything, from a clean clone. Says what it does while it does it, and ends with the counts.
import { spawnSync } from 'node:child_process';
import { ensureBuild, ensureChromium, ensureDependencies, say } from './setup.mjs';

ensureDependencies();
const steps = [
  ['types', 'node_modules/typescript/bin/tsc', ['--noEmit']],
  ['format', 'node_modules/prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']],
  ['lint', 'node_modules/eslint/bin/eslint.js', ['.']],
  ['lint of style sheets', 'node_modules/stylelint/bin/stylelint.mjs', ['src/**/*.css']],
  [
    'import rules',
    'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
    ['--config', '.dependency-cruiser.cjs', 'src'],
  ],
  ['unit tests', 'node_modules/jest/bin/jest.js', ['--silent']],
  ['browser tests', 'node_modules/@playwright/test/cli.js', ['test']],
];

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

for (const [name, program, args] of steps) {
  say(name);
  if (name === 'browser tests') {
    ensureChromium();
    ensureBuild();
  }
  const start = Date.now();
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  process.stdout.write(stdout);
  process.stderr.write(stderr);
  count(`${stdout}\n${stderr}`);
  console.log(`${name}: ${status === 0 ? 'fine' : 'FAILED'} (${Math.round((Date.now() - start) / 1000)} s)`);
  if (status !== 0) failedSteps.push(name);
}
if (failedSteps.length > 0) console.log(`\nfailed: ${failedSteps.join(', ')}`);
console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
process.exit(failedSteps.length > 0 ? 1 : 0);
