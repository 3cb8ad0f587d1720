'use client';

import { useId, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { contentText } from '@/core/content/content';
import type { PortableCustomModel } from '@/core/interactions/portable-custom';
import { Button } from '../../kit/Button';
import shared from '../shared.module.css';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './portableCustom.module.css';
import { useFrame } from './useFrame';

/** Somebody else's interaction in a frame of its own: what it answers is kept like any other answer. */
export function PortableCustomView({
  model,
  response,
  shape,
  slots,
  readOnly,
  onAnswer,
  ownState,
}: InteractionProps<PortableCustomModel>) {
  const t = useTranslations('interactions.portableCustom');
  const id = useId();
  const frameRef = useRef<HTMLIFrameElement>(null);
  const title = contentText(model.prompt).trim() || t('title');
  const { standing, height, again } = useFrame(frameRef, {
    model,
    response,
    shape,
    title,
    state: ownState?.value ?? null,
    closed: readOnly,
    assetUrl: slots.assetUrl,
    onAnswer: (next) => onAnswer(next, 'typing'),
    onState: (next) => ownState?.set(next),
  });
  return (
    <Task model={model} slots={slots}>
      <iframe
        ref={frameRef}
        className={styles.frame}
        title={title}
        sandbox="allow-scripts"
        style={{ height }}
        aria-describedby={id}
        hidden={standing === 'failed'}
      />
      <div id={id} role="status">
        {standing !== 'ready' && <p className={shared.notice}>{t(standing)}</p>}
      </div>
      {standing === 'failed' && <Button onClick={again}>{t('again')}</Button>}
    </Task>
  );
}
