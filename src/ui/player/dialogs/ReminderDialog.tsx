'use client';

import { useTranslations } from 'use-intl';
import type { Unit, UnitKind } from '../sheets/units';
import { useHiddenWords } from '../sheets/useHiddenWords';
import { Dialog } from './Dialog';

interface Props {
  readonly unseen: readonly Unit[] | null;
  /** Whether several questions stand there. */
  readonly page: boolean;
  readonly onShow: () => void;
  readonly onGoOn: () => void;
}

/** The one gentle stop on leaving a question with something never seen. */
export function ReminderDialog({ unseen, page, onShow, onGoOn }: Props) {
  const t = useTranslations('reminder');
  const words = useHiddenWords();
  const counts: Partial<Record<UnitKind, number>> = {};
  for (const unit of unseen ?? []) if (unit.kind !== 'part') counts[unit.kind] = (counts[unit.kind] ?? 0) + 1;
  const parts = (unseen ?? []).filter((unit) => unit.kind === 'part').map((unit) => unit.label);
  return (
    <Dialog
      open={unseen !== null}
      title={t('title', { page: page ? 'yes' : 'no' })}
      onClose={onShow}
      actions={[
        { words: t('goOn'), act: onGoOn },
        { words: t('show'), act: onShow, main: true },
      ]}
    >
      <p>{t('text', { what: words(counts, parts) })}</p>
    </Dialog>
  );
}
