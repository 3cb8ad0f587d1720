import type { Catalog, CatalogCard } from '../item/catalog';
import type { Content } from '../content/content';
import { childOf, elementsOf, textOf, type XmlElement } from '../xml/xml';
import type { Reporter } from '../xml/problem';
import type { ContentReader } from './readContent';

/** Supports that no screen can give; they are named in the report (QTI 3.0, support names, from memory). */
const NOT_ON_A_SCREEN = new Set(['tactile', 'braille']);

/** Reads `qti-catalog-info`: cards with words, pictures, sound or film. What cannot be shown is named in the report. */
export function readCatalog(
  root: XmlElement,
  reader: ContentReader,
  report: Reporter,
  asset: (href: string, line: number) => string | null,
): Catalog {
  const info = childOf(root, 'qti-catalog-info');
  const entries = (info ? elementsOf(info, 'qti-catalog') : []).map((catalog) => {
    const id = catalog.attributes.id ?? '';
    if (id === '')
      report.warn('catalog-set-aside', catalog.line, 'a catalog entry without an id is set aside');
    return [
      id,
      elementsOf(catalog, 'qti-card').flatMap((card) => readCard(card, reader, report, asset)),
    ] as const;
  });
  return Object.fromEntries(entries.filter(([id, cards]) => id !== '' && cards.length > 0));
}

function readCard(
  card: XmlElement,
  reader: ContentReader,
  report: Reporter,
  asset: (href: string, line: number) => string | null,
): CatalogCard[] {
  const { support = '' } = card.attributes;
  if (support === '' || NOT_ON_A_SCREEN.has(support)) {
    report.warn(
      'catalog-set-aside',
      card.line,
      `the card for "${support}" is set aside: no screen can show it`,
    );
    return [];
  }
  const entries = elementsOf(card, 'qti-card-entry');
  const parts = entries.length > 0 ? entries : [card];
  return parts.flatMap((part) => {
    const html = childOf(part, 'qti-html-content');
    const file = childOf(part, 'qti-file-href');
    const content = html ? reader.children(html) : file ? fileContent(file, report, asset) : [];
    if (content.length === 0) {
      report.warn(
        'catalog-set-aside',
        part.line,
        `the card for "${support}" has nothing to show and is set aside`,
      );
      return [];
    }
    const language = part.attributes['xml:lang'] ?? card.attributes['xml:lang'] ?? null;
    return [{ support, language, content }];
  });
}

/** A sound, a film or a picture of the package, as content. */
function fileContent(
  file: XmlElement,
  report: Reporter,
  asset: (href: string, line: number) => string | null,
): Content {
  const path = asset(textOf(file).trim(), file.line);
  if (path === null) return [];
  const [kind = ''] = (file.attributes['mime-type'] ?? '').split('/');
  const name = { audio: 'audio', video: 'video', image: 'img' }[kind];
  if (name === undefined) {
    report.warn(
      'catalog-set-aside',
      file.line,
      'a card with a file of another kind than sound, film or picture is set aside',
    );
    return [];
  }
  const attributes: Record<string, string> = name === 'img' ? { src: path, alt: '' } : { src: path };
  return [{ kind: 'element', namespace: 'html', name, attributes, children: [] }];
}
