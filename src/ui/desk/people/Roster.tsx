'use client';

import type { RosterReport } from '@/core/wire/people';
import { Alert, Button, Checkbox, Upload } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { ROSTER_BYTES } from '@/core/wire/uploads';
import entry from '../../entry/entry.module.css';
import { useHydrated } from '../../kit/useHydrated';
import desk from '../desk.module.css';
import { Problems } from '../Problems';

/** What the roster does, in the order it is told. */
const DOES = ['add', 'change', 'end'] as const;
const KINDS = ['orgs', 'academicSessions', 'courses', 'classes', 'users', 'roles', 'enrollments'] as const;

type Sent = { readonly report: RosterReport } | { readonly problem: string };

async function send(file: File, apply: boolean): Promise<Sent> {
  try {
    const response = await fetch(`/api/roster${apply ? '?apply' : ''}`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: file,
    });
    const answer = (await response.json()) as RosterReport & { code?: string };
    return response.ok ? { report: answer } : { problem: answer.code ?? 'network' };
  } catch {
    return { problem: 'network' };
  }
}

const isNothing = (report: RosterReport): boolean =>
  DOES.every((does) => Object.keys(report[does]).length === 0);

/** The school's roster: an archive is looked at first, and brought in once it is said what it does. */
export function Roster() {
  const t = useTranslations('people.roster');
  const refusals = useTranslations('refusals');
  const router = useRouter();
  const hydrated = useHydrated();
  const [file, setFile] = useState<File | null>(null);
  const [report, setReport] = useState<RosterReport | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const [brought, setBrought] = useState(false);
  const [sure, setSure] = useState(false);
  const reportRef = useRef<HTMLHeadingElement>(null);
  // What came of it stands below what was pressed.
  useEffect(() => reportRef.current?.focus(), [report]);
  const ask = async (chosen: File, apply: boolean) => {
    setWorking(true);
    setProblem(null);
    const sent = await send(chosen, apply);
    setWorking(false);
    if ('problem' in sent) return setProblem(sent.problem);
    setReport(sent.report);
    setBrought(apply && sent.report.ok);
    setSure(false);
    if (apply && sent.report.ok) router.refresh();
    return undefined;
  };
  const choose = (chosen: File) => {
    if (working) return false;
    setFile(chosen);
    setReport(null);
    setBrought(false);
    if (chosen.size > ROSTER_BYTES) setProblem('too-large');
    else void ask(chosen, false);
    // Nothing is sent but by us.
    return false;
  };
  const ends = report ? Object.keys(report.end).length > 0 : false;
  const may = report?.ok === true && !brought && !isNothing(report) && (!ends || sure);
  return (
    <section aria-labelledby="roster" className={desk.rooms} data-ready={hydrated || undefined}>
      <h2 id="roster">{t('title')}</h2>
      <p>{t('text')}</p>
      <Upload.Dragger
        accept=".zip,application/zip"
        beforeUpload={choose}
        showUploadList={false}
        className={desk.drop}
      >
        <p>
          <b>{t('drop')}</b>
        </p>
        <p className={entry.soft}>{file ? file.name : t('dropNote')}</p>
      </Upload.Dragger>
      {problem !== null && (
        <Alert
          type="error"
          showIcon
          role="alert"
          className={entry.alert}
          title={problem === 'too-large' ? t('tooLarge') : refusals(problem as 'network', { seconds: 10 })}
        />
      )}
      {report && file && (
        <div className={desk.report}>
          <h3 ref={reportRef} tabIndex={-1}>
            {brought
              ? t('brought')
              : report.ok
                ? isNothing(report)
                  ? t('nothing')
                  : t('would')
                : t('refused')}
          </h3>
          {report.ok && <Doings report={report} />}
          <Problems problems={report.problems} />
          {ends && !brought && report.ok && (
            <Checkbox checked={sure} onChange={({ target }) => setSure(target.checked)}>
              {t('sure')}
            </Checkbox>
          )}
          {report.ok && !brought && !isNothing(report) && (
            <Button
              type="primary"
              size="large"
              aria-disabled={!may || working || undefined}
              onClick={() => may && !working && void ask(file, true)}
            >
              {t('bring')}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

function Doings({ report }: { readonly report: RosterReport }) {
  const t = useTranslations('people.roster');
  return (
    <table className={entry.score}>
      <thead>
        <tr>
          <th scope="col">{t('kind')}</th>
          {DOES.map((does) => (
            <th key={does} scope="col">
              {t(does)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {KINDS.filter((kind) => DOES.some((does) => (report[does][kind] ?? 0) > 0)).map((kind) => (
          <tr key={kind}>
            <th scope="row">{t(`kinds.${kind}`)}</th>
            {DOES.map((does) => (
              <td key={does}>{report[does][kind] ?? 0}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
