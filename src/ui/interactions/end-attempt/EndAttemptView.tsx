'use client';

import { useTranslations } from 'use-intl';
import type { EndAttemptModel } from '@/core/interactions/end-attempt';
import { responseTexts } from '@/core/content/response';
import type { InteractionProps } from '../types';
import { Button } from '../../kit/Button';

/** A button that ends this try, e.g. to ask for a hint. Where nothing is checked on the way it only says that it was pressed. */
export function EndAttemptView({
  model,
  response,
  onAnswer,
  endTry,
  announce,
  readOnly,
}: InteractionProps<EndAttemptModel>) {
  const t = useTranslations('interactions.endAttempt');
  const pressed = responseTexts(response)[0] === 'true';
  return (
    <Button
      disabled={readOnly}
      aria-pressed={endTry ? undefined : pressed}
      onClick={() => {
        if (endTry) return endTry();
        onAnswer(pressed ? null : 'true');
        return announce(t(pressed ? 'takenBack' : 'asked'));
      }}
    >
      {model.title || t('title')}
    </Button>
  );
}
