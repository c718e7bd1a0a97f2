import { Button } from '@mantine/core';
import { TextField } from '../form/fields';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { dayAndClock } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { sayDone } from '../ui/undo';
import { OwnPassword } from './PasswordFields';
import { makePasskey, passkeysWorkAt } from './passkey';
import classes from './Account.module.css';
import { Problem } from '../ui/States';

function AddPasskey({ close }: { close: () => void }) {
  const [label, setLabel] = useState('');
  const [password, setPassword] = useState('');
  const form = useSubmit(
    async () => {
      const { options } = await answer(api.POST('/api/account/passkeys/options', { body: { password } }));
      const credential = await makePasskey(options);
      await answer(api.POST('/api/account/passkeys', { body: { label, credential } }));
    },
    ['password', 'label'],
    () => {
      sayDone(`${label} lets you in from now on.`);
      close();
    },
  );
  return (
    <RecordForm duty="SELF" form={form} save="Make the passkey" cancel={close} className="stack">
      <TextField
        name="label"
        label="What is it on?"
        placeholder="My phone"
        maw={340}
        value={label}
        set={setLabel}
        named="This"
      />
      <OwnPassword
        label="Your password"
        value={password}
        onChange={setPassword}
        error={form.errorFor('password', 'Your password')}
      />
    </RecordForm>
  );
}

interface Props {
  passkeys: Schemas['OwnPasskey'][];
}

function PasskeyList({ passkeys }: Props) {
  const { zone } = useHere();
  const remove = useSubmit(
    (id: string) => answer(api.DELETE('/api/account/passkeys/{id}', { params: { path: { id } } })),
    [],
    () => sayDone('That passkey lets nobody in any more. Remove it on its device too.'),
  );
  return (
    <>
      <ul className={classes.list}>
        {passkeys.map((k) => (
          <li key={k.id} className="line" style={{ justifyContent: 'space-between' }}>
            <span>
              <b>{k.label}</b>
              <span className="small soft" style={{ display: 'block' }}>
                since {dayAndClock(new Date(k.made), zone)}; last used{' '}
                {dayAndClock(new Date(k.lastUsed), zone)}
              </span>
            </span>
            <Button size="compact-md" variant="subtle" onClick={() => remove.submit(k.id)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Problem>{remove.general}</Problem>
    </>
  );
}

/** Keys on one's devices that let in without a password. */
export function Passkeys({ passkeys }: Props) {
  const [adding, setAdding] = useState(false);
  const { data: setup } = useQuery(queries.setup());
  const here = passkeysWorkAt(setup?.passkeyHost);
  return (
    <section className="card stack">
      <h2>Passkeys</h2>
      <p className="soft">
        A key on your phone or computer, opened by finger, face or its own code. It lets you in without
        password and code.
      </p>
      {passkeys.length > 0 && <PasskeyList passkeys={passkeys} />}
      {setup && !here && (
        <p className="small soft">
          Passkeys belong to the name of this machine, <b>{setup.passkeyHost}</b>. Open Even Hand under that
          name to make or use one; under a mere number of the network there are none.
        </p>
      )}
      {adding ? (
        <AddPasskey close={() => setAdding(false)} />
      ) : (
        here && (
          <div className="line">
            <Button size="sm" variant="outline" onClick={() => setAdding(true)}>
              Add a passkey
            </Button>
          </div>
        )
      )}
    </section>
  );
}
