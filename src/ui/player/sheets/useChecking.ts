'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { isClosed, itemOf } from '@/core/attempt/state';
import type { DeliveredItem } from '@/core/item/delivered';
import { progressOfItem } from '@/core/item/progress';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';

/** What is asked before an answer is checked. */
export interface CheckQuestion {
  /** The response of the button inside the question that asked for the check. */
  readonly by: string | null;
  readonly unfinished: boolean;
  /** Afterwards the answer cannot be changed. */
  readonly last: boolean;
  /** It may be checked as it is. */
  readonly allowed: boolean;
}

/**
 * Having the answer to a question checked on the way, where the test lets it. An answer that is not finished, and the last try, are
 * asked about first: a check can't be taken back.
 */
export function useChecking(item: DeliveredItem) {
  const t = useTranslations('question');
  const { session, check, announce } = usePlayer();
  const { tries } = useAttempt((state) => itemOf(state, item.ref));
  const closed = useAttempt((state) => isClosed(state, item.ref));
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const [asked, setAsked] = useState<CheckQuestion | null>(null);
  const words = (() => {
    if (item.tries === null) return null;
    if (failed === item.ref) return t('checkFailed');
    if (closed) return t('closed');
    return item.tries > 0 ? t('triesLeft', { left: Math.max(0, item.tries - tries) }) : null;
  })();
  const send = (by: string | null) => {
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
  };
  return {
    closed,
    busy,
    /** What to say of it beside the progress. */
    words,
    asked,
    /** `by`: the response of the button inside the question that asked for it. */
    check: (by: string | null = null) => {
      if (busy || closed) return;
      const { responses } = itemOf(session.getState(), item.ref);
      const whole = progressOfItem(item, responses).state === 'complete';
      // A button of the question itself (a hint asked for) ends a try whatever is answered.
      const unfinished = !whole && (by === null || item.checksWhole);
      const last = item.tries !== null && item.tries > 0 && tries + 1 >= item.tries;
      if (unfinished || last) setAsked({ by, unfinished, last, allowed: whole || !item.checksWhole });
      else send(by);
    },
    /** The answer to what was asked: check it, or go on answering. */
    reply: (yes: boolean) => {
      setAsked(null);
      if (yes && asked?.allowed) send(asked.by);
    },
  };
}
export type Checking = ReturnType<typeof useChecking>;
