'use client';

import { Type } from 'lucide-react';
import { useId } from 'react';
import { useTranslations } from 'use-intl';
import {
  FACES,
  PLAIN_TEXT,
  TEXT_STEPS,
  textLook,
  textVariables,
  WIDE_SPACING,
  type TextLook,
} from '@/core/view/text';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { loadFaces } from '../../kit/fonts';
import { defineTool, type ToolState } from '../types';
import styles from './text.module.css';

const STATE: ToolState<TextLook> = { schema: textLook, initial: (needs) => needs.text, scope: 'test' };

const SPACES = ['leading', 'letters', 'words', 'paragraphs', 'measure'] as const;

/** How words are set: the face, and how far apart lines, letters, words and paragraphs stand, and how long a line grows. */
function TextPanel() {
  const t = useTranslations('tools.text');
  const { announce, needs } = usePlayer();
  const [look, keep] = useKept('text', STATE);
  const wide = { ...look, ...WIDE_SPACING };
  const group = useId();
  return (
    <div className={styles.panel}>
      <fieldset className={styles.faces}>
        <legend>{t('face')}</legend>
        {FACES.map((face) => (
          <label key={face} data-on={look.face === face || undefined}>
            <input type="radio" name={group} checked={look.face === face} onChange={() => keep({ face })} />
            <span style={{ fontFamily: textVariables({ ...PLAIN_TEXT, face })['--font'] }}>
              {t(`faces.${face}`)}
            </span>
          </label>
        ))}
      </fieldset>
      {SPACES.map((name) => (
        <label key={name} className={styles.space}>
          <span>{t(name)}</span>
          <select
            value={String(look[name])}
            onChange={(event) => {
              const step = TEXT_STEPS[name].find((one) => String(one) === event.target.value);
              if (step !== undefined) keep({ [name]: step });
            }}
          >
            {stepsOf(name, look[name]).map((step, i) => (
              <option key={String(step)} value={String(step)}>
                {t(`steps.${name}`, { step: step ?? 0, index: i })}
              </option>
            ))}
          </select>
        </label>
      ))}
      <div className={styles.row}>
        <Button
          small
          onClick={() => {
            keep(wide);
            announce(t('wideDone'));
          }}
        >
          {t('wide')}
        </Button>
        <Button
          small
          onClick={() => {
            keep(needs.text);
            announce(t('resetDone'));
          }}
        >
          {t('reset')}
        </Button>
      </div>
    </div>
  );
}

/** The steps of a setting; one that came from elsewhere (a teacher, a profile) stands among them. */
function stepsOf(name: (typeof SPACES)[number], now: number | null): readonly (number | null)[] {
  const steps: readonly (number | null)[] = TEXT_STEPS[name];
  return steps.includes(now) ? steps : [...steps, now];
}

export const text = defineTool({
  id: 'text',
  Icon: Type,
  letter: 'T',
  button: 'panel',
  group: 'looking',
  access: 'everyone',
  inMyView: true,
  Panel: TextPanel,
  preload: () => loadFaces(/Lexend|OpenDyslexic|Source Serif/),
  state: STATE,
  pageLook: (look) => ({ text: look }),
});
