/**
 * The shared CSS vocabulary of QTI 3.0 ("Shared CSS"; names from memory) as far as it is honoured: most by `ui/content/vocabulary.css`,
 * what changes how a question works by its reader. What else begins with `qti-` is named in the report of the import.
 */
const HONOURED: ReadonlySet<string> = new Set(
  `
  layout-row align-left align-center align-right valign-top valign-middle valign-bottom valign-baseline
  float-left float-right float-none float-clear-left float-clear-right float-clear-both
  italic underline bordered well fullwidth hidden visually-hidden
  list-style-type-none list-style-type-disc list-style-type-circle list-style-type-square list-style-type-decimal
  list-style-type-lower-alpha list-style-type-upper-alpha list-style-type-lower-roman list-style-type-upper-roman
  labels-none labels-decimal labels-lower-alpha labels-upper-alpha
  labels-suffix-none labels-suffix-period labels-suffix-parenthesis input-control-hidden
  choices-top choices-bottom choices-left choices-right unselected-hidden headers-hidden
  match-tabular counter-up counter-down orientation-horizontal orientation-vertical
`
    .trim()
    .split(/\s+/)
    .map((name) => `qti-${name}`),
);
const NUMBERED =
  /^qti-(layout-col(?:[1-9]|1[0-2])|choices-stacking-[1-5]|(?:input-width|height-lines)-\d{1,4})$/;

/** Interactions within a line of text, which no class but that of a box's width says anything about. */
const IN_LINE = new Set([
  'qti-text-entry-interaction',
  'qti-inline-choice-interaction',
  'qti-end-attempt-interaction',
]);
const WIDTH = /^qti-input-width-\d{1,4}$/;

/** The classes of the shared vocabulary among those of an element. */
export const vocabularyOf = (classes: string | undefined): string[] =>
  (classes ?? '').split(/\s+/).filter((name) => name.startsWith('qti-'));

/** Whether a class of the vocabulary is honoured on an element; of any other class this says nothing. */
export function isHonoured(name: string, element = 'p'): boolean {
  if (element === 'qti-text-entry-interaction' && WIDTH.test(name)) return true;
  // Of the standard's own elements only block interactions are drawn with their classes.
  if (element.startsWith('qti-') && (!element.endsWith('-interaction') || IN_LINE.has(element))) return false;
  return HONOURED.has(name) || NUMBERED.test(name);
}
