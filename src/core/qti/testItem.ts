import type { PackageFiles } from './package';
import { readItem } from './readItem';
import { reporterFor, type Problem } from '../xml/problem';
import { parseXml } from '../xml/xml';
import type { Item } from '../item/item';

/** A package in memory, for tests: path → text. */
export const filesFrom = (sources: Readonly<Record<string, string>>): PackageFiles => ({
  paths: new Set(Object.keys(sources)),
  read: (path) => new TextEncoder().encode(sources[path]),
});

/** Reads an item from a fragment, for tests: declarations, body and processing inside a `qti-assessment-item`. */
export function itemFrom(
  inside: string,
  attributes = '',
  sources: Readonly<Record<string, string>> = {},
): { item: Item; problems: Problem[] } {
  const problems: Problem[] = [];
  const root = parseXml(
    `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="test" title="Test" ${attributes}>${inside}</qti-assessment-item>`,
  );
  const item = readItem(root, {
    report: reporterFor('item.xml', problems),
    asset: (href) => href,
    pdf: (href) => href,
    document: (href) => href,
    source: (href) => sources[href] ?? null,
    styles: () => [],
    stimulus: (_href, identifier) => identifier,
    page: (path) => ({ path, title: '' }),
  });
  if (!item) throw new Error('the fragment is no item');
  return { item, problems };
}

export const SCORE = '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>';
