/** What a calculator can do (QTI 3.0, `qti-calculator-type`), from the least to the most. */
export const CALCULATORS = ['basic', 'standard', 'scientific', 'graphing'] as const;
export type CalculatorKind = (typeof CALCULATORS)[number];

/** A ruler as long as is said, in its own unit. */
export interface Ruler {
  readonly unit: 'cm' | 'in';
  readonly length: number;
  /** From one small mark to the next, and from one numbered mark to the next. */
  readonly minor: number;
  readonly major: number;
}
/** A protractor's marks, in degrees. */
export interface Protractor {
  readonly minor: number;
  readonly major: number;
}

/** A sheet to look things up in: a PDF of the package, or a page read as content. */
export interface ReferenceSheet {
  readonly title: string;
  readonly kind: 'pdf' | 'page';
  /** Package path. */
  readonly path: string;
}
/** What a sheet is called among the passages: no identifier of a passage begins so (XML, NCName). */
export const sheetName = ({ path }: Pick<ReferenceSheet, 'path'>): string => `/${path}`;

/** What comes with a question to work with (QTI 3.0, companion materials). */
export interface Materials {
  readonly calculator: CalculatorKind | null;
  readonly rulers: readonly Ruler[];
  readonly protractor: Protractor | null;
  readonly sheets: readonly ReferenceSheet[];
  /** Things that are not on the screen: paper, blocks, a real compass. */
  readonly physical: readonly string[];
}
export const NO_MATERIALS: Materials = {
  calculator: null,
  rulers: [],
  protractor: null,
  sheets: [],
  physical: [],
};

/** The pages among a question's sheets, by the name they are kept under. */
export const pagesIn = ({ sheets }: Materials): readonly string[] =>
  sheets.flatMap((sheet) => (sheet.kind === 'page' ? [sheetName(sheet)] : []));

/** Whether a question brings a material of this name. */
export const brings = (materials: Materials, name: MaterialName): boolean => {
  const found = materials[name];
  return Array.isArray(found) ? found.length > 0 : found !== null;
};
export type MaterialName = Exclude<keyof Materials, 'physical'>;

/** Everything that is read beside a question, by the names under which marks on it are kept. */
export const readBeside = (item: {
  readonly stimuli: readonly string[];
  readonly materials: Materials;
}): readonly string[] => [...item.stimuli, ...item.materials.sheets.map(sheetName)];

/** Which tool shows a material, by its id. */
export const SHOWN_BY: Readonly<Record<MaterialName, string>> = {
  calculator: 'calculator',
  rulers: 'ruler',
  protractor: 'protractor',
  sheets: 'reference',
};

/** Materials without those whose tools the test takes away: what a student has not is not sent either. */
export function withoutTools(materials: Materials, off: readonly string[]): Materials {
  const gone = (Object.keys(SHOWN_BY) as MaterialName[]).filter((name) => off.includes(SHOWN_BY[name]));
  return { ...materials, ...Object.fromEntries(gone.map((name) => [name, NO_MATERIALS[name]])) };
}
