import { RecordForm } from '../form/RecordForm';
import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api } from '../api/api';
import { useSubmit } from '../form/use-submit';
import { emptyOrchard, OrchardFields, orchardBody } from '../orchard/OrchardFields';
import { Mark } from './Mark';
import { NewPassword } from './PasswordFields';

/** Whoever starts the machine is shown a link that has its code. */
const shownCode = () => new URLSearchParams(window.location.hash.slice(1)).get('code') ?? '';

/** The first day: the owner's account and the orchard. */
export function SetUp() {
  const [who, setWho] = useState({ code: shownCode(), person: '', email: '', password: '' });
  const [orchard, setOrchard] = useState(emptyOrchard());
  const form = useSubmit(
    () => answer(api.POST('/api/setup', { body: { ...who, orchard: orchardBody(orchard) } })),
    [
      'code',
      'person',
      'email',
      'password',
      'name',
      'latitude',
      'longitude',
      'zone',
      'typicalMinimumC',
      'typicalMaximumC',
    ],
    () => undefined,
  );
  const field = (key: keyof typeof who, label: string) => ({
    label,
    value: who[key],
    onChange: (e: { currentTarget: { value: string } }) => {
      const value = e.currentTarget.value;
      setWho((w) => ({ ...w, [key]: value }));
    },
    error: form.errorFor(key, label),
  });
  return (
    <main className="gate">
      <RecordForm form={form} save="Begin" size="lg" className="card stack" style={{ maxWidth: 620 }}>
        <h1 className="line">
          <Mark size={34} /> Welcome to Even Hand
        </h1>
        <p className="soft">
          Nobody has an account here yet. You will be the owner; everything you record stays in this orchard’s
          own database.
        </p>
        <div className="form">
          <TextInput
            {...field('code', 'Code of this machine')}
            autoComplete="off"
            description="It stands where Even Hand was started, so that nobody else comes first."
          />
          <TextInput {...field('person', 'Your name')} autoComplete="name" />
          <TextInput {...field('email', 'E-mail address')} type="email" autoComplete="username" />
          <NewPassword
            label="Password"
            value={who.password}
            onChange={(password) => setWho((w) => ({ ...w, password }))}
            error={form.errorFor('password', 'Password')}
          />
        </div>
        <h2 style={{ marginTop: 8 }}>The orchard</h2>
        <OrchardFields value={orchard} onChange={setOrchard} errorFor={form.errorFor} />
      </RecordForm>
    </main>
  );
}
