// What demo, tests and benchmarks share: dependencies, the production build, the browser.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

process.chdir(join(import.meta.dirname, '..'));
process.env.NEXT_TELEMETRY_DISABLED = '1';
export const dataDir = resolve(process.env.ABLE_DATA_DIR ?? '.data');
process.env.ABLE_DATA_DIR = dataDir;

export const say = (words) => console.log(`\n▸ ${words}`);

/** Runs a command and stops with its code when it fails. */
export function run(command, args, { mayStop = false, env = {} } = {}) {
  const { status, signal, error } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  if (error) {
    console.error(`could not run ${command}: ${error.message}`);
    process.exit(1);
  }
  if (signal && mayStop) process.exit(0);
  if (status !== 0) {
    console.error(`\n${[command, ...args].join(' ')} ended with ${status ?? signal}`);
    process.exit(status ?? 1);
  }
}
export const node = (args, options) => run(process.execPath, args, options);

const digest = (texts) => {
  const hash = createHash('sha256');
  for (const text of texts) hash.update(text);
  return hash.digest('hex');
};
const unchanged = (stamp, value) => existsSync(stamp) && readFileSync(stamp, 'utf8') === value;

const DEPENDENCIES = 'node_modules/.able-stamp';
const wantedDependencies = () => digest([readFileSync('package-lock.json'), process.version]);

/** Fetches what package-lock.json names, once, and says whether it did: then what is compiled here still has to be (`COMPILE`). */
export function fetchDependencies() {
  if (unchanged(DEPENDENCIES, wantedDependencies())) return false;
  say('fetching dependencies');
  run('npm', ['ci', '--no-audit', '--no-fund', '--ignore-scripts']);
  return true;
}
export const COMPILE = ['npm', ['rebuild']];
export const dependenciesAreReady = () => writeFileSync(DEPENDENCIES, wantedDependencies());

/** Fetches and compiles the dependencies, once. */
export function ensureDependencies() {
  if (!fetchDependencies()) return;
  say('compiling better-sqlite3 (two to four minutes)');
  run(...COMPILE);
  dependenciesAreReady();
}

function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .flatMap((entry) =>
      entry.isDirectory() ? filesBelow(join(folder, entry.name)) : [join(folder, entry.name)],
    )
    .sort();
}

/** Builds the app for production when its sources changed. */
export function ensureBuild() {
  const sources = [
    ...filesBelow('src'),
    ...filesBelow('messages'),
    'package-lock.json',
    'scripts/bundle.mjs',
    'next.config.ts',
    'tsconfig.json',
  ].filter((file) => statSync(file).isFile() && !/\.test\.tsx?$/.test(file));
  const stamp = '.next/able-stamp';
  const wanted = digest(sources.flatMap((file) => [file, readFileSync(file)]));
  if (unchanged(stamp, wanted)) return;
  say('building the app (about a minute)');
  node(['node_modules/next/dist/bin/next', 'build']);
  node(['scripts/bundle.mjs']);
  mkdirSync('.next', { recursive: true });
  writeFileSync(stamp, wanted);
}

/** Debian's Chromium, through apt-get when it is missing. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  say("installing Debian's Chromium for the browser tests");
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', 'chromium'], { env: { DEBIAN_FRONTEND: 'noninteractive' } });
}
