'use client';

import { MousePointer2 } from 'lucide-react';
import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { useAttempt } from '../attempt/PlayerContext';
import { Press } from '../kit/Button';
import { givePointerBack, usePointerOwner } from '../tools/pointer';
import styles from './player.module.css';
import { useToolsHere } from './rail/tools';

/** What tools draw over the whole screen, and the sign of the one that has the pointer. */
export function PageLayers() {
  const current = useAttempt((state) => state.current);
  const tools = useToolsHere();
  if (current === null) return null;
  return (
    <>
      {tools.map(
        ({ tool: { id, PageLayer }, standing }) =>
          PageLayer && standing === 'here' && <PageLayer key={id} itemRef={current} />,
      )}
      <PointerSign />
    </>
  );
}

/** Says which tool has the pointer; this, Escape and the tool's own button give it back. */
function PointerSign() {
  const t = useTranslations('tools');
  const owner = usePointerOwner();
  useEffect(() => {
    if (owner === null) return undefined;
    const escape = (event: KeyboardEvent) => {
      if (event.key === 'Escape') givePointerBack();
    };
    document.addEventListener('keydown', escape);
    return () => document.removeEventListener('keydown', escape);
  }, [owner]);
  if (owner === null) return null;
  return (
    <Press className={styles.pointer} data-pointer-sign="" onClick={givePointerBack}>
      <MousePointer2 size="1.1em" aria-hidden="true" />
      {t('hasPointer', { name: t(`${owner as 'eliminator'}.name`) })}
    </Press>
  );
}
