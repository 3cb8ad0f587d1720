'use client';

import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer } from '../../attempt/PlayerContext';
import { Dialog } from '../dialogs/Dialog';
import { Documents, type FrameProps } from './Documents';

/** Documents of the test that is open. */
export function PlayerDocuments({ children }: { children: ReactNode }) {
  const { test, assetUrl } = usePlayer();
  return (
    <Documents documents={test.stimuli} assetUrl={assetUrl} Frame={DocumentDialog}>
      {children}
    </Documents>
  );
}

function DocumentDialog({ title, onClose, children }: FrameProps) {
  const t = useTranslations('documents');
  return (
    <Dialog
      open
      wide
      title={title}
      onClose={onClose}
      actions={[{ words: t('close'), act: onClose, main: true }]}
    >
      {children}
    </Dialog>
  );
}
