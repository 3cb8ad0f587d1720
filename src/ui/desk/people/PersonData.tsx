'use client';

import type { PersonPage, WhatIsErased } from '@/core/wire/people';
import { Button, Checkbox } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { useAsk } from '../../entry/useAsk';
import { useFocusBack } from '../../kit/useFocusBack';
import desk from '../desk.module.css';
import { DeskDialog } from '../DeskDialog';
import { useReason } from '../useReason';

interface Props {
  readonly person: PersonPage;
  readonly erased: WhatIsErased;
  /** It is whoever looks: nobody erases themselves. */
  readonly self: boolean;
}

/** What is kept of a person: handed out whole, and erased. */
export function PersonData({ person, erased, self }: Props) {
  const t = useTranslations('person.data');
  const [open, setOpen] = useState(false);
  return (
    <section aria-labelledby="data" className={desk.rooms}>
      <h2 id="data">{t('title')}</h2>
      <p>{t('handOutText')}</p>
      <p>
        <Button size="large" href={`/api/users/${person.id}/export/person.zip`}>
          {t('handOut')}
        </Button>
      </p>
      {self ? (
        <p>{t('self')}</p>
      ) : (
        <p>
          <Button size="large" danger onClick={() => setOpen(true)}>
            {t('erase')}
          </Button>
        </p>
      )}
      <DeskDialog
        open={open}
        title={t('eraseTitle', { name: person.displayName })}
        onClose={() => setOpen(false)}
      >
        <Erase person={person} erased={erased} onClose={() => setOpen(false)} />
      </DeskDialog>
    </section>
  );
}

function Erase({ person, erased, onClose }: Omit<Props, 'self'> & { readonly onClose: () => void }) {
  const t = useTranslations('person.data');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const reason = useReason({ label: t('reason'), missing: t('missing') });
  const [sure, setSure] = useState(false);
  const [unsure, setUnsure] = useState(false);
  useFocusBack();
  const go = async () => {
    const why = reason.given();
    setUnsure(!sure);
    if (why === null || !sure || working) return;
    if (await ask(`/api/users/${person.id}/erase`, { reason: why })) router.push('/desk/people');
  };
  const gone = [
    t('gone.account'),
    ...(person.needs
      ? [t('gone.attempts', { count: erased.attempts }), t('gone.given', { count: erased.assignments })]
      : []),
    ...(person.kept?.ofRoster ? [t('gone.roster')] : []),
  ];
  const stays = [
    ...(erased.supervision > 0 ? [t('stays.supervision', { count: erased.supervision })] : []),
    ...(erased.marksGiven > 0 ? [t('stays.marks', { count: erased.marksGiven })] : []),
    ...(person.needs ? [] : [t('stays.journals')]),
    t('stays.backups'),
  ];
  if (erased.running)
    return (
      <div className={desk.more}>
        <p>{t('running')}</p>
        <Button size="large" onClick={onClose}>
          {t('close')}
        </Button>
      </div>
    );
  return (
    <div className={desk.more}>
      <h3>{t('goneTitle')}</h3>
      <Lines lines={gone} />
      <h3>{t('staysTitle')}</h3>
      <Lines lines={stays} />
      {reason.field}
      <Checkbox checked={sure} onChange={({ target }) => setSure(target.checked)}>
        {t('sure')}
      </Checkbox>
      {unsure && !sure && (
        <p role="alert">
          <b>{t('unsure')}</b>
        </p>
      )}
      {problem}
      <div className={desk.moreWay}>
        <Button size="large" danger aria-disabled={working || undefined} onClick={() => void go()}>
          {t('eraseNow')}
        </Button>
      </div>
    </div>
  );
}

const Lines = ({ lines }: { readonly lines: readonly string[] }) => (
  <ul>
    {lines.map((line) => (
      <li key={line}>{line}</li>
    ))}
  </ul>
);
