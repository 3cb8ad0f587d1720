'use client';

import type { PackageReport } from '@/core/wire/library';
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
import { sendPackage, type OnItsWay } from './sendPackage';

/** A package that has been looked at: by what name it lies at the server, and what is in it. */
interface LookedAt {
  readonly id: string;
  readonly report: PackageReport;
  /** It is in the library now. */
  readonly brought: boolean;
}

const headingOf = ({ ok, identifier, standing }: PackageReport) =>
  ok ? (`standing.${standing}` as const) : identifier === '' ? 'unreadable' : 'refused';

/** A package is sent, looked at, and brought into the library once it is said what is in it. */
export function Bring() {
  const t = useTranslations('library.bring');
  const refusals = useTranslations('refusals');
  const router = useRouter();
  const hydrated = useHydrated();
  const [name, setName] = useState('');
  const [way, setWay] = useState<OnItsWay | null>(null);
  const [looked, setLooked] = useState<LookedAt | null>(null);
  const [bringing, setBringing] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const reportRef = useRef<HTMLHeadingElement>(null);
  // What came of it stands below what was pressed.
  useEffect(() => {
    if (looked) reportRef.current?.focus();
  }, [looked]);
  const busy = way !== null || bringing;
  const choose = async (file: File) => {
    setName(file.name);
    setLooked(null);
    setProblem(null);
    if (file.size > PACKAGE_BYTES) return setProblem('too-large');
    setWay({ share: 0, waiting: false });
    const sent = await sendPackage(file, setWay);
    setWay(null);
    return sent.ok ? setLooked({ ...sent.data, brought: false }) : setProblem(sent.code);
  };
  const bring = async ({ id }: LookedAt) => {
    setBringing(true);
    setProblem(null);
    const answer = await post<PackageReport>(`/api/library/uploads/${id}/read`, { bring: true });
    setBringing(false);
    // What could not be brought now can be once more.
    if (!answer.ok) return setProblem(answer.code);
    setLooked({ id, report: answer.data, brought: answer.data.ok });
    return router.refresh();
  };
  const shown = looked?.report;
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
      {way && (
        <div className={desk.report} role="status">
          <p>{t(way.waiting ? 'waiting' : way.share < 1 ? 'sending' : 'reading')}</p>
          <Progress
            percent={Math.floor(way.share * 100)}
            status="normal"
            aria-label={t('sending')}
            className={desk.progress}
          />
        </div>
      )}
      {problem !== null && (
        <Alert
          type="error"
          showIcon
          role="alert"
          className={entry.alert}
          title={problem === 'too-large' ? t('tooLarge') : refusals(problem as 'network', { seconds: 10 })}
        />
      )}
      {looked && shown && (
        <div className={desk.report}>
          <h3 ref={reportRef} tabIndex={-1}>
            {t(looked.brought ? 'brought' : headingOf(shown))}
          </h3>
          {shown.ok && (
            <p>
              {t('holds', { items: shown.items })} · {t('tests', { count: shown.tests.length })}{' '}
              {shown.tests.join(', ')}
            </p>
          )}
          <p>{t('problems', { count: shown.problems.length })}</p>
          <Problems problems={shown.problems} />
          {!looked.brought && shown.ok && shown.standing !== 'here' && (
            <Button
              type="primary"
              size="large"
              aria-disabled={busy || undefined}
              onClick={() => !busy && void bring(looked)}
            >
              {t(bringing ? 'bringing' : 'do')}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
