/**
 * Picks words with keys in text that is not editable: the browser's own selection, moved and grown by words. `Shift` grows,
 * without it the next word is picked. Returns whether the key was used.
 */
export function moveSelection(key: string, grow: boolean): boolean {
  const selection = window.getSelection();
  if (!selection || selection.rangeCount === 0) return false;
  const step: Readonly<Record<string, readonly ['forward' | 'backward', 'word' | 'line']>> = {
    ArrowRight: ['forward', 'word'],
    ArrowLeft: ['backward', 'word'],
    ArrowDown: ['forward', 'line'],
    ArrowUp: ['backward', 'line'],
  };
  const [direction, unit] = step[key] ?? [];
  if (!direction || !unit) return false;
  if (grow) {
    selection.modify('extend', direction, unit);
  } else {
    if (direction === 'forward') selection.collapseToEnd();
    else selection.collapseToStart();
    selection.modify('move', direction, unit);
    if (direction === 'forward' && unit === 'word') selection.modify('move', 'backward', 'word');
    selection.modify('extend', 'forward', 'word');
  }
  const node = selection.focusNode;
  (node instanceof Element ? node : node?.parentElement)?.scrollIntoView({ block: 'nearest' });
  return true;
}

/** Puts the selection on the first word of an element. */
export function pickFirstWord(root: HTMLElement): void {
  const selection = window.getSelection();
  if (!selection) return;
  selection.selectAllChildren(root);
  selection.collapseToStart();
  selection.modify('extend', 'forward', 'word');
}
