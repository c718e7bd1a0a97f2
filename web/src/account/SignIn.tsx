import { Button, Modal, PasswordInput, TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import { answer, api } from '../kit/api';
import { SIGNED_OUT } from '../kit/client';
import { useSubmit } from '../kit/use-submit';
import { Mark } from './Mark';

/** Asks who is there; the page behind it, if there is one, stays as it is. */
function SignInForm({ done }: { done: () => void }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const form = useSubmit(
    () => answer(api.POST('/api/session', { body: { email, password } })),
    ['email', 'password'],
    done,
  );
  return (
    <form
      className="card stack"
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      <h1 className="line">
        <Mark size={34} /> Even Hand
      </h1>
      <p className="soft">
        Which flowers can be pollinated now, whose pollen, from which jar, and when to come again.
      </p>
      <TextInput
        label="E-mail address"
        data-autofocus
        type="email"
        autoComplete="username"
        value={email}
        onChange={(e) => setEmail(e.currentTarget.value)}
        error={form.errorFor('email', 'E-mail address')}
      />
      <PasswordInput
        label="Password"
        autoComplete="current-password"
        value={password}
        onChange={(e) => setPassword(e.currentTarget.value)}
        error={form.errorFor('password', 'Password')}
      />
      {form.general && <p className="note bad">{form.general}</p>}
      <Button type="submit" size="lg" loading={form.busy}>
        Sign in
      </Button>
    </form>
  );
}

export function SignIn() {
  return (
    <main className="gate">
      <SignInForm done={() => undefined} />
    </main>
  );
}

/** Comes over the page when the session has ended, so that nothing typed on it is lost. */
export function SignInAgain() {
  const [ended, setEnded] = useState(false);
  useEffect(() => {
    const end = () => setEnded(true);
    window.addEventListener(SIGNED_OUT, end);
    return () => window.removeEventListener(SIGNED_OUT, end);
  }, []);
  return (
    <Modal
      opened={ended}
      onClose={() => setEnded(false)}
      title="Your session has ended; sign in and go on."
      centered
    >
      <SignInForm done={() => setEnded(false)} />
    </Modal>
  );
}
