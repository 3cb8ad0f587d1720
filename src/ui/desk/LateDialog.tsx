'use client';

import type { LateAnswer } from '@/core/wire/desk';
import { Button, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { useFormatter, useTranslations } from 'use-intl';
import { useAsk } from '../entry/useAsk';
import entry from '../entry/entry.module.css';
import { DeskDialog } from './DeskDialog';
import { useFocusBack } from '../kit/useFocusBack';
import { useFocusKept } from '../kit/useFocusKept';

interface Props {
  readonly open: boolean;
  readonly who: string;
  readonly attemptId: string;
  readonly late: readonly LateAnswer[];
  readonly onClose: () => void;
}

/** Answers that nothing proves to have been given in time: whether they count is decided here, by the times and not by what was answered. */
export function LateDialog({ open, onClose, ...late }: Props) {
  const t = useTranslations('desk.late');
  return (
    <DeskDialog open={open} title={t('title')} onClose={onClose}>
      <LateList {...late} />
    </DeskDialog>
  );
}

function LateList({ who, attemptId, late }: Omit<Props, 'open' | 'onClose'>) {
  const t = useTranslations('desk.late');
  const format = useFormatter();
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const listRef = useRef<HTMLDivElement>(null);
  useFocusKept(listRef);
  // The button that opened it goes when all is decided.
  useFocusBack();
  const time = (at: number) => format.dateTime(new Date(at), { dateStyle: 'medium', timeStyle: 'medium' });
  const decide = async (item: string, counts: boolean) => {
    if (await ask(`/api/attempts/${attemptId}/late`, { item, counts }, true)) router.refresh();
  };
  return (
    <>
      <p>{who}</p>
      <p>{t('text')}</p>
      <div ref={listRef} tabIndex={-1}>
        {late.length === 0 && <p>{t('none')}</p>}
        <table className={entry.score} hidden={late.length === 0}>
          <thead>
            <tr>
              <th scope="col">{t('question')}</th>
              <th scope="col">{t('said')}</th>
              <th scope="col">{t('received')}</th>
              <th scope="col">{t('decide')}</th>
            </tr>
          </thead>
          <tbody>
            {late.map(({ ref, number, saidAt, receivedAt, mayCount }) => (
              <tr key={ref}>
                <th scope="row">{t('number', { number })}</th>
                <td>{time(saidAt)}</td>
                <td>{time(receivedAt)}</td>
                <td>
                  <Space wrap>
                    {mayCount && (
                      <Button
                        aria-label={t('countsOf', { number })}
                        aria-disabled={working || undefined}
                        onClick={() => !working && void decide(ref, true)}
                      >
                        {t('counts')}
                      </Button>
                    )}
                    <Button
                      aria-label={t('leaveOutOf', { number })}
                      aria-disabled={working || undefined}
                      onClick={() => !working && void decide(ref, false)}
                    >
                      {t('leaveOut')}
                    </Button>
                  </Space>
                  {!mayCount && <div>{t('wentOn')}</div>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {problem}
    </>
  );
}
