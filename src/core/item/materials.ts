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

/** What comes with a question to work with (QTI 3.0, companion materials). */
export interface Materials {
  readonly calculator: CalculatorKind | null;
  readonly rulers: readonly Ruler[];
  readonly protractor: Protractor | null;
  /** Things that are not on the screen: paper, blocks, a real compass. */
  readonly physical: readonly string[];
}
export const NO_MATERIALS: Materials = { calculator: null, rulers: [], protractor: null, physical: [] };

/** Whether a question brings a material of this name. */
export const brings = (materials: Materials, name: MaterialName): boolean => {
  const found = materials[name];
  return Array.isArray(found) ? found.length > 0 : found !== null;
};
export type MaterialName = Exclude<keyof Materials, 'physical'>;
