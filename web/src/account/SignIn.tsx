import { Button, PasswordInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api } from '../kit/api';
import { useSubmit } from '../kit/use-submit';
import { Mark } from './Mark';

export function SignIn() {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const form = useSubmit(
    () => answer(api.POST('/api/session', { body: { email, password } })),
    ['email', 'password'],
    () => undefined,
  );
  return (
    <main className="gate">
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
          Which flowers can take pollen now, whose pollen, from which jar, and when to come again.
        </p>
        <TextInput
          label="E-mail address"
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
    </main>
  );
}
