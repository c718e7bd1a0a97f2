import { RecordForm } from '../form/RecordForm';
import { PasswordInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api } from '../api/api';
import { useSubmit } from '../form/use-submit';
import { Mark } from './Mark';
import { t } from '../text/text';

/** Asks who is there; the page behind it, if there is one, stays as it is. */
export function SignInForm({ done }: { done: () => void }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const form = useSubmit(
    () => answer(api.POST('/api/session', { body: { email, password } })),
    ['email', 'password'],
    done,
  );
  return (
    <RecordForm form={form} save={t('sign-in.go')} size="lg" className="card stack">
      <h1 className="line">
        <Mark size={34} /> Even Hand
      </h1>
      <p className="soft">{t('sign-in.what')}</p>
      <TextInput
        label={t('sign-in.email')}
        data-autofocus
        type="email"
        autoComplete="username"
        value={email}
        onChange={(e) => setEmail(e.currentTarget.value)}
        error={form.errorFor('email', t('sign-in.email'))}
      />
      <PasswordInput
        label={t('sign-in.password')}
        autoComplete="current-password"
        value={password}
        onChange={(e) => setPassword(e.currentTarget.value)}
        error={form.errorFor('password', t('sign-in.password'))}
      />
    </RecordForm>
  );
}

export function SignIn() {
  return (
    <main className="gate">
      <SignInForm done={() => undefined} />
    </main>
  );
}
