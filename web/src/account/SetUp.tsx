import { RecordForm } from '../form/RecordForm';
import { PasswordInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api } from '../api/api';
import { useSubmit } from '../form/use-submit';
import { emptyOrchard, OrchardFields, orchardBody } from '../orchard/OrchardFields';
import { Mark } from './Mark';

/** The first day: the owner's account and the orchard. */
export function SetUp() {
  const [who, setWho] = useState({ person: '', email: '', password: '' });
  const [orchard, setOrchard] = useState(emptyOrchard());
  const form = useSubmit(
    () => answer(api.POST('/api/setup', { body: { ...who, orchard: orchardBody(orchard) } })),
    [
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
          <TextInput {...field('person', 'Your name')} autoComplete="name" />
          <TextInput {...field('email', 'E-mail address')} type="email" autoComplete="username" />
          <PasswordInput
            {...field('password', 'Password')}
            autoComplete="new-password"
            description="At least 10 characters; three or four words do well."
          />
        </div>
        <h2 style={{ marginTop: 8 }}>The orchard</h2>
        <OrchardFields value={orchard} onChange={setOrchard} errorFor={form.errorFor} />
      </RecordForm>
    </main>
  );
}
