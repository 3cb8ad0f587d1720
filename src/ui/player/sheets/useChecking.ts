'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { itemOf } from '@/core/attempt/state';
import type { DeliveredItem } from '@/core/item/delivered';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';

/** Having the answer to a question checked on the way, where the test lets it. */
export function useChecking(item: DeliveredItem) {
  const t = useTranslations('question');
  const { check, announce } = usePlayer();
  const { tries, closed } = useAttempt((state) => itemOf(state, item.ref));
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const words = (() => {
    if (item.tries === null) return null;
    if (failed === item.ref) return t('checkFailed');
    if (closed) return t('closed');
    return item.tries > 0 ? t('triesLeft', { left: Math.max(0, item.tries - tries) }) : null;
  })();
  return {
    closed,
    busy,
    /** What to say of it beside the progress. */
    words,
    /** `by`: the response of the button inside the question that asked for it. */
    check: (by: string | null = null) => {
      if (busy || closed) return;
      setBusy(true);
      setFailed(null);
      void check(item.ref, by).then((through) => {
        setBusy(false);
        if (through) announce(t('checked'));
        else {
          setFailed(item.ref);
          announce(t('checkFailed'));
        }
      });
    },
  };
}
export type Checking = ReturnType<typeof useChecking>;
