import { unitAt, unitBeside, unitsOf, type Stretch, type TextUnit } from '@/core/annotate/units';
import { blockStarts, pointAt, textOf } from '../domText';
import { placeOf } from '../whereRead';

const STEPS: Readonly<Record<string, readonly [TextUnit, 1 | -1]>> = {
  ArrowRight: ['word', 1],
  ArrowLeft: ['word', -1],
  ArrowDown: ['sentence', 1],
  ArrowUp: ['sentence', -1],
  PageDown: ['paragraph', 1],
  PageUp: ['paragraph', -1],
};

/** The words, sentences or paragraphs of a text on the page, in its own language. */
const unitsIn = (root: HTMLElement, unit: TextUnit) =>
  unitsOf(textOf(root), blockStarts(root), unit, root.closest<HTMLElement>('[lang]')?.lang || 'en');

/** Picks words with keys in a text that is not editable: by word, by sentence, by paragraph; with Shift the selection grows. */
export class WordCursor {
  /** Where the selection began, and where it has come to; what is selected is both and all between. */
  private from: Stretch;
  private to: Stretch;

  private constructor(
    private readonly root: HTMLElement,
    at: Stretch,
  ) {
    this.from = at;
    this.to = at;
  }

  /** Begins with the first word at or after an element, or at a height of the screen; null for a text without words. */
  static begin(root: HTMLElement, where: Element | number): WordCursor | null {
    const at = unitAt(unitsIn(root, 'word'), placeOf(root, where));
    if (!at) return null;
    const cursor = new WordCursor(root, at);
    cursor.show();
    return cursor;
  }

  /**
   * Moves by a key, or grows.
   * @returns what it came to; null when the key is none of its own
   */
  press(key: string, grow: boolean): string | null {
    const [unit, direction] = STEPS[key] ?? [];
    if (!unit || !direction) return null;
    const text = textOf(this.root);
    const units = unitsIn(this.root, unit);
    // Going by a larger unit begins with the rest of the one it is in.
    const next = unitBeside(units, this.to, direction) ?? unitAt(units, this.to.start);
    if (next) {
      this.to = next;
      if (!grow) this.from = next;
    }
    this.show();
    return text.slice(this.to.start, this.to.end);
  }

  /** The browser's own selection shows it, and is what is marked. */
  private show(): void {
    const start = pointAt(this.root, Math.min(this.from.start, this.to.start));
    const end = pointAt(this.root, Math.max(this.from.end, this.to.end) - 1);
    if (!start || !end) return;
    window.getSelection()?.setBaseAndExtent(start.node, start.offset, end.node, end.offset + 1);
    const seen = pointAt(this.root, this.to.start);
    seen?.node.parentElement?.scrollIntoView({ block: 'nearest' });
  }
}
