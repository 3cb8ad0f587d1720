export { workOut, type AngleUnit, type Problem, type Result, type Worked } from './evaluate';
export { type Decimal } from './decimal';
export { keysOf, type CalculatorKey } from './keys';
export { remembered } from './memory';
