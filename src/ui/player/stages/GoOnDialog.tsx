'use client';

import { useTranslations } from 'use-intl';
import type { Move } from '@/core/attempt/events';
import { itemOf } from '@/core/attempt/state';
import { forwardPlace, openPartOf, partAfter, type DeliveredPart } from '@/core/item/delivered';
import { progressOfItem } from '@/core/item/progress';
import { own } from '@/core/own';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { Dialog } from '../dialogs/Dialog';
import styles from '../dialogs/dialogs.module.css';
import { MissingList } from '../dialogs/MissingList';
import { UnfinishedList } from '../dialogs/UnfinishedList';
import { useOverview } from '../trail/useOverview';
import { PartName } from './usePartName';

/** What is asked before a step that cannot be undone. */
export interface Asked {
  readonly move: Move;
  /** Being asked, being done, or why it was not done: `network`, or the server's code. */
  readonly state: string;
}

interface Props {
  readonly asked: Asked | null;
  readonly onClose: () => void;
  readonly onGo: (ref: string) => void;
  readonly onYes: (move: Move) => void;
}

/** Before going on for good: what is unfinished, each a press away, what closes, and what comes. */
export function GoOnDialog({ asked, onClose, onGo, onYes }: Props) {
  const t = useTranslations('stages');
  const refusals = useTranslations('refusals');
  const { test } = usePlayer();
  const part = openPartOf(test);
  if (!asked || !part) return null;
  const { move, state } = asked;
  const refused = state !== 'asking' && state !== 'working' && state !== 'network' ? state : null;
  // Rules may end a part sooner; that it ends here at the latest is known.
  const ends = move === 'end-part' || forwardPlace(test, part).ahead === 0;
  return (
    <Dialog
      open
      wide={move === 'end-part'}
      title={
        move === 'end-part' ? (
          <PartName part={part} say={(name) => t('endTitle', { part: name })} />
        ) : (
          t('nextTitle')
        )
      }
      onClose={onClose}
      actions={
        refused === null
          ? [
              { words: t('stay'), act: onClose, disabled: state === 'working' },
              {
                words: t(state === 'working' ? 'working' : move === 'end-part' ? 'endYes' : 'nextYes'),
                act: () => onYes(move),
                main: true,
                disabled: state === 'working',
              },
            ]
          : [{ words: t('stay'), act: onClose, main: true }]
      }
    >
      <p>{t(move === 'end-part' ? 'endText' : 'nextText')}</p>
      {/* Before any list: on a small screen a long one is below the edge. */}
      {ends && <WhatComes part={part} />}
      {move === 'end-part' ? <EndOfPart part={part} onGo={onGo} /> : <NextForGood />}
      {state === 'network' && (
        <p className={styles.problem} role="alert">
          {t('network')}
        </p>
      )}
      {refused !== null && (
        <p className={styles.problem} role="alert">
          {refusals.has(refused as 'error') ? refusals(refused as 'not-valid') : refusals('error')}
        </p>
      )}
    </Dialog>
  );
}

/** The question that is left for good: what is missing in it. */
function NextForGood() {
  const t = useTranslations('stages');
  const { test } = usePlayer();
  const current = useAttempt((state) => state.current);
  const responses = useAttempt((state) => itemOf(state, current ?? '').responses);
  const item = current === null ? undefined : own(test.items, current);
  const progress = item && progressOfItem(item, responses);
  if (!progress || progress.state === 'complete') return null;
  return (
    <>
      <p>{t('nextUnfinished')}</p>
      <MissingList progress={progress} />
    </>
  );
}

/** The part that is ended: what is unfinished or flagged in it. */
function EndOfPart({ part, onGo }: { readonly part: DeliveredPart; readonly onGo: (ref: string) => void }) {
  const t = useTranslations('stages');
  const { test } = usePlayer();
  const { ahead } = forwardPlace(test, part);
  const refs = new Set(part.sections.flatMap(({ items }) => items));
  const questions = useOverview().filter(({ ref, closed }) => refs.has(ref) && !closed);
  return (
    <>
      {ahead > 0 && <p>{t('endAhead', { count: ahead })}</p>}
      <UnfinishedList questions={questions} onGo={onGo} />
    </>
  );
}

/** What the next part is, and when its time begins. */
function WhatComes({ part }: { readonly part: DeliveredPart }) {
  const t = useTranslations('stages');
  const { test } = usePlayer();
  const next = partAfter(test, part);
  if (!next) return <p>{t('lastPart')}</p>;
  const minutes = next.limit === null ? 0 : Math.round(next.limit / 60_000);
  return (
    <p>
      <PartName
        part={next}
        say={(part) => t(next.isCertain ? 'comes' : 'mayCome', { part, count: next.count })}
      />{' '}
      {[
        ...(minutes > 0 ? [t('comesTime', { minutes })] : []),
        ...(next.navigation === 'linear' ? [t('comesForward')] : []),
      ].join(' ')}
    </p>
  );
}
