'use client';

import { useSpeech, type Speech } from '../kit/speech';

/** Where everything that is said aloud stands for a screen reader, and nowhere else. */
export function Spoken({ speech }: { readonly speech: Speech }) {
  return (
    <div
      className="visually-hidden"
      role="log"
      aria-live="polite"
      aria-relevant="additions"
      data-announcer=""
    >
      {useSpeech(speech).map(({ id, words }) => (
        <p key={id}>{words}</p>
      ))}
    </div>
  );
}
