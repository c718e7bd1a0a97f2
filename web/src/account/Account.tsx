import { Button } from '@mantine/core';
import { TextField } from '../form/fields';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { dayAndClock } from '../format/time';
import { emptyOrchard, OrchardFields, orchardBody } from '../orchard/OrchardFields';
import { useHere } from '../ui/orchard-context';
import { ROLE_MEANS, ROLE_NAMES } from '../ui/roles';
import { Loaded, Problem } from '../ui/States';
import { sayDone } from '../ui/undo';
import { Codes } from './Codes';
import { Passkeys } from './Passkeys';
import { NewPassword, OwnPassword } from './PasswordFields';
import { startAfresh } from './start-afresh';
import classes from './Account.module.css';

type Own = Schemas['AccountView'];

function Name({ account }: { account: Own }) {
  const [person, setPerson] = useState(account.person);
  const form = useSubmit(
    () => answer(api.PUT('/api/account', { body: { person } })),
    ['person'],
    () => sayDone('Your name is saved.'),
  );
  return (
    <RecordForm duty="SELF" form={form} save="Save name" className="card stack">
      <h2>You</h2>
      <p className="soft">{account.email}</p>
      <TextField
        name="person"
        label="Your name"
        autoComplete="name"
        maw={340}
        value={person}
        set={setPerson}
      />
    </RecordForm>
  );
}

function Password() {
  const [now, setNow] = useState('');
  const [next, setNext] = useState('');
  const form = useSubmit(
    () => answer(api.PUT('/api/account/password', { body: { now, next } })),
    ['now', 'next'],
    () => {
      setNow('');
      setNext('');
      sayDone('Your password is changed. Everywhere else you are signed out.');
    },
  );
  return (
    <RecordForm duty="SELF" form={form} save="Change password" className="card stack">
      <h2>Password</h2>
      <OwnPassword
        label="Password now"
        value={now}
        onChange={setNow}
        error={form.errorFor('now', 'Password now')}
      />
      <div style={{ maxWidth: 340 }}>
        <NewPassword
          label="New password"
          value={next}
          onChange={setNext}
          error={form.errorFor('next', 'New password')}
        />
      </div>
    </RecordForm>
  );
}

function Sessions({ account }: { account: Own }) {
  const { zone } = useHere();
  const end = useSubmit(
    (key: string) => answer(api.POST('/api/account/sessions/{key}/end', { params: { path: { key } } })),
    [],
    () => sayDone('Signed out there.'),
  );
  const others = useSubmit(
    () => answer(api.POST('/api/account/sessions/end-others')),
    [],
    () => sayDone('Signed out everywhere else.'),
  );
  return (
    <section className="card stack">
      <header>
        <h2>Where you are signed in</h2>
        {account.sessions.length > 1 && (
          <Button
            size="sm"
            variant="outline"
            style={{ marginLeft: 'auto' }}
            loading={others.busy}
            onClick={() => others.submit(undefined)}
          >
            Sign out everywhere else
          </Button>
        )}
      </header>
      <ul className={classes.list}>
        {account.sessions.map((s) => (
          <li key={s.key} className="line" style={{ justifyContent: 'space-between' }}>
            <span>
              <b>{s.device || 'A browser'}</b> {s.here && <span className="soft">(here)</span>}
              <span className="small soft" style={{ display: 'block' }}>
                from {s.address || 'an unknown network'} since {dayAndClock(new Date(s.began), zone)}; last
                used {dayAndClock(new Date(s.lastUsed), zone)}
              </span>
            </span>
            {!s.here && (
              <Button size="compact-md" variant="subtle" onClick={() => end.submit(s.key)}>
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Problem>{end.general ?? others.general}</Problem>
    </section>
  );
}

function NewOrchard({ close }: { close: () => void }) {
  const [draft, setDraft] = useState(emptyOrchard());
  const form = useSubmit(
    () => answer(api.POST('/api/orchards', { body: orchardBody(draft) })),
    ['name', 'latitude', 'longitude', 'zone', 'typicalMinimumC', 'typicalMaximumC'],
    () => void startAfresh(),
  );
  return (
    <RecordForm duty="SELF" form={form} save="Add the orchard" cancel={close} className="stack">
      <h3>A further orchard</h3>
      <p className="soft">You own it; its records, people and settings are apart from all others.</p>
      <OrchardFields value={draft} onChange={setDraft} errorFor={form.errorFor} />
    </RecordForm>
  );
}

function Orchards({ account }: { account: Own }) {
  const [adding, setAdding] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const turn = useSubmit(
    (orchardId: string) => answer(api.PUT('/api/session/orchard', { body: { orchardId } })),
    [],
    () => void startAfresh(),
  );
  const leave = useSubmit(
    () => answer(api.POST('/api/account/leave')),
    ['accountId'],
    () => void startAfresh(),
  );
  const refused = leave.errorFor('accountId', 'You are') ?? leave.general ?? turn.general;
  return (
    <section className="card stack">
      <header>
        <h2>Orchards you work in</h2>
        {!adding && (
          <Button size="sm" variant="outline" style={{ marginLeft: 'auto' }} onClick={() => setAdding(true)}>
            Add an orchard
          </Button>
        )}
      </header>
      <ul className={classes.list}>
        {account.orchards.map((o) => (
          <li key={o.orchardId} className="line" style={{ justifyContent: 'space-between' }}>
            <span>
              <b>{o.name}</b> {o.here && <span className="soft">(here)</span>}
              <span className="small soft" style={{ display: 'block' }}>
                {ROLE_NAMES[o.role]}. {ROLE_MEANS[o.role]}
              </span>
            </span>
            {o.here ? (
              leaving ? (
                <span className="line">
                  <Button color="red.9" loading={leave.busy} onClick={() => leave.submit(undefined)}>
                    Leave {o.name}
                  </Button>
                  <Button variant="subtle" onClick={() => setLeaving(false)}>
                    Stay
                  </Button>
                </span>
              ) : (
                <Button size="compact-md" variant="subtle" onClick={() => setLeaving(true)}>
                  Leave
                </Button>
              )
            ) : (
              <Button size="compact-md" variant="outline" onClick={() => turn.submit(o.orchardId)}>
                Go there
              </Button>
            )}
          </li>
        ))}
      </ul>
      {leaving && (
        <p className="small soft">
          What you wrote down stays under your name. You come back by a new invitation only.
        </p>
      )}
      <Problem>{refused}</Problem>
      {adding && <NewOrchard close={() => setAdding(false)} />}
    </section>
  );
}

/** One's own account. */
export function Account() {
  const account = useQuery(queries.account());
  return (
    <>
      <h1>Your account</h1>
      <Loaded of={account}>
        {(own) => (
          <>
            <Orchards account={own} />
            <div className={classes.beside}>
              <Name account={own} />
              <Password />
            </div>
            <div className={classes.beside}>
              <Passkeys passkeys={own.passkeys} />
              <Codes codes={own.codes} />
            </div>
            <Sessions account={own} />
          </>
        )}
      </Loaded>
    </>
  );
}
