'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { LibraryPackage } from '@/core/wire/library';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import { Bring } from './Bring';
import { Packages } from './Packages';

interface Props {
  readonly user: DeskUser;
  readonly packages: readonly LibraryPackage[];
}

/** What can be given: packages brought here, looked at, written out again. */
export function Library({ user, packages }: Props) {
  return (
    <DeskPage user={user} place="library">
      <Title />
      <Bring />
      <Packages packages={packages} />
    </DeskPage>
  );
}

function Title() {
  const t = useTranslations('library');
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
    </>
  );
}
