'use client';

import type { ReadNeeds } from '@/core/wire/people';
import { Button, Space, Upload } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { AccessNeeds } from '@/core/needs';
import { MOST_PNP } from '@/core/wire/requests';
import { useAsk } from '../../entry/useAsk';
import desk from '../desk.module.css';

interface Props {
  readonly personId: number;
  readonly onRead: (needs: AccessNeeds) => void;
}

/** A student's needs as an AfA PNP file: read into the form, and given out. */
export function NeedsFile({ personId, onRead }: Props) {
  const t = useTranslations('person.needs.file');
  const { working, problem, ask } = useAsk();
  const [read, setRead] = useState<(ReadNeeds & { readonly name: string }) | null>(null);
  const [tooLarge, setTooLarge] = useState(false);
  const take = async (file: File) => {
    const text = await file.text();
    setTooLarge(text.length > MOST_PNP);
    setRead(null);
    if (text.length > MOST_PNP || working) return;
    const found = await ask<ReadNeeds>(`/api/users/${personId}/needs/read`, { text }, true);
    if (!found) return;
    setRead({ ...found, name: file.name });
    onRead(found.needs);
  };
  return (
    <div className={desk.report}>
      <h3>{t('title')}</h3>
      <p>{t('text')}</p>
      <Space wrap>
        <Upload
          accept=".xml,.json,application/xml,application/json"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
        >
          <Button size="large" aria-disabled={working || undefined}>
            {t('choose')}
          </Button>
        </Upload>
        <Button size="large" href={`/api/users/${personId}/export/needs.xml`}>
          {t('xml')}
        </Button>
        <Button size="large" href={`/api/users/${personId}/export/needs.json`}>
          {t('json')}
        </Button>
      </Space>
      {tooLarge && <p role="alert">{t('tooLarge')}</p>}
      {problem}
      {read && (
        <div role="status">
          <p>{t('read', { name: read.name })}</p>
          {read.notOurs.length > 0 && (
            <>
              <p>{t('notOurs', { count: read.notOurs.length })}</p>
              <ul>
                {read.notOurs.map((one) => (
                  <li key={one} translate="no">
                    {one}
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
    </div>
  );
}
