import { rowsOf } from '@/core/tools/scanning';

/** Something that can be lit: a group, a row or a control; pressing it opens what is in it, or does what it does. */
export interface Lit {
  readonly label: string;
  /** What the light lies around. */
  readonly around: readonly Element[];
  /** What is in it; null where it did what it does; `write` where letters are wanted. */
  readonly press: () => readonly Lit[] | 'write' | null;
  /** It may be wanted again at once: a step of a slider. */
  readonly stays?: boolean;
}

export interface Words {
  readonly less: string;
  readonly more: string;
  readonly scroll: (label: string) => string;
  readonly row: (labels: string) => string;
}

const CONTROLS =
  'button, a[href], input, select, textarea, summary, [contenteditable=true], math-field, [role=button], [role=slider], [role=option], [role=region][tabindex="0"]';
/** Groups of the question screen, in the order they are gone through. */
const GROUPS =
  '[data-scan-board], [data-sheet=question], [data-sheet=passage], [data-window], main section, aside, nav, header, main';
/** What is open alone has the whole attention. */
const ALONE = 'dialog[open], [role=dialog][aria-modal=true], [data-scan-board]';

const isSeen = (element: Element): boolean =>
  element.getClientRects().length > 0 &&
  !element.closest('[inert], [aria-hidden=true], [data-lens], .visually-hidden') &&
  getComputedStyle(element).visibility !== 'hidden';
const isUsable = (element: Element): boolean =>
  isSeen(element) &&
  !element.matches('[aria-disabled=true], :disabled, input[type=hidden], input[type=file]') &&
  !(element.matches('[role=region]') && element.scrollHeight <= element.clientHeight + 4);

/** The longest words a light is called by. */
const LONGEST = 80;
export function labelOf(element: Element): string {
  const by = (element.getAttribute('aria-labelledby') ?? '')
    .split(/\s+/)
    .map((id) => (id === '' ? '' : (document.getElementById(id)?.textContent ?? '')))
    .join(' ')
    .trim();
  const labels = element instanceof HTMLInputElement ? [...(element.labels ?? [])] : [];
  const words =
    element.getAttribute('aria-label') ?? (by === '' ? labels.map((one) => one.textContent).join(' ') : by);
  const all = (words.trim() === '' ? element.textContent || element.getAttribute('title') || '' : words)
    .replace(/\s+/g, ' ')
    .trim();
  return all.length > LONGEST ? `${all.slice(0, LONGEST)} …` : all;
}

/** What is seen of a control: a mark’s whole choice. */
const seenAs = (element: Element): Element => {
  const label = element instanceof HTMLInputElement ? element.labels?.[0] : undefined;
  return label && label.getClientRects().length > 0 ? label : element;
};

const press = (element: Element, key: string) =>
  element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
/** Sets the value as a hand does, so that whoever listens hears of it. */
export function setValue(
  element: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement,
  value: string,
): void {
  const prototype = Object.getPrototypeOf(element) as object;
  Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(element, value);
  element.dispatchEvent(new Event('input', { bubbles: true }));
  element.dispatchEvent(new Event('change', { bubbles: true }));
}

const isWritten = (element: Element): boolean =>
  element.matches('textarea, [contenteditable=true], math-field') ||
  (element instanceof HTMLInputElement && !/^(radio|checkbox|range|button|submit|color)$/.test(element.type));

function controlOf(element: HTMLElement, words: Words): Lit {
  const label = labelOf(element);
  const around = [seenAs(element)];
  const part = (name: string, run: () => void, stays = false): Lit => ({
    label: name,
    around,
    stays,
    press: () => {
      run();
      return null;
    },
  });
  if (element.matches('[role=slider]') || (element instanceof HTMLInputElement && element.type === 'range'))
    return {
      label,
      around,
      press: () => {
        element.focus();
        const turn = (by: 1 | -1) => {
          if (!(element instanceof HTMLInputElement))
            return press(element, by === 1 ? 'ArrowRight' : 'ArrowLeft');
          const step = Number(element.step) || 1;
          setValue(element, String(Number(element.value) + by * step));
        };
        const upright = element.getAttribute('aria-orientation') === 'vertical';
        return [
          part(words.less, () => (upright ? press(element, 'ArrowUp') : turn(-1)), true),
          part(words.more, () => (upright ? press(element, 'ArrowDown') : turn(1)), true),
        ];
      },
    };
  if (element instanceof HTMLSelectElement)
    return {
      label,
      around,
      press: () =>
        [...element.options].map((option) => part(option.text, () => setValue(element, option.value))),
    };
  if (element.matches('[role=region]'))
    return {
      label: words.scroll(label),
      around,
      press: () => {
        const end = element.scrollTop + element.clientHeight >= element.scrollHeight - 4;
        element.scrollTo({ top: end ? 0 : element.scrollTop + element.clientHeight * 0.8 });
        return null;
      },
    };
  return {
    label,
    around,
    press: () => {
      element.focus();
      if (isWritten(element)) return 'write';
      element.click();
      return null;
    },
  };
}

/** A group’s rows; a row of one is that one. */
function rowsIn(controls: readonly HTMLElement[], words: Words): readonly Lit[] {
  const lies = (element: HTMLElement) => seenAs(element).getBoundingClientRect();
  // Rows that say they are some, each by itself; the rest as it lies.
  const said = [...new Set(controls.flatMap((one) => one.closest('[data-scan-row]') ?? []))];
  const rows = [
    ...said.map((row) => controls.filter((one) => row.contains(one))),
    ...rowsOf(
      controls.filter((one) => !one.closest('[data-scan-row]')),
      lies,
    ),
  ];
  return rows.map((row): Lit => {
    const all = row.map((one) => controlOf(one, words));
    const [first] = all;
    if (first && all.length === 1) return first;
    return {
      label: words.row(all.map(({ label }) => label).join(', ')),
      around: all.flatMap(({ around }) => around),
      press: () => all,
    };
  });
}

/** A group’s name: what it is called, else its heading. */
const nameOf = (group: Element): string =>
  group.hasAttribute('aria-label') || group.hasAttribute('aria-labelledby')
    ? labelOf(group)
    : (group.querySelector('h1, h2, h3, b')?.textContent ?? labelOf(group));

/** The groups of the screen as it is now; what is open alone is the only one. */
export function groupsNow(words: Words): readonly Lit[] {
  const alone = [...document.querySelectorAll<HTMLElement>(ALONE)].filter(isSeen).at(-1);
  const root = alone ?? document.body;
  const roots = alone ? [alone] : [...root.querySelectorAll<HTMLElement>(GROUPS)].filter(isSeen);
  const taken = new Set<Element>();
  const order = GROUPS.split(', ');
  const rank = (element: Element) => order.findIndex((one) => element.matches(one));
  return [...roots]
    .sort((a, b) => rank(a) - rank(b))
    .flatMap((group): Lit[] => {
      const controls = [...group.querySelectorAll<HTMLElement>(CONTROLS)].filter(
        (one) => !taken.has(one) && isUsable(one),
      );
      for (const one of controls) taken.add(one);
      if (controls.length === 0) return [];
      return [
        {
          label: nameOf(group),
          around: [group],
          press: () => rowsIn(controls, words),
        },
      ];
    });
}
