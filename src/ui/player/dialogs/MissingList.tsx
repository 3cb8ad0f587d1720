'use client';

import type { ItemProgress } from '@/core/item/progress';
import { useProgressWords } from '../useProgressWords';

/** What is missing in a question, part by part. */
export function MissingList({ progress }: { readonly progress: ItemProgress }) {
  const words = useProgressWords();
  return (
    <ul>
      {words(progress).map(({ label, text }, i) => (
        <li key={label ?? i}>
          {label && <b>{label} </b>}
          {text}
        </li>
      ))}
    </ul>
  );
}
