/**
 * The shared CSS vocabulary of QTI 3.0 ("Shared CSS"; names from memory) as far as it is honoured: most by `ui/content/vocabulary.css`,
 * what changes how a question works by its reader. What else begins with `qti-` is named in the report of the import.
 */
const LOOKS = [
  ...[
    'layout-row',
    'align-left',
    'align-center',
    'align-right',
    'italic',
    'underline',
    'bordered',
    'well',
    'fullwidth',
  ],
  ...[
    'visually-hidden',
    'hidden',
    'float-left',
    'float-right',
    'float-none',
    'float-clear-left',
    'float-clear-right',
  ],
  ...['float-clear-both', 'valign-top', 'valign-middle', 'valign-bottom', 'valign-baseline'],
  ...['list-style-type-none', 'list-style-type-disc', 'list-style-type-circle', 'list-style-type-square'],
  ...['list-style-type-decimal', 'list-style-type-lower-alpha', 'list-style-type-upper-alpha'],
  ...['list-style-type-lower-roman', 'list-style-type-upper-roman'],
  ...['labels-none', 'labels-decimal', 'labels-lower-alpha', 'labels-upper-alpha'],
  ...['labels-suffix-none', 'labels-suffix-period', 'labels-suffix-parenthesis', 'input-control-hidden'],
  ...[
    'choices-top',
    'choices-bottom',
    'choices-left',
    'choices-right',
    'unselected-hidden',
    'headers-hidden',
  ],
].map((name) => `qti-${name}`);
/** Honoured by the readers of interactions. */
const READ = [
  'match-tabular',
  'counter-up',
  'counter-down',
  'orientation-horizontal',
  'orientation-vertical',
].map((name) => `qti-${name}`);
const NUMBERED =
  /^qti-(layout-col(?:[1-9]|1[0-2])|choices-stacking-[1-5]|(?:input-width|height-lines)-\d{1,4})$/;
const HONOURED: ReadonlySet<string> = new Set([...LOOKS, ...READ]);

/** Whether a class of the vocabulary is honoured; of any other class this says nothing. */
export const isHonoured = (name: string): boolean => HONOURED.has(name) || NUMBERED.test(name);

/** The classes of the shared vocabulary among those of an element. */
export const vocabularyOf = (classes: string | undefined): string[] =>
  (classes ?? '').split(/\s+/).filter((name) => name.startsWith('qti-'));
