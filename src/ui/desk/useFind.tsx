'use client';

import { Input } from 'antd';
import { useState, type ReactNode } from 'react';
import { Labelled } from '../entry/Labelled';

/**
 * A list narrowed by what is typed.
 * @param wordsOf what of a row is looked through
 * @returns the field to type in, and the rows that fit
 */
export function useFind<Row>(
  label: string,
  rows: readonly Row[],
  wordsOf: (row: Row) => readonly (string | null)[],
): { readonly field: ReactNode; readonly found: readonly Row[] } {
  const [sought, setSought] = useState('');
  const wanted = sought.trim().toLocaleLowerCase();
  return {
    field: (
      <Labelled label={label}>
        {(id) => (
          <Input id={id} size="large" value={sought} onChange={({ target }) => setSought(target.value)} />
        )}
      </Labelled>
    ),
    found: rows.filter((row) => wordsOf(row).join(' ').toLocaleLowerCase().includes(wanted)),
  };
}
