'use client';

import { useRef, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import { usePlayer } from '../../attempt/PlayerContext';
import content from '../../content/content.module.css';
import { PassageText } from '../../content/PassageText';
import type { SheetLayerProps } from '../../tools/types';
import { PageLayers } from '../PageLayers';
import { ItemBody } from '../sheets/InteractionHost';
import { TextLayers } from '../TextLayers';
import styles from './sample.module.css';

interface Props {
  /** Without its passage, which stands elsewhere. */
  readonly alone?: boolean;
  /** A button inside the question asks for a check; `by`: its response. */
  readonly onCheck?: (by: string) => void;
}
const nothing = () => undefined;

/** A passage and a question as they stand in a test, with every tool that is on; nothing of it is kept. */
export function Sample({ alone = false, onCheck = nothing }: Props) {
  const t = useTranslations('myView');
  const { test, assetUrl } = usePlayer();
  const [item] = Object.values(test.items);
  const passage = alone ? undefined : item?.stimuli[0];
  const stimulus = passage === undefined ? undefined : own(test.stimuli, passage);
  if (!item) return null;
  return (
    <div className={styles.sample}>
      {stimulus && (
        <Paper sheet="passage" textId={`stimulus:${passage ?? ''}`} title={stimulus.title}>
          <PassageText stimulus={stimulus} slots={{ assetUrl }} />
        </Paper>
      )}
      <Paper sheet="question" textId={`item:${item.ref}`} title={t('question')}>
        <ItemBody item={item} onCheck={onCheck} />
      </Paper>
      <PageLayers />
    </div>
  );
}

interface PaperProps extends Pick<SheetLayerProps, 'textId'> {
  readonly sheet: 'passage' | 'question';
  readonly title: string;
  readonly children: ReactNode;
}

/** A sheet as high as what is on it. */
function Paper({ sheet, textId, title, children }: PaperProps) {
  const contentRef = useRef<HTMLDivElement>(null);
  return (
    <section className={styles.paper} data-sheet={sheet} aria-label={title}>
      <h3>{title}</h3>
      <div ref={contentRef} className={`${styles.content} ${content.content}`} data-text-root={textId}>
        {children}
        <TextLayers {...{ sheet, textId, contentRef }} />
      </div>
    </section>
  );
}
