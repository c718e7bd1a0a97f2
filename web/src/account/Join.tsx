import { Button, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { dayAndClock } from '../format/time';
import { ROLE_MEANS, ROLE_NAMES } from '../ui/roles';
import { Loaded } from '../ui/States';
import { CodeField } from './CodeField';
import { Mark } from './Mark';
import { NewPassword } from './PasswordFields';
import { startAfresh } from './start-afresh';

type Offer = Schemas['LinkOffer'];

const until = (offer: Offer) =>
  dayAndClock(new Date(offer.validUntil), Intl.DateTimeFormat().resolvedOptions().timeZone);

function NewAccount({ link, offer }: { link: string; offer: Offer }) {
  const [draft, setDraft] = useState({ person: '', email: '', password: '' });
  const form = useSubmit(
    () => answer(api.POST('/api/join', { body: { key: link, ...draft } })),
    ['person', 'email', 'password'],
    () => void startAfresh(),
  );
  const field = (key: 'person' | 'email', label: string) => ({
    label,
    value: draft[key],
    onChange: (e: { currentTarget: { value: string } }) => {
      const { value } = e.currentTarget;
      setDraft((d) => ({ ...d, [key]: value }));
    },
    error: form.errorFor(key, label),
  });
  return (
    <RecordForm form={form} save={`Join ${offer.orchard ?? ''}`} size="lg" className="stack">
      <TextInput {...field('person', 'Your name')} autoComplete="name" data-autofocus />
      <TextInput {...field('email', 'E-mail address')} type="email" autoComplete="username" />
      <NewPassword
        label="Password"
        value={draft.password}
        onChange={(password) => setDraft((d) => ({ ...d, password }))}
        error={form.errorFor('password', 'Password')}
      />
      <p className="small soft">
        You have an account here already? <a href="/">Sign in</a> first, then open the link again.
      </p>
    </RecordForm>
  );
}

function WithAccount({ link, offer, person }: { link: string; offer: Offer; person: string }) {
  const [other, setOther] = useState(false);
  const form = useSubmit(
    () => answer(api.POST('/api/join/member', { body: { key: link } })),
    [],
    () => void startAfresh(),
  );
  if (other) return <NewAccount link={link} offer={offer} />;
  return (
    <RecordForm
      form={form}
      save={`Join as ${person}`}
      size="lg"
      className="stack"
      beside={
        <Button variant="subtle" size="lg" onClick={() => setOther(true)}>
          Make another account
        </Button>
      }
    >
      <p>You are signed in as {person}. The orchard is added to those you work in.</p>
    </RecordForm>
  );
}

function ChoosePassword({ link, offer }: { link: string; offer: Offer }) {
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const form = useSubmit(
    () => answer(api.POST('/api/join/password', { body: { key: link, password, ...(code && { code }) } })),
    ['password', 'code'],
    () => void startAfresh(),
  );
  return (
    <RecordForm form={form} save="Save password and sign in" size="lg" className="stack">
      {/* For password keepers, which keep it under its address. */}
      <input type="email" autoComplete="username" value={offer.email ?? ''} readOnly hidden />
      <NewPassword
        label="New password"
        value={password}
        onChange={setPassword}
        error={form.errorFor('password', 'New password')}
      />
      <CodeField form={form} value={code} onChange={setCode} />
      <p className="small soft">Everywhere else you are signed out.</p>
    </RecordForm>
  );
}

function Offered({ link, offer, signedIn }: { link: string; offer: Offer; signedIn: boolean }) {
  const session = useQuery({ ...queries.session(), enabled: signedIn });
  if (offer.kind === 'RESET')
    return (
      <>
        <h1>A new password for {offer.person}</h1>
        <p className="soft">
          For {offer.email}. {offer.by ? `${offer.by} made this link. ` : ''}It is good once, until{' '}
          {until(offer)}.
        </p>
        <ChoosePassword link={link} offer={offer} />
      </>
    );
  return (
    <>
      <h1>Work in {offer.orchard}</h1>
      <p>
        {offer.by} invites you as a {offer.role && ROLE_NAMES[offer.role].toLowerCase()}.{' '}
        {offer.role && ROLE_MEANS[offer.role]}
      </p>
      <p className="soft small">The link is good once, until {until(offer)}.</p>
      {signedIn && session.data ? (
        <WithAccount link={link} offer={offer} person={session.data.person} />
      ) : (
        <NewAccount link={link} offer={offer} />
      )}
    </>
  );
}

/** Coming in by a link that somebody handed over. Its key stands behind the #, which no server is sent. */
export function Join({ signedIn }: { signedIn: boolean }) {
  const link = window.location.hash.slice(1);
  const offer = useQuery({
    queryKey: ['join', link],
    queryFn: () => answer(api.POST('/api/join/offer', { body: { key: link } })),
    staleTime: Infinity,
  });
  return (
    <main className="gate">
      <section className="card stack" style={{ maxWidth: 520 }}>
        <div className="line">
          <Mark size={34} /> <b>Even Hand</b>
        </div>
        {offer.error ? (
          <>
            <h1>This link lets nobody in any more</h1>
            <p>It was used already, has run out, or was withdrawn. Ask whoever sent it for another one.</p>
            <p>
              <a href="/">Go to Even Hand</a>
            </p>
          </>
        ) : (
          <Loaded of={offer}>{(o) => <Offered link={link} offer={o} signedIn={signedIn} />}</Loaded>
        )}
      </section>
    </main>
  );
}
