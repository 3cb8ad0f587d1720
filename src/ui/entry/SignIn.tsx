'use client';

import { Button, Form, Input } from 'antd';
import { useTranslations } from 'use-intl';
import { useHydrated } from '../kit/useHydrated';
import { forgetAllAttempts } from '../attempt/offline/forgetAll';
import styles from './entry.module.css';
import { Page } from './Page';
import { useAsk } from './useAsk';

/** Signing in with the name and password a teacher gave out. */
export function SignIn() {
  return (
    <Page>
      <SignInForm />
    </Page>
  );
}

function SignInForm() {
  const t = useTranslations('signIn');
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const signIn = async (values: { name: string; password: string }) => {
    if ((await ask('/api/sign-in', values)) === null) return;
    await forgetAllAttempts();
    window.location.assign('/');
  };
  return (
    <section className={styles.card} aria-labelledby="sign-in">
      <h1 id="sign-in">{t('title')}</h1>
      <p>{t('text')}</p>
      {problem}
      <Form
        layout="vertical"
        requiredMark={false}
        onFinish={(values: { name: string; password: string }) => void signIn(values)}
        method="post"
        disabled={working || !hydrated}
      >
        <Form.Item
          name="name"
          label={t('name')}
          rules={[{ required: true, whitespace: true, message: t('nameMissing') }]}
        >
          <Input size="large" autoComplete="username" autoCapitalize="off" spellCheck={false} />
        </Form.Item>
        <Form.Item
          name="password"
          label={t('password')}
          rules={[{ required: true, message: t('passwordMissing') }]}
        >
          <Input.Password size="large" autoComplete="current-password" />
        </Form.Item>
        <Button type="primary" size="large" htmlType="submit" block>
          {working ? t('working') : t('button')}
        </Button>
      </Form>
      <p className={styles.other}>
        <Button type="link" size="large" href="/sign-in/room" block>
          {t('room')}
        </Button>
        <Button type="link" size="large" href="/practice" block>
          {t('practice')}
        </Button>
      </p>
    </section>
  );
}
