import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { licencesIn, type Lock } from './licences';

const say = (line: string) => process.stdout.write(`${line}\n`);

interface Audit {
  readonly metadata?: { readonly vulnerabilities: Readonly<Record<string, number>> };
  readonly vulnerabilities?: Readonly<Record<string, { readonly severity: string; readonly range: string }>>;
}

/** What the registry knows of: null where its advisory service is out of reach. */
function advisories(): readonly string[] | null {
  const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], {
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  let audit: Audit;
  try {
    audit = JSON.parse(stdout) as Audit;
  } catch {
    return null;
  }
  if (!audit.metadata) return null;
  return Object.entries(audit.vulnerabilities ?? {}).map(
    ([name, { severity, range }]) => `${name} ${range}: ${severity}`,
  );
}

/**
 * npm run dependencies:check: the licences of what is shipped, and what is known to be wrong with it (docs/security.md).
 * Exit 0 where nothing is; 1 with a licence that may not be shipped, or an advisory; 2 where advisories could not be looked at.
 */
function main(): void {
  const { counts, accepted, refused } = licencesIn(
    JSON.parse(readFileSync('package-lock.json', 'utf8')) as Lock,
  );
  for (const [licence, count] of [...counts].sort(([, a], [, b]) => b - a)) say(`${count} × ${licence}`);
  for (const { name, licence, why } of accepted) say(`accepted: ${name} (${licence}): ${why}`);
  for (const { name, licence } of refused) say(`REFUSED: ${name} (${licence})`);
  const known = advisories();
  if (known === null)
    say('advisories: the registry’s service for them is out of reach, so they were NOT looked at');
  else if (known.length === 0) say('advisories: none known');
  else for (const one of known) say(`ADVISORY: ${one}`);
  process.exitCode = refused.length > 0 || (known?.length ?? 0) > 0 ? 1 : known === null ? 2 : 0;
}

main();
