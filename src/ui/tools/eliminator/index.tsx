'use client';

import { own } from '@/core/own';
import { itemOf } from '@/core/attempt/state';
import { Strikethrough, Undo2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { useAttempt, useKept, usePlayer } from '../../attempt/PlayerContext';
import { switchState } from '../switchState';
import shared from '../tools.module.css';
import { defineTool, type ChoiceMarkProps } from '../types';
import styles from './eliminator.module.css';
import { Press } from '../../kit/Button';

const STATE = switchState('eliminator', 'test');

/**
 * Strikes a choice out, and brings it back, each in one press beside the choice. There is no mode to leave: pressing the
 * choice itself always answers. A chosen choice has no strike mark; choosing a struck one brings it back (the reducer).
 */
function StrikeMark({ itemRef, response, choice, label, chosen, inline }: ChoiceMarkProps) {
  const t = useTranslations('tools.eliminator');
  const { dispatch, announce } = usePlayer();
  const [{ on }] = useKept('eliminator', STATE);
  const struck = useAttempt(
    (state) => own(itemOf(state, itemRef).struck, response)?.includes(choice) ?? false,
  );
  if (!on && !struck) return null;
  if (chosen) return <span className={inline ? styles.spaceInside : styles.space} aria-hidden="true" />;
  return (
    <Press
      className={`${inline ? styles.inside : shared.choiceMark} ${styles.mark}`}
      data-struck={struck || undefined}
      aria-label={struck ? t('bringBack', { label }) : t('strike', { label })}
      title={struck ? t('bringBackShort') : t('strikeShort')}
      onClick={() => {
        dispatch({ type: 'struck', item: itemRef, response, choice, on: !struck });
        announce(struck ? t('broughtBack', { label }) : t('struck', { label }));
      }}
    >
      {struck ? (
        <Undo2 size="1.15em" aria-hidden="true" />
      ) : (
        <Strikethrough size="1.15em" aria-hidden="true" />
      )}
    </Press>
  );
}

export const eliminator = defineTool({
  id: 'eliminator',
  Icon: Strikethrough,
  letter: 'X',
  button: 'switch',
  group: 'writing',
  access: 'everyone',
  inMyView: true,
  often: true,
  ChoiceMark: StrikeMark,
  state: STATE,
});
