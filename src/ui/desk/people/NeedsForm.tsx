'use client';

import type { PersonPage } from '@/core/wire/people';
import { Button, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { isLanguageTag } from '@/core/languages';
import type { AccessNeeds } from '@/core/needs';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { useHydrated } from '../../kit/useHydrated';
import desk from '../desk.module.css';
import { NeedsFields } from './NeedsFields';
import { NeedsFile } from './NeedsFile';
import styles from './people.module.css';

interface Props {
  readonly person: PersonPage;
  readonly needs: AccessNeeds;
}

/** What a student's tests begin with: set by hand, or from the student's file. */
export function NeedsForm({ person, needs }: Props) {
  const t = useTranslations('person.needs');
  const router = useRouter();
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const [set, setSet] = useState(needs);
  const [kept, setKept] = useState(false);
  const change = (next: AccessNeeds) => {
    setSet(next);
    setKept(false);
  };
  const odd = set.languages.filter((one) => !isLanguageTag(one));
  const keep = async () => {
    if (working || odd.length > 0) return;
    if ((await ask(`/api/users/${person.id}/needs`, { needs: set }, true)) === null) return;
    setKept(true);
    router.refresh();
  };
  return (
    <section aria-labelledby="needs" className={desk.rooms} data-ready={hydrated || undefined}>
      <h2 id="needs">{t('title')}</h2>
      <p>{t('text')}</p>
      {person.choseThemselves && <p>{t('chose', { name: person.displayName })}</p>}
      <NeedsFile personId={person.id} onRead={change} />
      <NeedsFields needs={set} onChange={change} />
      {odd.length > 0 && <p role="alert">{t('odd', { tags: odd.join(', ') })}</p>}
      {problem}
      <Space wrap className={styles.keep}>
        <Button
          type="primary"
          size="large"
          disabled={!hydrated}
          aria-disabled={working || undefined}
          onClick={() => void keep()}
        >
          {t('keep')}
        </Button>
        <p role="status" className={entry.soft}>
          {kept && t('kept')}
        </p>
      </Space>
    </section>
  );
}
