import type { Item, Stimulus } from '../item/item';
import { sheetName } from '../item/materials';
import type { Test } from '../item/test';
import { decodeXml } from '../xml/decode';
import { reporterFor, type Problem } from '../xml/problem';
import { parseHtml } from '../xml/html';
import { ContentReader } from './readContent';
import { readStyles } from './readStyles';
import { readItem, readStimulus, type FileContext } from './readItem';
import { reportSlips } from './slips';
import { readTest } from './readTest';
import type { TestContext } from './testReader';
import { childOf, descendantsOf, elementsOf, parseXml, XmlError, type XmlElement } from '../xml/xml';

/** The files of a package, however they are kept: path (forward slashes, from the root) → bytes. */
export interface PackageFiles {
  readonly paths: ReadonlySet<string>;
  read(path: string): Uint8Array;
}

/** A package as read, with everything that is wrong with it. */
export interface QtiPackage {
  readonly identifier: string;
  readonly tests: readonly Test[];
  readonly items: ReadonlyMap<string, Item>;
  readonly stimuli: ReadonlyMap<string, Stimulus>;
  /** Pictures and other files that content uses. */
  readonly assets: ReadonlySet<string>;
  readonly problems: readonly Problem[];
  /** The files that were read as content and can be delivered, and those that cannot. */
  readonly sources: ReadonlyMap<string, SourceKind>;
  readonly refused: ReadonlySet<string>;
}
export type SourceKind = 'item' | 'stimulus' | 'test' | 'section';

/** The package as a whole cannot be read; `problems` says why. */
export class UnreadablePackage extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map((one) => `${one.file}:${one.line}: ${one.message}`).join('\n'));
    this.name = 'UnreadablePackage';
  }
}

const MANIFEST = 'imsmanifest.xml';

