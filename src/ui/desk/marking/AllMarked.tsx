'use client';

import { Button } from 'antd';
import { useTranslations } from 'use-intl';
import type { Act } from '@/core/access/access';
import { DeskPage } from '../DeskPage';

/** Nothing of a question waits for this reader any more. */
export function AllMarked({
  title,
  ...frame
}: {
  readonly name: string;
  readonly acts: readonly Act[];
  readonly title: string;
}) {
  return (
    <DeskPage {...frame} place="marking">
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
