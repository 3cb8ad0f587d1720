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

/** Questions on one page: those that begin below the edge, and what is still below of the others. */
export function togetherUnits(root: HTMLElement, scroller: HTMLElement | null): Unit[] {
  const edge = scroller ? scroller.getBoundingClientRect().top + scroller.clientHeight : window.innerHeight;
  return [...root.querySelectorAll<HTMLElement>('[data-question]')].flatMap((sheet): Unit[] => {
    const heading = sheet.querySelector<HTMLElement>('h2') ?? sheet;
    const whole: Unit = { kind: 'question', key: sheet.dataset.question ?? '', label: '', element: heading };
    return isBelow(whole, edge) ? [whole] : questionUnits(sheet);
  });
}

/** The sheet of a question. */
export const sheetOf = (root: HTMLElement | null, ref: string): HTMLElement | null =>
  [...(root?.querySelectorAll<HTMLElement>('[data-question]') ?? [])].find(
    ({ dataset }) => dataset.question === ref,
  ) ?? null;
