export { workOut, type AngleUnit, type Problem, type Result, type Worked } from './evaluate';
export { type Decimal } from './decimal';
export {
  curveOf,
  easyStep,
  FIRST_VIEW,
  functionOf,
  panned,
  shortNumber,
  zoomed,
  type GraphFunction,
  type GraphView,
} from './graph';
export { keysOf, type CalculatorKey } from './keys';
export { remembered } from './memory';
