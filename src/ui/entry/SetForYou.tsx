'use client';

import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { AccessNeeds } from '@/core/needs';
import styles from './entry.module.css';

/** Something to know before a test. */
export function Fact({ name, value, note }: { name: string; value: ReactNode; note?: string }) {
  return (
    <div className={styles.fact}>
      <span className={styles.soft}>{name}</span>
      <b>{value}</b>
      {note !== undefined && <span className={styles.soft}>{note}</span>}
    </div>
  );
}

/** Where the name of a tool stands; one that this product has not has none. */
const nameKey = (id: string) => `${id}.name` as 'eliminator.name';

/** Tools by the names the rail gives them, inside a sentence. */
export function useNamedTools(): (ids: readonly string[]) => string[] {
  const tools = useTranslations('tools');
  return (ids) => ids.flatMap((id) => (tools.has(nameKey(id)) ? [tools(nameKey(id)).toLowerCase()] : []));
}

/** What is on already for this student. */
export function SetForYou({ needs, label }: { readonly needs: AccessNeeds; readonly label?: string }) {
  const t = useTranslations('before');
  const named = useNamedTools();
  const colours = useTranslations('tools.colours.schemes');
  const set = [
    ...(needs.scheme === 'paper' ? [] : [t('needs.scheme', { scheme: colours(needs.scheme).toLowerCase() })]),
    ...(needs.magnification === 1
      ? []
      : [t('needs.magnification', { percent: Math.round(needs.magnification * 100) })]),
    // Tools that are on from the start, by the names the rail gives them.
    ...named(needs.toolsOn),
  ];
  return set.length === 0 ? null : <Fact name={label ?? t('setForYou')} value={set.join(', ')} />;
}
