'use client';

import { useState } from 'react';
import { useAttempt } from '../../attempt/PlayerContext';
import { LockedDialog } from '../dialogs/LockedDialog';
import { HeldCover } from './HeldCover';
import { OwnScreen } from './OwnScreen';

/** What is told by itself on opening a test and on coming back to it: one thing after another. */
export function Notices() {
  const locked = useAttempt((state) => state.locked?.items.length ?? 0);
  const [told, setTold] = useState(false);
  const tells = locked > 0 && !told;
  return (
    <>
      {tells && <LockedDialog count={locked} onClose={() => setTold(true)} />}
      <OwnScreen quiet={tells} />
      <HeldCover />
    </>
  );
}
