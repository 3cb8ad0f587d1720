import { plainNumber } from '../math/plainNumber';

/** An exact number from decimal or fraction text (`-2.5`, `1/3`); null when it is none. */
export const readNumber = plainNumber;
