import type { Piece } from '@/core/tools/speech';
import { languageOf } from '../spokenMaths';
import { BLOCK, NOT_TEXT } from '../domText';

/** How a formula is spoken. */
export type SpokenMaths = (math: Element) => string;
/** Words that are spoken around what the page shows. */
export interface Around {
  readonly picture: (words: string) => string;
  readonly cell: (header: string) => string;
}

/** The words of the headers a cell stands under and beside (HTML, `scope` or the first row and column). */
function headerOf(cell: HTMLTableCellElement): string {
  const row = cell.parentElement as HTMLTableRowElement | null;
  const table = cell.closest('table');
  if (!row || !table) return '';
  const beside = [...row.cells].find((one) => one !== cell && one.tagName === 'TH');
  const above = [...(table.rows[0]?.cells ?? [])][cell.cellIndex];
  return [above?.tagName === 'TH' && table.rows[0] !== row ? above : null, beside]
    .map((one) => one?.textContent.trim() ?? '')
    .filter((words) => words !== '')
    .join(', ');
}

/**
 * A text of the page in pieces, in reading order and counted as anchors count (domText): words as they stand, formulas and pictures as
 * they are spoken, cells with their headers. Answer places are left out: nobody's own writing is read.
 */
export function piecesOf(root: HTMLElement, maths: SpokenMaths, around: Around): readonly Piece[] {
  const pieces: Piece[] = [];
  const blocks = new Map<Element | null, number>();
  let at = 0;
  let block = 0;
  let cell: Element | null = null;
  const blockOf = (element: Element | null): number => {
    const key = element?.closest(BLOCK) ?? null;
    const known = blocks.get(key);
    // A block that goes on after another inside it is a new one to the ear.
    if (known === block) return known;
    block += 1;
    blocks.set(key, block);
    return block;
  };
  const put = (text: string, element: Element | null, say?: string) => {
    const language = languageOf(element);
    const inside = element?.closest('td') ?? null;
    const piece = { text, start: at, language, block: blockOf(element) };
    if (inside && inside !== cell) {
      const header = headerOf(inside);
      if (header !== '') pieces.push({ ...piece, text: '', say: around.cell(header) });
    }
    cell = inside;
    pieces.push(say === undefined ? piece : { ...piece, say });
    at += text.length;
  };
  const walk = (node: Node): void => {
    if (node instanceof Text) return put(node.data, node.parentElement);
    if (!(node instanceof Element) || node.matches(NOT_TEXT)) return;
    const spoken = node.getAttribute('data-spoken');
    if (spoken !== null) return put(lettersOf(node), node, spoken);
    const name = node.localName;
    if (name === 'math') return put(lettersOf(node), node, maths(node));
    if (name === 'img') {
      const alt = node.getAttribute('alt') ?? '';
      return alt === '' ? undefined : put('', node, around.picture(alt));
    }
    if (name === 'svg') {
      const label = node.getAttribute('aria-label') ?? node.querySelector('title')?.textContent ?? '';
      if (label !== '') return put(lettersOf(node), node, around.picture(label));
    }
    for (const child of node.childNodes) walk(child);
  };
  walk(root);
  return pieces;
}

/** The letters of an element as anchors count them. */
function lettersOf(element: Element): string {
  if (element.matches(NOT_TEXT)) return '';
  return [...element.childNodes]
    .map((node) => (node instanceof Text ? node.data : node instanceof Element ? lettersOf(node) : ''))
    .join('');
}
