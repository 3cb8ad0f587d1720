'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { PersonHere } from '@/core/wire/people';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import { PeopleTable } from './PeopleTable';
import { Roster } from './Roster';

interface Props {
  readonly user: DeskUser;
  /** Whoever is here. */
  readonly self: number;
  readonly people: readonly PersonHere[];
}

/** Who is here: brought in by the school's roster, found, given passwords. */
export function People({ user, self, people }: Props) {
  return (
    <DeskPage user={user} place="people">
      <Title />
      <Roster />
      <PeopleTable people={people} self={self} />
    </DeskPage>
  );
}

function Title() {
  const t = useTranslations('people');
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
    </>
  );
}
