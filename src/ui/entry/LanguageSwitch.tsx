'use client';

import { Alert, Radio } from 'antd';
import { useRouter } from 'next/navigation';
import { startTransition, useState } from 'react';
import { useTranslations } from 'use-intl';
import { LANGUAGES, OWN_NAMES, type Language } from '@/core/languages';
import { useHydrated } from '../kit/useHydrated';
import { useLanguage } from '../kit/Words';
import { post } from '../kit/post';

/** What the interface speaks, each language by its own name. The page stays as it is, in other words. */
export function LanguageSwitch() {
  const t = useTranslations('app');
  const refusals = useTranslations('refusals');
  const router = useRouter();
  const language = useLanguage();
  const hydrated = useHydrated();
  const [failed, setFailed] = useState(false);
  const choose = async (next: Language) => {
    const answer = await post('/api/language', { language: next });
    setFailed(!answer.ok);
    if (answer.ok) startTransition(() => router.refresh());
  };
  return (
    <>
      <Radio.Group
        aria-label={t('language')}
        optionType="button"
        buttonStyle="solid"
        value={language}
        disabled={!hydrated}
        options={LANGUAGES.map((one) => ({ value: one, label: <span lang={one}>{OWN_NAMES[one]}</span> }))}
        onChange={(event) => void choose(event.target.value as Language)}
      />
      {failed && <Alert type="error" showIcon role="alert" title={refusals('network')} />}
    </>
  );
}
