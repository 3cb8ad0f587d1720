'use client';

import { useTranslations } from 'use-intl';
import { Dialog } from './Dialog';

/** Says, on coming back after a long pause, that what was answered before is locked, and who can open it. */
export function LockedDialog({ count, onClose }: { count: number; onClose: () => void }) {
  const t = useTranslations('locked');
  return (
    <Dialog
      open
      title={t('title')}
      onClose={onClose}
      actions={[{ words: t('go'), act: onClose, main: true }]}
    >
      <p>{t('text', { count })}</p>
    </Dialog>
  );
}
