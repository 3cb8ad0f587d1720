'use client';

import { Alert, Button, Form, Input } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { useHydrated } from '../kit/useHydrated';
import { forgetAllAttempts } from '../attempt/offline/forgetAll';
import styles from './entry.module.css';
import { Page } from './Page';
import { post } from './post';

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
  const refusals = useTranslations('refusals');
  const hydrated = useHydrated();
  const [state, setState] = useState<{ working: boolean; problem: string | null }>({
    working: false,
    problem: null,
  });
  const signIn = async (values: { name: string; password: string }) => {
    setState({ working: true, problem: null });
    const answer = await post<{ role: string }>('/api/sign-in', values);
    if (answer.ok) {
      await forgetAllAttempts();
      window.location.assign('/');
    } else
      setState({
        working: false,
        problem: refusals(answer.code as 'network', { seconds: answer.seconds ?? 10 }),
      });
  };
  return (
    <section className={styles.card} aria-labelledby="sign-in">
      <h1 id="sign-in">{t('title')}</h1>
      <p>{t('text')}</p>
      {state.problem !== null && (
        <Alert type="error" showIcon title={state.problem} role="alert" className={styles.alert} />
      )}
      <Form
        layout="vertical"
        requiredMark={false}
        onFinish={(values: { name: string; password: string }) => void signIn(values)}
        method="post"
        disabled={state.working || !hydrated}
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
          {state.working ? t('working') : t('button')}
        </Button>
      </Form>
    </section>
  );
}
