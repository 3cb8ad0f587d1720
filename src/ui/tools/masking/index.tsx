'use client';

import { EyeOff, Eye, SquareDashed } from 'lucide-react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { useKept, useKeptAt, usePlayer } from '../../attempt/PlayerContext';
import { Press } from '../../kit/Button';
import { switchState } from '../switchState';
import { defineTool, type ChoiceMarkProps, type ToolState } from '../types';
import shared from '../tools.module.css';
import styles from './masking.module.css';

const STATE = switchState('masking', 'test');
const uncovered = z.object({ shown: z.array(z.string()) });
const UNCOVERED: ToolState<z.infer<typeof uncovered>> = {
  schema: uncovered,
  initial: () => ({ shown: [] }),
  scope: 'question',
};

/** Covers a choice until it is uncovered; a chosen one is never covered. */
function ChoiceCover({ itemRef, response, choice, label, chosen, inline }: ChoiceMarkProps) {
  const t = useTranslations('tools.masking');
  const { announce } = usePlayer();
  const [{ on }] = useKept('masking', STATE);
  const [{ shown }, keep] = useKeptAt('masking', itemRef, UNCOVERED);
  if (!on || chosen || inline) return null;
  const name = `${response}:${choice}`;
  if (shown.includes(name))
    return (
      <Press
        className={shared.choiceMark}
        aria-label={t('cover', { label })}
        title={t('coverShort')}
        onClick={() => {
          keep({ shown: shown.filter((one) => one !== name) });
          announce(t('covered'));
        }}
      >
        <EyeOff size="1.15em" aria-hidden="true" />
      </Press>
    );
  return (
    <Press
      className={styles.cover}
      data-mask=""
      onClick={() => {
        keep({ shown: [...shown, name] });
        announce(label);
      }}
    >
      <Eye size="1.15em" aria-hidden="true" />
      {t('uncover')}
    </Press>
  );
}

export const masking = defineTool({
  id: 'masking',
  Icon: SquareDashed,
  letter: 'M',
  button: 'switch',
  group: 'reading',
  access: 'everyone',
  inMyView: true,
  ChoiceMark: ChoiceCover,
  state: STATE,
});
