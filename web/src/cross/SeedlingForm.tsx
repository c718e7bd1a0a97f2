import { Modal, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { STAGES } from './seed-words';

type Stage = Schemas['SeedsAlive']['stage'];

const WITH_LEAVES: Stage[] = ['UP', 'POTTED', 'PLANTED'];

/** What was wrong with the beginning of a seedling: where it was when it got its number, when, and what was noted. */
export function SeedlingForm({ of, close }: { of: Schemas['Seedling']; close: () => void }) {
  const [draft, setDraft] = useState({
    at: of.numberedAt,
    on: of.row.numberedOn,
    place: of.numberedPlace,
    note: of.note,
  });
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/seedlings/{id}', {
          params: { path: { id: of.row.id } },
          body: { ...draft, version: of.row.version },
        }),
      ),
    ['at', 'on', 'place', 'note'],
    close,
  );
  return (
    <Modal opened onClose={close} title={`Correct ${of.row.number}`}>
      <RecordForm form={form} save="Save" cancel={close}>
        <NativeSelect
          label="Where it was when it got its number"
          data={WITH_LEAVES.map((value) => ({ value, label: STAGES[value] }))}
          value={draft.at}
          onChange={(e) => set({ at: e.currentTarget.value as Stage })}
          error={form.errorFor('at', 'Where it was')}
        />
        <DateField
          label="Numbered on"
          value={draft.on}
          onChange={(on) => set({ on })}
          error={form.errorFor('on', 'Day')}
        />
        <TextField name="place" label="Place then" value={draft.place} set={(place) => set({ place })} />
        <TextField name="note" label="Note" value={draft.note} set={(note) => set({ note })} />
      </RecordForm>
    </Modal>
  );
}
