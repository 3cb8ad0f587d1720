'use client';

import { useTranslations } from 'use-intl';
import { partsOf, type DeliveredPart } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';
import { SentenceWith } from '../../content/ContentView';

/** What a part is called: its title, else its number among the parts that have questions. */
export function usePartName(): (part: DeliveredPart) => string {
  const t = useTranslations('stages');
  const { test } = usePlayer();
  const parts = partsOf(test);
  return (part) =>
    part.title !== ''
      ? part.title
      : t('part', { number: parts.findIndex((one) => one.identifier === part.identifier) + 1 });
}

/** A part's name, or a sentence with it: a title is in the test's language, a number in the page's. */
export function PartName({
  part,
  say = (name) => name,
}: {
  readonly part: DeliveredPart;
  readonly say?: (name: string) => string;
}) {
  const { test } = usePlayer();
  const name = usePartName()(part);
  return <SentenceWith title={name} language={part.title === '' ? null : test.language} say={say} />;
}
