import type { SyntheticEvent } from 'react';

/**
 * Whether a click is the second of a double click. Many press twice what they mean to press once; on what is switched on and off the
 * second would take the first back.
 */
export const isSecondOfTwo = ({ nativeEvent }: SyntheticEvent): boolean =>
  nativeEvent instanceof UIEvent && nativeEvent.detail === 2;
