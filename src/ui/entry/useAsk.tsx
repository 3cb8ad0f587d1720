'use client';

import { Alert } from 'antd';
import { useState, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import styles from './entry.module.css';
import { post } from '../kit/post';

interface Asking {
  /** While the server is asked; and afterwards, where the page then goes on to another. */
  readonly working: boolean;
  /** Why it was not done, in words, to be shown; null where nothing went wrong. */
  readonly problem: ReactNode;
  /**
   * Asks the server for something.
   * @param stays whether the page stays when it is done
   * @returns what it answered; null where it refused or did not answer
   */
  readonly ask: <T>(path: string, body: unknown, stays?: boolean) => Promise<T | null>;
}

/** Asking the server by a press: what was asked is not asked twice, and why it was refused is said. */
export function useAsk(): Asking {
  const refusals = useTranslations('refusals');
  const [state, setState] = useState<{ working: boolean; problem: string | null }>({
    working: false,
    problem: null,
  });
  return {
    working: state.working,
    problem: state.problem !== null && (
      <Alert type="error" showIcon title={state.problem} role="alert" className={styles.alert} />
    ),
    ask: async <T,>(path: string, body: unknown, stays = false): Promise<T | null> => {
      setState({ working: true, problem: null });
      const answer = await post<T>(path, body);
      if (answer.ok && !stays) return answer.data;
      setState({
        working: false,
        problem: answer.ok
          ? null
          : refusals(answer.code as 'network', { seconds: answer.seconds ?? 10, why: answer.why ?? '' }),
      });
      return answer.ok ? answer.data : null;
    },
  };
}
