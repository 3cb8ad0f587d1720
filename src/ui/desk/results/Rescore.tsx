'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { KeyVersion, RescoringPreview, TestWithResults } from '@/core/wire/results';
import { Alert, Button, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { Labelled } from '../../entry/Labelled';
import { useAsk } from '../../entry/useAsk';
import { DeskPage } from '../DeskPage';
import desk from '../desk.module.css';
import { useDateWords } from '../useDateWords';
import { useReason } from '../useReason';
import { Difference } from './Difference';
import styles from './results.module.css';

interface Props {
  readonly user: DeskUser;
  readonly test: TestWithResults;
  readonly versions: readonly KeyVersion[];
  readonly chosen: KeyVersion | null;
  /** Null until a version is chosen that is not in use already. */
  readonly preview: RescoringPreview | null;
  /** Why it cannot be shown, as a refusal's code. */
  readonly refused: string | null;
}

/** A test is scored again by the keys of another version, once what that changes has been seen. */
export function Rescore({ user, ...rest }: Props) {
  return (
    <DeskPage user={user} place="results">
      <Steps key={rest.chosen?.testId} {...rest} />
    </DeskPage>
  );
}

function Steps({ test, versions, chosen, preview, refused }: Omit<Props, 'user'>) {
  const t = useTranslations('results.rescore');
  const refusals = useTranslations('refusals');
  return (
    <>
      <h1>{t('title', { test: test.title })}</h1>
      <p className={entry.soft}>{t('text')}</p>
      <a href={`/desk/results/${test.testId}`}>{t('back')}</a>
      <Choose test={test} versions={versions} chosen={chosen} />
      {chosen?.counts && <p role="status">{t('counts')}</p>}
      {refused !== null && (
        <Alert
          type="error"
          showIcon
          role="alert"
          title={refusals(refused as 'does-not-fit', { seconds: 0 })}
          className={entry.alert}
        />
      )}
      {preview && (
        <section aria-labelledby="difference" className={desk.rooms}>
          <h2 id="difference">{t('difference')}</h2>
          <Difference preview={preview} />
          {chosen && preview.misfits.length === 0 && (
            <Do testId={test.testId} keyTestId={chosen.testId} preview={preview} />
          )}
        </section>
      )}
    </>
  );
}

/** Which version's keys. */
function Choose({ test, versions, chosen }: Pick<Props, 'test' | 'versions' | 'chosen'>) {
  const t = useTranslations('results.rescore');
  const { dateTime } = useDateWords();
  const first = chosen ?? versions.find(({ counts }) => !counts) ?? null;
  const [by, setBy] = useState(first?.testId ?? null);
  return (
    <div className={styles.choose}>
      <Labelled label={t('version')}>
        {(id) => (
          <Select
            id={id}
            size="large"
            value={by}
            onChange={setBy}
            options={versions.map(({ testId, importedAt, own, counts }) => ({
              value: testId,
              label: t('of', { date: dateTime(importedAt), own: String(own), counts: String(counts) }),
            }))}
          />
        )}
      </Labelled>
      <Button size="large" href={`/desk/results/${test.testId}/rescore?by=${by ?? ''}#difference`}>
        {t('choose')}
      </Button>
    </div>
  );
}

/** Doing it, for a reason. */
function Do({
  testId,
  keyTestId,
  preview,
}: {
  readonly testId: number;
  readonly keyTestId: number;
  readonly preview: RescoringPreview;
}) {
  const t = useTranslations('results.rescore');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const reason = useReason({ label: t('reason'), text: t('reasonText'), missing: t('missing') });
  const rescore = async () => {
    const why = reason.given();
    if (why === null || working) return;
    if (await ask(`/api/tests/${testId}/rescore`, { keyTestId, reason: why }))
      router.push(`/desk/results/${testId}`);
  };
  return (
    <div className={styles.do}>
      {preview.told > 0 && <p>{t('told', { count: preview.told })}</p>}
      {reason.field}
      {problem}
      <Button type="primary" size="large" aria-disabled={working || undefined} onClick={() => void rescore()}>
        {working ? t('working') : t('do', { count: preview.attempts })}
      </Button>
    </div>
  );
}
