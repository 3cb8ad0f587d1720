'use client';

import { Volume2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { scriptOf } from '@/core/tools/speech';
import { Button } from '../../kit/Button';
import { findVoice, type Voice } from './voice';

type Step = 'begin' | 'starting' | 'sounding' | 'ask' | 'heard' | 'not-heard' | 'failed';

/** Says a sentence with the voice that would read aloud, and asks whether it was heard. */
export function SoundCheck() {
  const t = useTranslations('soundCheck');
  const [step, setStep] = useState<Step>('begin');
  const [voice, setVoice] = useState<Voice | null>(null);
  const turn = useRef(0);
  const yes = useRef<HTMLButtonElement>(null);
  const speaking = useRef<Voice>(null);
  useEffect(
    () => () => {
      turn.current += 1;
      speaking.current?.stop();
    },
    [],
  );
  useEffect(() => {
    if (step === 'ask') yes.current?.focus();
  }, [step]);
  const play = async () => {
    turn.current += 1;
    const mine = turn.current;
    speaking.current?.stop();
    setStep('starting');
    try {
      const found = await findVoice();
      const sentences = scriptOf([
        { text: t('sentence'), start: 0, language: document.documentElement.lang, block: 1 },
      ]);
      if (mine !== turn.current) return;
      speaking.current = found;
      setVoice(found);
      for (const sentence of sentences)
        await found.speak(
          sentence,
          { rate: 1, volume: 1 },
          () => mine === turn.current && setStep('sounding'),
        );
      if (mine === turn.current) setStep('ask');
    } catch {
      if (mine === turn.current) setStep('failed');
    }
  };
  const said = step === 'starting' || step === 'sounding' || step === 'begin' ? null : t(`said.${step}`);
  return (
    <div data-sound-check={step}>
      <p>{t('text')}</p>
      <Button onClick={() => void play()}>
        <Volume2 size="1.15em" aria-hidden="true" />
        {t(step === 'begin' ? 'play' : step === 'starting' || step === 'sounding' ? 'sounding' : 'again')}
      </Button>
      <p role="status">{said}</p>
      {(step === 'ask' || step === 'heard' || step === 'not-heard') && (
        <div role="group" aria-label={t('said.ask')}>
          <Button ref={yes} small aria-pressed={step === 'heard'} onClick={() => setStep('heard')}>
            {t('yes')}
          </Button>{' '}
          <Button small aria-pressed={step === 'not-heard'} onClick={() => setStep('not-heard')}>
            {t('no')}
          </Button>
        </div>
      )}
      {voice && <p>{voice.kind === 'shipped' ? t('shipped') : t('device', { name: voice.name })}</p>}
    </div>
  );
}
