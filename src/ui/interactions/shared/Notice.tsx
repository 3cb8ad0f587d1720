'use client';

import shared from '../shared.module.css';

/** Why a move was not made and what to do instead; said aloud by whoever refused it. */
export function Notice({ words }: { words: string | null }) {
  return words === null ? null : <p className={shared.notice}>{words}</p>;
}
