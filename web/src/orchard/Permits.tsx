import { Button, Checkbox, FileButton, Select, Textarea } from '@mantine/core';
import { TextField } from '../form/fields';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { asBase64 } from '../api/base64';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { calendarDate, wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { Empty, Loaded } from '../ui/States';
import { doneWithUndo } from '../ui/undo';
import { smaller } from '../walk/smaller';
import { OrchardTabs } from './OrchardTabs';
import { noticeWords, SCOPES } from './permit-words';

type Permit = Schemas['Permit'];
type Scope = Permit['scopes'][number];

const remove = (permit: Permit, reason: string) =>
  voidRecord('/api/permits/{id}/void', { id: permit.id }, permit.version, reason);

function PermitForm({
  editing,
  crops,
  close,
}: {
  editing?: Permit;
  crops: Schemas['GrownCrop'][];
  close: () => void;
}) {
  const { now, zone } = useHere();
  const [id] = useState(() => editing?.id ?? newId());
  const [draft, setDraft] = useState({
    number: editing?.number ?? '',
    authority: editing?.authority ?? '',
    scopes: editing?.scopes ?? ([] as Scope[]),
    crop: editing?.crop ?? null,
    validFrom: editing?.validFrom ?? wallTime(now, zone).slice(0, 10),
    validUntil: editing?.validUntil ?? '',
    conditions: editing?.conditions ?? '',
  });
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/permits/{id}', {
          params: { path: { id } },
          body: {
            number: draft.number,
            authority: draft.authority,
            scopes: draft.scopes,
            validFrom: draft.validFrom,
            conditions: draft.conditions,
            ...(draft.crop && { crop: draft.crop }),
            ...(draft.validUntil && { validUntil: draft.validUntil }),
            ...(editing && { version: editing.version }),
          },
        }),
      ),
    ['number', 'authority', 'scopes', 'crop', 'validFrom', 'validUntil', 'conditions'],
    (permit) => {
      if (!editing)
        doneWithUndo(`Permit ${permit.number} is recorded.`, () =>
          remove(permit, 'undone right after saving'),
        );
      close();
    },
  );
  return (
    <RecordForm
      duty="MANAGE"
      form={form}
      save="Save"
      cancel={close}
      className="card form"
      style={{ maxWidth: 'none' }}
    >
      <h2>{editing ? `Permit ${editing.number}` : 'New permit'}</h2>
      <div className="two">
        <TextField
          name="number"
          label="Number"
          data-autofocus
          value={draft.number}
          set={(v) => set({ number: v })}
        />
        <TextField
          name="authority"
          label="Authority"
          placeholder="who gave it"
          value={draft.authority}
          set={(v) => set({ authority: v })}
        />
        <DateField
          label="First day"
          value={draft.validFrom}
          onChange={(validFrom) => set({ validFrom })}
          error={form.errorFor('validFrom', 'First day')}
        />
        <DateField
          label="Last day"
          placeholder="does not end"
          value={draft.validUntil}
          onChange={(validUntil) => set({ validUntil })}
          error={form.errorFor('validUntil', 'Last day')}
        />
        <Select
          label="Crop"
          placeholder="every crop"
          clearable
          data={crops.map((c) => ({ value: c.key, label: c.name }))}
          value={draft.crop}
          onChange={(crop) => set({ crop })}
          error={form.errorFor('crop', 'Crop')}
        />
      </div>
      <Checkbox.Group
        label="It allows"
        value={draft.scopes}
        onChange={(scopes) => set({ scopes: scopes })}
        error={form.errorFor('scopes', 'It allows')}
      >
        <div className="stack" style={{ gap: 8, marginTop: 4 }}>
          {Object.entries(SCOPES).map(([value, label]) => (
            <Checkbox key={value} value={value} label={label} />
          ))}
        </div>
      </Checkbox.Group>
      <Textarea
        label="Conditions"
        placeholder="what it asks for, in its own words"
        rows={3}
        value={draft.conditions}
        onChange={(e) => set({ conditions: e.currentTarget.value })}
        error={form.errorFor('conditions', 'Conditions')}
      />
    </RecordForm>
  );
}

