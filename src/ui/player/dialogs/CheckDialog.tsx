'use client';

import { useTranslations } from 'use-intl';
import { itemOf } from '@/core/attempt/state';
import type { DeliveredItem } from '@/core/item/delivered';
import { progressOfItem } from '@/core/item/progress';
import { useAttempt } from '../../attempt/PlayerContext';
import type { Checking } from '../sheets/useChecking';
import { Dialog } from './Dialog';
import { MissingList } from './MissingList';

/** Before an unfinished answer is checked, and before the last try: what is missing, and what it costs. */
export function CheckDialog({ item, checking }: { item: DeliveredItem; checking: Checking }) {
  const t = useTranslations('question');
  const responses = useAttempt((state) => itemOf(state, item.ref).responses);
  const { asked, reply } = checking;
  const back = () => reply(false);
  return (
    <Dialog
      open={asked !== null}
      title={t(asked?.unfinished ? 'checkUnfinishedTitle' : 'checkLastTitle')}
      onClose={back}
      actions={[
        ...(asked?.allowed ? [{ words: t('checkYes'), act: () => reply(true) }] : []),
        { words: t('checkNo'), act: back, main: true },
      ]}
    >
      {asked?.unfinished && (
        <>
          <p>{t(asked.allowed ? 'checkUnfinished' : 'checkOnlyFinished')}</p>
          <MissingList progress={progressOfItem(item, responses)} />
        </>
      )}
      {asked?.last && <p>{t('checkLast')}</p>}
    </Dialog>
  );
}
