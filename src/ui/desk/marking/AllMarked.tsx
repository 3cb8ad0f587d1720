'use client';

import type { DeskUser } from '@/core/wire/desk';
import { Button } from 'antd';
import { useTranslations } from 'use-intl';
import { DeskPage } from '../DeskPage';

/** Nothing of a question waits for this reader any more. */
export function AllMarked({ title, user }: { readonly user: DeskUser; readonly title: string }) {
  return (
    <DeskPage user={user} place="marking">
      <Done title={title} />
    </DeskPage>
  );
}

function Done({ title }: { readonly title: string }) {
  const t = useTranslations('marking');
  return (
    <>
      <h1>{t('allDone')}</h1>
      <p>{t('allDoneText', { title })}</p>
      <Button size="large" type="primary" href="/desk/marking">
        {t('back')}
      </Button>
    </>
  );
}