/** The paper itself: a PDF, or a picture of it. */
function Paper({ permit }: { permit: Permit }) {
  const send = useSubmit(
    async (file: File) =>
      answer(
        api.PUT('/api/permits/{id}/paper', {
          params: { path: { id: permit.id } },
          body: {
            name: file.name,
            data: file.type.startsWith('image/') ? await smaller(file) : await asBase64(file),
            version: permit.version,
          },
        }),
      ),
    ['data', 'name'],
    () => undefined,
  );
  const refused = send.errorFor('data', 'The file') ?? send.errorFor('name', 'The file') ?? send.general;
  return (
    <div className="line small">
      {permit.fileName && (
        <a href={`/api/permits/${permit.id}/paper`} target="_blank" rel="noreferrer">
          {permit.fileName}
        </a>
      )}
      <FileButton accept="application/pdf,image/jpeg,image/png" onChange={(f) => f && send.submit(f)}>
        {(props) => (
          <Button size="compact-sm" variant="subtle" loading={send.busy} {...props}>
            {permit.fileName ? 'Replace the paper' : 'Add the paper, PDF or picture'}
          </Button>
        )}
      </FileButton>
      {refused && <span className="warn">{refused}</span>}
    </div>
  );
}

function PermitCard({ permit, edit }: { permit: Permit; edit: () => void }) {
  const undo = useSubmit(
    () => remove(permit, 'removed on the page of permits'),
    [],
    () =>
      doneWithUndo(`Permit ${permit.number} is removed.`, () =>
        answer(
          api.POST('/api/story/{kind}/{id}/restore', {
            params: { path: { kind: 'permit', id: permit.id } },
            body: { version: permit.version + 1 },
          }),
        ),
      ),
  );
  return (
    <article className="card" data-permit={permit.number}>
      <header>
        <h2>{permit.number}</h2>
        <span className="soft">{permit.authority}</span>
      </header>
      <p>
        <b>
          {calendarDate(permit.validFrom)}
          {permit.validUntil ? ` to ${calendarDate(permit.validUntil)}` : ', no end'}
        </b>
        , {permit.cropName ?? 'every crop'}: {permit.scopes.map((s) => SCOPES[s].toLowerCase()).join('; ')}
      </p>
      {permit.conditions && <p className="small">{permit.conditions}</p>}
      <Paper permit={permit} />
      <div className="line noprint">
        <Button size="compact-sm" variant="outline" onClick={edit}>
          Change
        </Button>
        <Button size="compact-sm" variant="subtle" loading={undo.busy} onClick={() => undo.submit(undefined)}>
          Remove
        </Button>
        {undo.general && <span className="small warn">{undo.general}</span>}
      </div>
    </article>
  );
}

/** What an authority allows, and what it does not cover. */
export function Permits() {
  const all = useQuery(queries.permits());
  const [editing, setEditing] = useState<Permit | 'new'>();
  return (
    <>
      <OrchardTabs />
      <Loaded of={all}>
        {({ permits, notices, crops }) => (
          <>
            <div className="say">
              <h1>{permits.length === 0 ? 'No permit is recorded' : 'Permits'}</h1>
              <div className="do noprint">
                <Button onClick={() => setEditing('new')}>Record a permit</Button>
              </div>
            </div>
            {notices.map((n) => (
              <p
                key={n.scope + n.crops.join() + n.state}
                className={`note ${n.state === 'ENDS_SOON' ? '' : 'bad'}`}
              >
                {noticeWords(n)}
              </p>
            ))}
            <div className="stack" style={{ maxWidth: 760 }}>
              {editing === 'new' && <PermitForm crops={crops} close={() => setEditing(undefined)} />}
              {permits.map((p) =>
                editing !== undefined && editing !== 'new' && editing.id === p.id ? (
                  <PermitForm key={p.id} crops={crops} editing={p} close={() => setEditing(undefined)} />
                ) : (
                  <PermitCard key={p.id} permit={p} edit={() => setEditing(p)} />
                ),
              )}
              {permits.length === 0 && editing === undefined && (
                <Empty title="When you need one">
                  Protected species, and pollen carried between properties, can need an authority’s
                  permission. Whether they do is for your local authority to say: ask there, and record what
                  it gave you. The plan and the calendar then say when it ends.
                </Empty>
              )}
            </div>
          </>
        )}
      </Loaded>
    </>
  );
}
