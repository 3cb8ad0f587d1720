'use client';

import { useState } from 'react';
import type { InteractionProps } from '../types';

/**
 * Why a move was refused and what to do instead: shown and said once, and gone as soon as the answer changes, by whatever hand (the
 * next move, undo, starting over).
 */
export function useNotice({ response, announce }: Pick<InteractionProps, 'response' | 'announce'>) {
  const [told, setTold] = useState<{ readonly words: string | null; readonly about: unknown }>({
    words: null,
    about: response,
  });
  if (told.about !== response) setTold({ words: null, about: response });
  return {
    notice: told.about === response ? told.words : null,
    refuse: (words: string) => {
      setTold({ words, about: response });
      announce(words);
    },
    clear: () => setTold({ words: null, about: response }),
  };
}
