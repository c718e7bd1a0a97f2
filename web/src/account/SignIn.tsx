import { RecordForm } from '../form/RecordForm';
import { Checkbox, PasswordInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api } from '../api/api';
import { useSubmit } from '../form/use-submit';
import { Mark } from './Mark';
import { t } from '../text/text';

/** Asks who is there; the page behind it, if there is one, stays as it is. */
export function SignInForm({ done }: { done: () => void }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  // A phone under the trees is its owner's; who uses another's says so.
  const [stay, setStay] = useState(true);
  const form = useSubmit(
    () => answer(api.POST('/api/session', { body: { email, password, stay } })),
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
      <Checkbox
        label={t('sign-in.stay')}
        description={t('sign-in.stay-why')}
        checked={stay}
        onChange={(e) => setStay(e.currentTarget.checked)}
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
