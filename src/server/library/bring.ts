import type { PackageReport } from '@/core/wire/library';
import { readPackage, UnreadablePackage, type PackageFiles } from '@/core/qti/package';
import type { Problem } from '@/core/xml/problem';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { contentHash, importPackage } from './library';

/** What is said of a package that cannot be read at all. */
const unreadable = (problems: readonly Problem[]): PackageReport => ({
  ok: false,
  identifier: '',
  standing: 'new',
  items: 0,
  tests: [],
  problems,
});

function standingOf(db: Db, identifier: string, hash: string): PackageReport['standing'] {
  const versions = prepared<[string], { content_hash: string }>(
    db,
    'SELECT content_hash FROM packages WHERE identifier = ? AND complete = 1 ORDER BY imported_at DESC, id DESC',
  ).all(identifier);
  const place = versions.findIndex((one) => one.content_hash === hash);
  if (place >= 0) return place === 0 ? 'here' : 'older';
  return versions.length > 0 ? 'newer' : 'new';
}

/**
 * Says what a package would bring into the library, by the reader that imports; with `bring` does it, whole or not at all. Without a
 * test that can be given nothing is brought. What is wrong is in the report, by file and line.
 */
export function bringPackage(
  db: Db,
  files: () => PackageFiles,
  { bring, now }: { readonly bring: boolean; readonly now: number },
): PackageReport {
  try {
    const read = files();
    const { identifier, items, tests, problems } = readPackage(read);
    const report: PackageReport = {
      ok: tests.length > 0,
      identifier,
      standing: standingOf(db, identifier, contentHash(read)),
      items: items.size,
      tests: tests.map(({ title }) => title),
      problems,
    };
    if (bring && report.ok) importPackage(db, read, now);
    return report;
  } catch (error) {
    if (!(error instanceof UnreadablePackage)) throw error;
    return unreadable(error.problems);
  }
}
