import { readFileSync, writeFileSync } from 'node:fs';
import { readPackage, UnreadablePackage, type QtiPackage } from '@/core/qti/package';
import type { Problem } from '@/core/xml/problem';
import { filesAt } from '@/server/library/files';
import { stop } from './arguments';

/** Problems as lines for people: file, line, what. */
export const inLines = (problems: readonly Problem[]): string =>
  problems.map((one) => `${one.file}:${one.line}: ${one.message}`).join('\n');

/** The package at a path; ends with 2 when it cannot be read. */
export function packageAt(path: string): QtiPackage {
  try {
    return readPackage(filesAt(path));
  } catch (error) {
    if (!(error instanceof UnreadablePackage)) throw error;
    return stop(inLines(error.problems), 2);
  }
}

/** What a JSON file holds; ends with 2 when it cannot be read. */
export function jsonAt(path: string): unknown {
  try {
    return JSON.parse(readFileSync(path, 'utf8'));
  } catch (error) {
    return stop(
      `${path} cannot be read as JSON: ${error instanceof Error ? error.message : String(error)}`,
      2,
    );
  }
}

/** Writes a result as JSON into `out`, or to standard output. */
export function writeJson(result: unknown, out: string | undefined): void {
  const text = `${JSON.stringify(result, null, 2)}\n`;
  if (out) writeFileSync(out, text);
  else process.stdout.write(text);
}
