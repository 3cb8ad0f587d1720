import { trimmed, type Stretch } from '@/core/annotate/units';

/** Places whose words are not part of the text that can be marked: answer places, buttons, hidden words. */
export const NOT_TEXT =
  'button, select, input, textarea, math-field, [data-no-text], [role=button], .visually-hidden, .ML__latex';

/** The text nodes of an element in reading order, without answer places. */
export function textNodesOf(root: HTMLElement): Text[] {
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_TEXT, {
    acceptNode: (node) => {
      if (node instanceof Element)
        return node.matches(NOT_TEXT) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_SKIP;
      return NodeFilter.FILTER_ACCEPT;
    },
  });
  const nodes: Text[] = [];
  while (walker.nextNode()) nodes.push(walker.currentNode as Text);
  return nodes;
}

/** The text that anchors count in. */
export function textOf(root: HTMLElement): string {
  return textNodesOf(root)
    .map((node) => node.data)
    .join('');
}

/** What begins a paragraph of its own: nothing that is read runs over its edge. */
export const BLOCK =
  'p, li, td, th, dt, dd, h1, h2, h3, h4, h5, h6, blockquote, figcaption, caption, label, legend, summary, div, section, [data-text-root]';

/** Where paragraphs, headings and cells begin in the text, in letters. */
export function blockStarts(root: HTMLElement): number[] {
  const starts: number[] = [];
  let at = 0;
  let before: Element | null = null;
  for (const node of textNodesOf(root)) {
    const block = node.parentElement?.closest(BLOCK) ?? null;
    if (block !== before) starts.push(at);
    before = block;
    at += node.length;
  }
  return starts;
}

/** The text node and letter in it of a place in the text. */
export function pointAt(root: HTMLElement, place: number): { node: Text; offset: number } | null {
  let at = 0;
  for (const node of textNodesOf(root)) {
    if (place < at + node.length) return { node, offset: place - at };
    at += node.length;
  }
  return null;
}

/**
 * DOM ranges for a stretch of the text, one per text node, so that nothing between (an answer box) is painted. Static ones: they stay
 * on their words when a sheet is put into another place of the page, where live ones would fall out of it.
 */
export function rangesFor(root: HTMLElement, start: number, end: number): StaticRange[] {
  const ranges: StaticRange[] = [];
  let at = 0;
  for (const node of textNodesOf(root)) {
    const from = Math.max(start, at);
    const to = Math.min(end, at + node.length);
    if (to > from && node.data.slice(from - at, to - at).trim() !== '') {
      ranges.push(
        new StaticRange({
          startContainer: node,
          startOffset: from - at,
          endContainer: node,
          endOffset: to - at,
        }),
      );
    }
    at += node.length;
  }
  return ranges;
}

/** The stretch of the text a selection covers; null when it covers none of it. Blanks at the ends are left out. */
export function stretchOf(root: HTMLElement, selection: Range): Stretch | null {
  let at = 0;
  let start = -1;
  let end = -1;
  for (const node of textNodesOf(root)) {
    if (selection.intersectsNode(node)) {
      const from = node === selection.startContainer ? selection.startOffset : 0;
      const to = node === selection.endContainer ? selection.endOffset : node.length;
      if (to > from) {
        if (start < 0) start = at + from;
        end = at + to;
      }
    }
    at += node.length;
  }
  return start < 0 ? null : trimmed(textOf(root), { start, end });
}
