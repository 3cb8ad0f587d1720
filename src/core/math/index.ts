export { worth, type Worth } from './worth';
export { equivalent, readMath, type EquivalenceOptions, type ReadMath } from './equivalent';
export { exactRational } from './exactRational';
export { FORMS, type Form } from './form';
export type { MathNode, RelationOp } from './node';
export { numberText, toLatex, toTyped } from './print';
