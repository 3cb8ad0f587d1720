'use client';

import type { PackageReport } from '@/core/wire/desk';
import { Alert, Button, Progress, Upload } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { PACKAGE_BYTES } from '@/core/wire/uploads';
import entry from '../../entry/entry.module.css';
import { post } from '../../kit/post';
import { useHydrated } from '../../kit/useHydrated';
import desk from '../desk.module.css';
import { Problems } from '../Problems';
import { sendPackage } from './sendPackage';

/** How far a package is on its way. */
type Step =
  | { readonly at: 'none' }
  | { readonly at: 'sending'; readonly share: number }
  | { readonly at: 'looked-at'; readonly id: string; readonly report: PackageReport }
  | { readonly at: 'bringing'; readonly id: string; readonly report: PackageReport }
  | { readonly at: 'brought'; readonly report: PackageReport }
  | { readonly at: 'failed'; readonly code: string };

const headingOf = ({ ok, identifier, standing }: PackageReport) =>
  ok ? (`standing.${standing}` as const) : identifier === '' ? 'unreadable' : 'refused';

/** A package is sent, looked at, and brought into the library once it is said what is in it. */
export function Bring() {
  const t = useTranslations('library.bring');
  const refusals = useTranslations('refusals');
  const router = useRouter();
  const hydrated = useHydrated();
  const [name, setName] = useState('');
  const [step, setStep] = useState<Step>({ at: 'none' });
  const reportRef = useRef<HTMLHeadingElement>(null);
  const shown = 'report' in step ? step.report : null;
  const told = step.at === 'brought' || step.at === 'looked-at';
  // What came of it stands below what was pressed.
  useEffect(() => {
    if (told) reportRef.current?.focus();
  }, [told, shown]);
  const busy = step.at === 'sending' || step.at === 'bringing';
  const choose = async (file: File) => {
    setName(file.name);
    if (file.size > PACKAGE_BYTES) return setStep({ at: 'failed', code: 'too-large' });
    setStep({ at: 'sending', share: 0 });
    const sent = await sendPackage(file, (share) => setStep({ at: 'sending', share }));
    return setStep(sent.ok ? { at: 'looked-at', ...sent.data } : { at: 'failed', code: sent.code });
  };
  const bring = async (id: string, report: PackageReport) => {
    setStep({ at: 'bringing', id, report });
    const brought = await post<PackageReport>(`/api/library/uploads/${id}/read`, { bring: true });
    setStep(brought.ok ? { at: 'brought', report: brought.data } : { at: 'failed', code: brought.code });
    if (brought.ok) router.refresh();
  };
  return (
    <section aria-labelledby="bring" className={desk.rooms} data-ready={hydrated || undefined}>
      <h2 id="bring">{t('title')}</h2>
      <p>{t('text')}</p>
      <Upload.Dragger
        accept=".zip,application/zip"
        beforeUpload={(file) => {
          if (!busy) void choose(file);
          // Nothing is sent but by us.
          return false;
        }}
        showUploadList={false}
        className={desk.drop}
      >
        <p>
          <b>{t('drop')}</b>
        </p>
        <p className={entry.soft}>{name === '' ? t('dropNote') : name}</p>
      </Upload.Dragger>
      {step.at === 'sending' && (
        <div className={desk.report} role="status">
          <p>{t(step.share < 1 ? 'sending' : 'reading')}</p>
          <Progress
            percent={Math.floor(step.share * 100)}
            status="normal"
            aria-label={t('sending')}
            className={desk.progress}
          />
        </div>
      )}
      {step.at === 'failed' && (
        <Alert
          type="error"
          showIcon
          role="alert"
          className={entry.alert}
          title={
            step.code === 'too-large' ? t('tooLarge') : refusals(step.code as 'network', { seconds: 10 })
          }
        />
      )}
      {shown && (
        <div className={desk.report}>
          <h3 ref={reportRef} tabIndex={-1}>
            {step.at === 'brought' ? t('brought') : t(headingOf(shown))}
          </h3>
          {shown.ok && (
            <p>
              {t('holds', { items: shown.items })} · {t('tests', { count: shown.tests.length })}{' '}
              {shown.tests.join(', ')}
            </p>
          )}
          <p>{t('problems', { count: shown.problems.length })}</p>
          <Problems problems={shown.problems} />
          {(step.at === 'looked-at' || step.at === 'bringing') && shown.ok && shown.standing !== 'here' && (
            <Button
              type="primary"
              size="large"
              aria-disabled={busy || undefined}
              onClick={() => !busy && void bring(step.id, shown)}
            >
              {t(step.at === 'bringing' ? 'bringing' : 'do')}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
