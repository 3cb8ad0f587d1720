'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import { sliderText, type SliderModel } from '@/core/interactions/slider';
import { responseTexts } from '@/core/content/response';
import { useNumbers } from '../../content/useNumbers';
import { Prompt } from '../Prompt';
import type { InteractionProps } from '../types';
import { Hint } from '../shared/Hint';
import styles from './slider.module.css';

/** A value between two bounds: the browser's own slider. "Not set yet" until the student has moved or pressed it. */
export function SliderView({ model, response, onAnswer, slots, position }: InteractionProps<SliderModel>) {
  const t = useTranslations('interactions.slider');
  const id = useId();
  const numbers = useNumbers();
  const show = (number: string): string =>
    model.unit === undefined ? numbers.show(number) : `${numbers.show(number)}\u00a0${model.unit}`;
  const answer = responseTexts(response)[0];
  const middle = model.lower + Math.round((model.upper - model.lower) / 2 / model.step) * model.step;
  const value = answer === undefined ? middle : Number(answer);
  const give = (next: number) => onAnswer(sliderText(next));
  return (
    <div className={styles.block} data-unit="box" data-unit-key={model.responseIdentifier}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      <Hint>{t('hint')}</Hint>
      <p className={styles.value} aria-hidden="true">
        {answer === undefined ? t('notSet') : show(answer)}
      </p>
      <div className={styles.line} data-vertical={model.vertical || undefined}>
        <span>{show(sliderText(model.reverse ? model.upper : model.lower))}</span>
        <input
          type="range"
          className={styles.range}
          min={model.lower}
          max={model.upper}
          step={model.step}
          value={value}
          dir={model.reverse ? 'rtl' : undefined}
          data-unset={answer === undefined || undefined}
          aria-labelledby={model.prompt.length > 0 ? id : undefined}
          aria-label={model.prompt.length > 0 ? undefined : t('label', position)}
          aria-valuetext={answer === undefined ? t('notSet') : show(answer)}
          onChange={(event) => give(Number(event.target.value))}
          onPointerUp={() => {
            if (answer === undefined) give(value);
          }}
          onKeyDown={(event) => {
            if (answer === undefined && (event.key === 'Enter' || event.key === ' ')) {
              event.preventDefault();
              give(value);
            }
          }}
        />
        <span>{show(sliderText(model.reverse ? model.lower : model.upper))}</span>
      </div>
    </div>
  );
}
