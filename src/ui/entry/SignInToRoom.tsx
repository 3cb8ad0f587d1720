'use client';

import { Button, Form, Input } from 'antd';
import { useTranslations } from 'use-intl';
import { forgetAllAttempts } from '../attempt/offline/forgetAll';
import { useHydrated } from '../kit/useHydrated';
import styles from './entry.module.css';
import { Page } from './Page';
import { useAsk } from './useAsk';

/** Signing in with the code that a proctor reads out, and one's name. */
export function SignInToRoom() {
  return (
    <Page>
      <RoomForm />
    </Page>
  );
}

function RoomForm() {
  const t = useTranslations('room');
  const signIn = useTranslations('signIn');
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const enter = async (values: { code: string; name: string }) => {
    const entered = await ask<{ assignmentId: number }>('/api/sign-in/room', values);
    if (entered === null) return;
    await forgetAllAttempts();
    window.location.assign(`/tests/${entered.assignmentId}`);
  };
  return (
    <section className={styles.card} aria-labelledby="room">
      <h1 id="room">{t('title')}</h1>
      <p>{t('text')}</p>
      {problem}
      <Form
        layout="vertical"
        requiredMark={false}
        onFinish={(values: { code: string; name: string }) => void enter(values)}
        method="post"
        disabled={working || !hydrated}
      >
        <Form.Item
          name="code"
          label={t('code')}
          rules={[{ required: true, whitespace: true, message: t('codeMissing') }]}
        >
          <Input size="large" inputMode="numeric" autoComplete="off" maxLength={40} />
        </Form.Item>
        <Form.Item
          name="name"
          label={signIn('name')}
          rules={[{ required: true, whitespace: true, message: signIn('nameMissing') }]}
        >
          <Input size="large" autoComplete="off" autoCapitalize="off" spellCheck={false} />
        </Form.Item>
        <Button type="primary" size="large" htmlType="submit" block>
          {working ? signIn('working') : t('button')}
        </Button>
      </Form>
      <p className={styles.other}>
        <Button type="link" size="large" href="/sign-in" block>
          {t('withPassword')}
        </Button>
      </p>
    </section>
  );
}
