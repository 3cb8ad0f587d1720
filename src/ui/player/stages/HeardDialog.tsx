'use client';

import { useTranslations } from 'use-intl';
import { openPartOf } from '@/core/item/delivered';
import { ContentView } from '../../content/ContentView';
import { usePlayer } from '../../attempt/PlayerContext';
import type { WentOn } from '../../attempt/session/transport';
import { Dialog } from '../dialogs/Dialog';
import { PartName } from './usePartName';

/** What came of going on. */
export interface Heard {
  /** A clock ended something. */
  readonly timeOver: boolean;
  readonly feedback: WentOn['feedback'];
}

interface Props {
  readonly heard: Heard | null;
  /** A clock has come to its end, and the server has not yet said what that closes. */
  readonly waiting: 'asking' | 'waiting' | null;
  readonly onClose: () => void;
}

/** What the test has to say after a step, and that a clock has ended something. Until the server answers, nothing can be worked on. */
export function HeardDialog({ heard, waiting, onClose }: Props) {
  const t = useTranslations('stages');
  const { test, assetUrl } = usePlayer();
  const part = openPartOf(test);
  if (waiting !== null)
    return (
      <Dialog open title={t('timeTitle')} onClose={() => undefined} actions={[]}>
        <p role="status">{t(waiting === 'waiting' ? 'timeWaiting' : 'timeAsking')}</p>
      </Dialog>
    );
  return (
    <Dialog
      open={heard !== null}
      title={t(heard?.timeOver ? 'timeTitle' : 'feedbackTitle')}
      onClose={onClose}
      actions={[{ words: t('goOn'), act: onClose, main: true }]}
    >
      {heard?.timeOver && (
        <p>
          {part ? <PartName part={part} say={(name) => t('timeOver', { part: name })} /> : t('timeOverAll')}
        </p>
      )}
      {heard?.feedback.map(({ title, content }, i) => (
        <section key={i}>
          {title !== '' && <h3>{title}</h3>}
          <ContentView content={content} slots={{ assetUrl }} />
        </section>
      ))}
    </Dialog>
  );
}
