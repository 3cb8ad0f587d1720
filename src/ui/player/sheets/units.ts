import { partLabel } from '@/core/item/progress';

/** Something on a sheet that can be missed below its edge. */
export type UnitKind = 'part' | 'choice' | 'row' | 'box' | 'menu' | 'paragraph' | 'question';
export interface Unit {
  readonly kind: UnitKind;
  readonly key: string;
  /** The letter of a part. */
  readonly label: string;
  readonly element: HTMLElement;
}

const KINDS: readonly UnitKind[] = ['choice', 'row', 'box', 'menu'];
const isKind = (text: string | undefined): text is UnitKind => KINDS.some((kind) => kind === text);

/** Parts, choices, rows and answer places of a question, in reading order. */
export function questionUnits(root: HTMLElement): Unit[] {
  return [...root.querySelectorAll<HTMLElement>('[data-unit], h1, h2, h3, h4, h5, h6, p')].flatMap(
    (element): Unit[] => {
      const kind = element.dataset.unit;
      if (isKind(kind)) return [{ kind, key: element.dataset.unitKey ?? '', label: '', element }];
      const label = partLabel(element.textContent ?? '', element.tagName !== 'P');
      return label !== null ? [{ kind: 'part', key: `part:${label}`, label, element }] : [];
    },
  );
}

/** The paragraphs and figures of a passage. */
export function passageUnits(root: HTMLElement): Unit[] {
  return [...root.querySelectorAll<HTMLElement>('[data-passage] > *')].map((element, i) => ({
    kind: 'paragraph',
    key: `paragraph:${i}`,
    label: '',
    element,
  }));
}

/** The rows of the review. */
export function reviewUnits(root: HTMLElement): Unit[] {
  return [...root.querySelectorAll<HTMLElement>('[data-review-row]')].map((element) => ({
    kind: 'question',
    key: `question:${element.dataset.reviewRow ?? ''}`,
    label: '',
    element,
  }));
}

/** A unit is hidden when less than half of it, at most 2 cm, shows above the edge. */
export function isBelow(unit: Unit, edge: number): boolean {
  const box = unit.element.getBoundingClientRect();
  return box.height > 0 && box.top + Math.min(box.height / 2, 40) > edge;
}
