/** One thing a rule settles. Colors are apart: what is shown of them depends on the student's scheme. */
export interface StyleDeclaration {
  readonly property: string;
  /** As CSS; of a color `#rrggbb`. */
  readonly value: string;
}

/** A rule of a package's style sheet, read by allow-list. */
export interface StyleRule {
  /** Of what stands in the item or passage; `:scope` is the whole of it. */
  readonly selectors: readonly string[];
  readonly declarations: readonly StyleDeclaration[];
}

/** Properties whose value is one color. */
export const COLORED: ReadonlySet<string> = new Set([
  'color',
  'background-color',
  'text-decoration-color',
  ...['top', 'right', 'bottom', 'left'].map((side) => `border-${side}-color`),
]);