/** A path written in `from`, as a path from the package root; null when it leads outside or to another place. */
export function resolvePath(from: string, href: string): string | null {
  if (/^([a-z][a-z\d+.-]*:|\/\/)/i.test(href)) return null;
  const [path = ''] = href.split(/[?#]/);
  let decoded: string;
  try {
    decoded = decodeURIComponent(path);
  } catch {
    return null;
  }
  const parts = decoded.startsWith('/') ? [] : from.split('/').slice(0, -1);
  for (const part of decoded.split(/[/\\]/)) {
    if (part === '..') {
      if (parts.length === 0) return null;
      parts.pop();
    } else if (part !== '.' && part !== '') parts.push(part);
  }
  return parts.join('/');
}

interface Resource {
  readonly identifier: string;
  readonly type: string;
  readonly path: string;
  readonly line: number;
}

class PackageReader {
  readonly problems: Problem[] = [];
  readonly items = new Map<string, Item>();
  readonly stimuli = new Map<string, Stimulus>();
  readonly assets = new Set<string>();
  readonly sources = new Map<string, SourceKind>();
  readonly refused = new Set<string>();
  private readonly itemByPath = new Map<string, string>();
  private readonly stimulusByPath = new Map<string, string>();

  constructor(private readonly files: PackageFiles) {}

  xml(path: string): XmlElement | null {
    try {
      const root = parseXml(decodeXml(this.files.read(path)));
      if (path !== MANIFEST) reportSlips(root, reporterFor(path, this.problems));
      return root;
    } catch (error) {
      if (!(error instanceof XmlError)) throw error;
      reporterFor(path, this.problems).error('xml', error.line, `cannot be read as XML: ${error.message}`);
      return null;
    }
  }

  private resolve(from: string, href: string, line: number): string | null {
    const path = resolvePath(from, href);
    const report = reporterFor(from, this.problems);
    if (path === null) {
      report.error('outside-reference', line, `"${href}" leads outside the package; put the file into it`);
      return null;
    }
    if (!this.files.paths.has(path)) {
      report.error('missing-file', line, `"${href}" is not in the package`);
      return null;
    }
    return path;
  }

  private context(file: string): FileContext {
    return {
      report: reporterFor(file, this.problems),
      asset: (href, line) => {
        const path = this.resolve(file, href, line);
        if (path !== null) this.assets.add(path);
        return path;
      },
      stimulus: (href, _identifier, line) => {
        const path = this.resolve(file, href, line);
        return path === null ? null : (this.stimulusByPath.get(path) ?? this.stimulusAt(path));
      },
      pdf: (href, line) => {
        const path = this.resolve(file, href, line);
        if (path === null) return null;
        // The mark of a PDF stands near its beginning (ISO 32000-1, 7.5.2), and files are served by their names.
        const begins = new TextDecoder('latin1').decode(this.files.read(path).slice(0, 1_024));
        const report = reporterFor(file, this.problems);
        if (!begins.includes('%PDF-') || !/\.pdf$/i.test(path)) {
          report.warn(
            'companion-set-aside',
            line,
            `"${href}" is set aside: it is no PDF, or its name does not end in .pdf`,
          );
          return null;
        }
        this.assets.add(path);
        return path;
      },
      page: (href, line) => {
        const path = this.resolve(file, href, line);
        const page = path === null ? null : this.pageAt(path);
        return path === null || page === null ? null : { path, title: page.title };
      },
      source: (href) => {
        const path = resolvePath(file, href);
        return path === null || !this.files.paths.has(path)
          ? null
          : new TextDecoder().decode(this.files.read(path));
      },
      document: (href, line) => this.documentAt(file, href, line),
      styles: (href, line) => {
        const path = resolvePath(file, href);
        if (path === null || !this.files.paths.has(path)) {
          reporterFor(file, this.problems).warn(
            'stylesheet-set-aside',
            line,
            `the style sheet "${href}" is set aside: it is not in the package`,
          );
          return [];
        }
        // Carried along as it is, for whoever reads the package again.
        this.assets.add(path);
        return readStyles(new TextDecoder().decode(this.files.read(path)), reporterFor(path, this.problems));
      },
    };
  }

  /** A document that a link leads to: a PDF, or a page. A link to what is not in the package is named as every link outwards is. */
  private documentAt(file: string, href: string, line: number): string | null {
    const path = resolvePath(file, href);
    if (path === null || !this.files.paths.has(path)) return null;
    const context = this.context(file);
    if (/\.pdf$/i.test(href)) return context.pdf(href, line);
    return context.page(href, line)?.path ?? null;
  }

  /** A page is kept among the passages; its file is carried along as it is. */
  private pageAt(path: string): Stimulus | null {
    const identifier = sheetName({ path });
    const known = this.stimuli.get(identifier);
    if (known) return known;
    const context = this.context(path);
    const { report } = context;
    try {
      const { root, title } = parseHtml(decodeXml(this.files.read(path)));
      const reader = new ContentReader({
        report,
        shapes: new Map(),
        asset: (href, line) => context.asset(href, line),
      });
      const language = root.attributes.lang ?? null;
      const page = { identifier, title, language, body: reader.children(root), catalog: {} };
      this.stimuli.set(identifier, page);
      this.assets.add(path);
      return page;
    } catch (error) {
      if (!(error instanceof XmlError)) throw error;
      report.error('html', error.line, `cannot be read as HTML: ${error.message}`);
      return null;
    }
  }

  stimulusAt(path: string): string | null {
    const known = this.stimulusByPath.get(path);
    if (known !== undefined) return known;
    const root = this.xml(path);
    const stimulus = root && readStimulus(root, this.context(path));
    if (!stimulus) return null;
    this.stimuli.set(stimulus.identifier, stimulus);
    this.stimulusByPath.set(path, stimulus.identifier);
    this.sources.set(path, 'stimulus');
    return stimulus.identifier;
  }

  itemAt(path: string): string | null {
    const known = this.itemByPath.get(path);
    if (known !== undefined) return known;
    const before = this.problems.length;
    const root = this.xml(path);
    const item = root && readItem(root, this.context(path));
    if (!item) return null;
    if (this.items.has(item.identifier)) {
      this.refused.add(path);
      reporterFor(path, this.problems).error(
        'duplicate-item',
        1,
        `another item has the identifier ${item.identifier}`,
      );
      return null;
    }
    const refused = this.problems.slice(before).some((one) => one.severity === 'error' && one.file === path);
    this.itemByPath.set(path, item.identifier);
    if (refused) this.refused.add(path);
    else {
      this.items.set(item.identifier, item);
      this.sources.set(path, 'item');
    }
    return item.identifier;
  }

  testAt(path: string): Test | null {
    const root = this.xml(path);
    if (!root) return null;
    return readTest(root, this.testContext(path));
  }

  /** What a test file, or a section file it refers to, may ask for; paths are those written in that file. */
  private testContext(path: string): TestContext {
    const report = reporterFor(path, this.problems);
    return {
      report,
      asset: (href, line) => this.context(path).asset(href, line),
      document: (href, line) => this.documentAt(path, href, line),
      section: (href, line) => {
        const found = this.resolve(path, href, line);
        const root = found === null ? null : this.xml(found);
        if (found === null || root === null) return null;
        this.sources.set(found, 'section');
        return { root, context: this.testContext(found) };
      },
      item: (href, line) => {
        const found = this.resolve(path, href, line);
        const identifier = found === null ? null : this.itemAt(found);
        if (found !== null && (identifier === null || !this.items.has(identifier))) {
          report.error('refused-item', line, `the item in "${href}" is refused, so the test cannot be given`);
        }
        return identifier;
      },
    };
  }
}

function readManifest(
  reader: PackageReader,
  files: PackageFiles,
): { identifier: string; resources: Resource[] } {
  if (!files.paths.has(MANIFEST)) {
    throw new UnreadablePackage([
      {
        severity: 'error',
        code: 'no-manifest',
        file: MANIFEST,
        line: 0,
        message: 'the package has no imsmanifest.xml at its root',
      },
    ]);
  }
  const root = reader.xml(MANIFEST);
  if (!root || root.name !== 'manifest') {
    const fallback: Problem = {
      severity: 'error',
      code: 'no-manifest',
      file: MANIFEST,
      line: root?.line ?? 0,
      message: 'the file is not a manifest',
    };
    throw new UnreadablePackage(reader.problems.length > 0 ? reader.problems : [fallback]);
  }
  const list = childOf(root, 'resources');
  const resources = list ? elementsOf(list, 'resource') : descendantsOf(root, 'resource');
  return {
    identifier: root.attributes.identifier ?? 'package',
    resources: resources.flatMap((element) => {
      const href = element.attributes.href ?? childOf(element, 'file')?.attributes.href ?? '';
      const path = resolvePath(MANIFEST, href);
      const type = element.attributes.type ?? '';
      const known = path !== null && files.paths.has(path);
      if (!known && type.startsWith('imsqti')) {
        reporterFor(MANIFEST, reader.problems).error(
          'missing-file',
          element.line,
          `"${href}" is listed and not in the package`,
        );
      }
      return known
        ? [{ identifier: element.attributes.identifier ?? '', type, path, line: element.line }]
        : [];
    }),
  };
}

/**
 * Reads a whole package. Items with errors are refused and left out; tests that need one of them too. Everything wrong is
 * in `problems`.
 * @throws UnreadablePackage when there is no readable manifest
 */
export function readPackage(files: PackageFiles): QtiPackage {
  const reader = new PackageReader(files);
  const { identifier, resources } = readManifest(reader, files);
  const report = reporterFor(MANIFEST, reader.problems);
  const tests: Test[] = [];
  const of = (kind: string) => resources.filter((one) => one.type.startsWith(`imsqti_${kind}`));
  for (const { path } of of('stimulus')) reader.stimulusAt(path);
  for (const { path } of of('item')) reader.itemAt(path);
  for (const { path } of of('test')) {
    const before = reader.problems.length;
    const test = reader.testAt(path);
    const refused = reader.problems.slice(before).some((one) => one.severity === 'error');
    if (test && !refused) {
      tests.push(test);
      reader.sources.set(path, 'test');
    } else reader.refused.add(path);
  }
  for (const { type, line } of resources) {
    if (/^imsqti_/.test(type) && !/^imsqti_(test|item|stimulus|section|rptemplate|outcome)/.test(type)) {
      report.warn('resource-set-aside', line, `resources of type ${type} are set aside`);
    }
  }
  return {
    identifier,
    tests,
    items: reader.items,
    stimuli: reader.stimuli,
    assets: reader.assets,
    problems: reader.problems,
    sources: reader.sources,
    refused: reader.refused,
  };
}
