'use client';

import { Button, Form, Input } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { NeedsLook } from '@/core/needs';
import { PASSWORD_LENGTH, passwordFault } from '@/core/password';
import { useHydrated } from '../kit/useHydrated';
import styles from './entry.module.css';
import { Page } from './Page';
import { useAsk } from './useAsk';

interface Props {
  readonly name: string;
  readonly signInName: string;
  readonly needs: NeedsLook;
  /** It was given, and has to be replaced before anything else. */
  readonly must: boolean;
}

/** Choosing a password of one's own. */
export function OwnPassword({ name, needs, ...rest }: Props) {
  return (
    <Page name={name} needs={needs}>
      <Choose {...rest} />
    </Page>
  );
}

function Choose({ signInName, must }: Omit<Props, 'name' | 'needs'>) {
  const t = useTranslations('password');
  const [done, setDone] = useState(false);
  const doneRef = useRef<HTMLParagraphElement>(null);
  // The form that was sent is gone.
  useEffect(() => {
    if (done) doneRef.current?.focus();
  }, [done]);
  return (
    <section className={styles.card} aria-labelledby="password">
      <h1 id="password">{t(must ? 'title' : 'titleChange')}</h1>
      {done ? (
        <>
          <p ref={doneRef} role="status" tabIndex={-1}>
            {t('done')}
          </p>
          <Button type="primary" size="large" href="/" block>
            {t('goOn')}
          </Button>
        </>
      ) : (
        <PasswordForm signInName={signInName} must={must} onDone={() => setDone(true)} />
      )}
      {!must && !done && (
        <p className={styles.other}>
          <Button type="link" size="large" href="/" block>
            {t('back')}
          </Button>
        </p>
      )}
    </section>
  );
}

interface Fields {
  readonly current: string;
  readonly chosen: string;
}

function PasswordForm({
  signInName,
  must,
  onDone,
}: {
  readonly signInName: string;
  readonly must: boolean;
  readonly onDone: () => void;
}) {
  const t = useTranslations('password');
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const keep = async (fields: Fields) => {
    if ((await ask('/api/password', fields, true)) !== null) onDone();
  };
  /** Said before it is sent; the server asks the same. */
  const faultOf = (chosen: string, current: string): string | null => {
    const fault = chosen === current ? 'same' : passwordFault(chosen, signInName);
    return fault && t(`fault.${fault}`, PASSWORD_LENGTH);
  };
  return (
    <>
      <p>{t(must ? 'must' : 'text')}</p>
      {problem}
      <Form<Fields>
        layout="vertical"
        requiredMark={false}
        onFinish={(fields) => void keep(fields)}
        method="post"
        disabled={working || !hydrated}
        validateTrigger="onSubmit"
      >
        {/* What a password manager keeps the new one for. */}
        <input type="text" name="username" autoComplete="username" value={signInName} readOnly hidden />
        <Form.Item
          name="current"
          label={t(must ? 'currentSlip' : 'current')}
          rules={[{ required: true, message: t('missing') }]}
        >
          <Input.Password size="large" autoComplete="current-password" />
        </Form.Item>
        <Form.Item
          name="chosen"
          label={t('chosen')}
          extra={t('rule', PASSWORD_LENGTH)}
          rules={[
            { required: true, message: t('missing') },
            ({ getFieldValue }) => ({
              validator: (_, chosen: string | undefined) => {
                const fault = chosen ? faultOf(chosen, getFieldValue('current') as string) : null;
                return fault === null ? Promise.resolve() : Promise.reject(new Error(fault));
              },
            }),
          ]}
        >
          <Input.Password size="large" autoComplete="new-password" />
        </Form.Item>
        <Button type="primary" size="large" htmlType="submit" block>
          {t(working ? 'working' : 'button')}
        </Button>
      </Form>
    </>
  );
}
