'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer } from '../../attempt/PlayerContext';
import { Dialog } from '../dialogs/Dialog';
import { useAway } from './useAway';

/**
 * A test that has the screen for itself (work.md, C10): asks to fill it, and says calmly when it was left. Practice does not mind.
 * @param quiet something else is being told: it notices, and says it afterwards
 */
export function OwnScreen({ quiet }: { quiet: boolean }) {
  const { test, rehearsal } = usePlayer();
  return test.given.ownsScreen && rehearsal === null ? <Watching quiet={quiet} /> : null;
}

function Watching({ quiet }: { quiet: boolean }) {
  const t = useTranslations('screen');
  const { away, told } = useAway();
  const [asked, setAsked] = useState(
    () => !document.fullscreenEnabled || document.fullscreenElement !== null,
  );
  /** What a browser refuses, or a device cannot, is gone on without. */
  const fill = () => {
    setAsked(true);
    told();
    document.documentElement.requestFullscreen().catch(() => undefined);
  };
  const fills = { words: t('fill'), act: fill, main: true };
  if (quiet) return null;
  if (!asked)
    return (
      <Dialog
        open
        title={t('fillTitle')}
        onClose={() => setAsked(true)}
        actions={[{ words: t('without'), act: () => setAsked(true) }, fills]}
      >
        <p>{t('fillText')}</p>
      </Dialog>
    );
  const windowed = away?.how === 'windowed';
  return (
    <Dialog
      open={away !== null}
      title={t('awayTitle')}
      onClose={told}
      actions={[{ words: t('goOn'), act: told, main: !windowed }, ...(windowed ? [fills] : [])]}
    >
      <p>
        {windowed
          ? t('windowedText')
          : t('awayText', { seconds: Math.max(1, Math.round((away?.ms ?? 0) / 1000)) })}
      </p>
    </Dialog>
  );
}
