'use client';

import { MonitorOff } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { useAttempt, useKept } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { FullCover } from '../../kit/FullCover';
import { switchState } from '../switchState';
import { defineTool } from '../types';

const STATE = switchState('cover', 'test');

/** The whole screen plain for a moment (someone walks by). Nothing stops but the view, and it says so about the clock. */
function CoverLayer() {
  const [{ on }, keep] = useKept('cover', STATE);
  return on ? <Covered onBack={() => keep({ on: false })} /> : null;
}

function Covered({ onBack }: { readonly onBack: () => void }) {
  const t = useTranslations('tools.cover');
  const timed = useAttempt(({ timing }) => timing.limit !== null);
  return (
    <FullCover label={t('name')} place="foot" onBack={onBack}>
      <p>{t(timed ? 'timed' : 'untimed')}</p>
      <Button look="main" onClick={onBack}>
        {t('back')}
      </Button>
    </FullCover>
  );
}

export const cover = defineTool({
  id: 'cover',
  Icon: MonitorOff,
  letter: 'Q',
  button: 'switch',
  group: 'looking',
  access: 'everyone',
  PageLayer: CoverLayer,
  state: STATE,
});
