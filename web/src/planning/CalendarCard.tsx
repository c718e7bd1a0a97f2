import { RecordForm } from '../form/RecordForm';
import { TextField } from '../form/fields';
import { Button, CopyButton } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { useSubmit } from '../form/use-submit';

/** Addresses for calendar programs. */
export function CalendarCard() {
  const { data: feeds = [] } = useQuery(queries.calendars());
  const [name, setName] = useState('');
  const [made, setMade] = useState<Schemas['CalendarFeed']>();
  const make = useSubmit(
    () => answer(api.PUT('/api/calendars/{id}', { params: { path: { id: newId() } }, body: { name } })),
    ['name'],
    (feed) => {
      setMade(feed);
      setName('');
    },
  );
  const remove = useSubmit(
    (f: Schemas['CalendarFeed']) =>
      voidRecord('/api/calendars/{id}/void', { id: f.id }, f.version, 'no longer wanted'),
    [],
    (_, f) => setMade((m) => (m?.id === f.id ? undefined : m)),
  );
  const address = made?.path && (made.address ?? window.location.origin + made.path);
  return (
    <section className="card stack">
      <header style={{ margin: 0 }}>
        <h2>In your calendar</h2>
      </header>
      <p className="small soft">
        A calendar program can follow the visits of the coming ten days and the days on which to look for
        fruit. Whoever has the address can read them.
      </p>
      {feeds.map((f) => (
        <div key={f.id} className="line" style={{ justifyContent: 'space-between' }}>
          <b>{f.name}</b>
          <Button size="compact-sm" variant="subtle" onClick={() => remove.submit(f)}>
            Stop it
          </Button>
        </div>
      ))}
      {address && (
        <div className="note">
          <p className="small">The address, shown only now:</p>
          <code style={{ display: 'block', overflowWrap: 'anywhere' }}>{address}</code>
          <CopyButton value={address}>
            {({ copied, copy }) => (
              <Button size="compact-md" variant="outline" mt={8} onClick={copy}>
                {copied ? 'Copied' : 'Copy'}
              </Button>
            )}
          </CopyButton>
        </div>
      )}
      <RecordForm form={make} save="Make an address" inline variant="outline">
        <TextField
          name="name"
          label="A name to know it by"
          placeholder="my phone"
          value={name}
          set={setName}
          named="The name"
        />
      </RecordForm>
      {(make.general ?? remove.general) && (
        <p className="warn" role="alert">
          {make.general ?? remove.general}
        </p>
      )}
    </section>
  );
}
