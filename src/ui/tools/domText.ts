/** Places whose words are not part of the text that can be marked: answer places, buttons, hidden words. */
const NOT_TEXT =
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

/** DOM ranges for a stretch of the text, one per text node, so that nothing between (an answer box) is painted. */
export function rangesFor(root: HTMLElement, start: number, end: number): Range[] {
  const ranges: Range[] = [];
  let at = 0;
  for (const node of textNodesOf(root)) {
    const from = Math.max(start, at);
    const to = Math.min(end, at + node.length);
    if (to > from && node.data.slice(from - at, to - at).trim() !== '') {
      const range = document.createRange();
      range.setStart(node, from - at);
      range.setEnd(node, to - at);
      ranges.push(range);
    }
    at += node.length;
  }
  return ranges;
}

/** The stretch of the text a selection covers; null when it covers none of it. Blanks at the ends are left out. */
export function stretchOf(root: HTMLElement, selection: Range): { start: number; end: number } | null {
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
  if (start < 0) return null;
  const text = textOf(root).slice(start, end);
  const lead = text.length - text.trimStart().length;
  const tail = text.length - text.trimEnd().length;
  return end - tail > start + lead ? { start: start + lead, end: end - tail } : null;
}
