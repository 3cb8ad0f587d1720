'use client';

import { useTranslations } from 'use-intl';
import type { Act } from '@/core/access/access';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import { PeopleTable, type PersonRow } from './PeopleTable';
import { Roster } from './Roster';

interface Props {
  readonly name: string;
  readonly acts: readonly Act[];
  /** Whoever is here. */
  readonly self: number;
  readonly people: readonly PersonRow[];
}

/** Who is here: brought in by the school's roster, found, given passwords. */
export function People({ name, acts, self, people }: Props) {
  return (
    <DeskPage name={name} acts={acts} place="people">
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
