'use client';

import { useTranslations } from 'use-intl';
import type { DeliveredTest } from '@/core/item/delivered';
import { own } from '@/core/own';
import content from '../content/content.module.css';
import { ContentTitle } from '../content/ContentView';
import { PassageText } from '../content/PassageText';
import styles from './entry.module.css';

interface Props {
  readonly names: readonly string[];
  readonly stimuli: DeliveredTest['stimuli'];
  readonly assetUrl: (path: string) => string;
}

/** What is read to an answer that is looked at; nothing where there is none. */
export function Passages({ names, stimuli, assetUrl }: Props) {
  const t = useTranslations('answers');
  if (names.length === 0) return null;
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- a region that scrolls must be reachable by keys
    <section key={names.join()} className={styles.read} tabIndex={0} aria-label={t('passage')}>
      {names.map((name) => {
        const stimulus = own(stimuli, name);
        return (
          stimulus && (
            <div key={name} className={content.content}>
              <h2>
                <ContentTitle language={stimulus.language}>{stimulus.title}</ContentTitle>
              </h2>
              <PassageText stimulus={stimulus} slots={{ assetUrl, enlarge: true }} />
            </div>
          )
        );
      })}
    </section>
  );
}
