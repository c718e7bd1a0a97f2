import { RecordForm } from '../form/RecordForm';
import { TextField } from '../form/fields';
import { Button, Checkbox, PasswordInput } from '@mantine/core';
import { IconFingerprint } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { useSubmit } from '../form/use-submit';
import { CodeField } from './CodeField';
import { Mark } from './Mark';
import { askForPasskey, passkeysWorkAt } from './passkey';
import { t } from '../text/text';
import { Problem } from '../ui/States';

async function signInWithPasskey(stay: boolean): Promise<void> {
  const { options } = await answer(api.POST('/api/session/passkey/options'));
  await answer(
    api.POST('/api/session/passkey', { body: { credential: await askForPasskey(options), stay } }),
  );
}

/** Asks who is there; the page behind it, if there is one, stays as it is. */
export function SignInForm({ done }: { done: () => void }) {
  const { data: setup } = useQuery(queries.setup());
  // A phone under the trees is its owner's; who uses another's says so.
  const [typed, setTyped] = useState({ email: '', password: '', code: '', stay: true });
  const type = (change: Partial<typeof typed>) => setTyped((before) => ({ ...before, ...change }));
  const form = useSubmit(
    async () => {
      const { code, ...who } = typed;
      const body: Schemas['SignInRequest'] = { ...who, ...(code && { code }) };
      return answer(api.POST('/api/session', { body }));
    },
    ['email', 'password', 'code'],
    done,
  );
  const passkey = useSubmit(() => signInWithPasskey(typed.stay), ['credential'], done);
  const refused = passkey.errorFor('credential', t('sign-in.passkey')) ?? passkey.general;
  return (
    <RecordForm
      form={form}
      save={t('sign-in.go')}
      size="lg"
      className="card stack"
      beside={
        passkeysWorkAt(setup?.passkeyHost) && (
          <Button
            size="lg"
            variant="outline"
            leftSection={<IconFingerprint size={20} />}
            loading={passkey.busy}
            onClick={() => passkey.submit(undefined)}
          >
            {t('sign-in.with-passkey')}
          </Button>
        )
      }
    >
      <h1 className="line">
        <Mark size={34} /> Even Hand
      </h1>
      <p className="soft">{t('sign-in.what')}</p>
      <TextField
        name="email"
        label={t('sign-in.email')}
        data-autofocus
        type="email"
        autoComplete="username"
        value={typed.email}
        set={(v) => type({ email: v })}
      />
      <PasswordInput
        label={t('sign-in.password')}
        autoComplete="current-password"
        value={typed.password}
        onChange={(e) => type({ password: e.currentTarget.value })}
        error={form.errorFor('password', t('sign-in.password'))}
      />
      <CodeField form={form} value={typed.code} onChange={(code) => type({ code })} />
      <Checkbox
        label={t('sign-in.stay')}
        description={t('sign-in.stay-why')}
        checked={typed.stay}
        onChange={(e) => type({ stay: e.currentTarget.checked })}
      />
      <Problem>{refused}</Problem>
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
