import { Modal, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { NumberField, TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { doneWithUndo } from '../ui/undo';
import { BETTER } from './judging-words';

type Trait = Schemas['Trait'];

const remove = (id: string) => voidRecord('/api/traits/{id}/void', { id }, 0, 'undone right after saving');

interface Props {
  crop: string;
  /** The trait that is changed, or what a new one begins with. */
  of?: Partial<Trait>;
  close: () => void;
}

/** What plants of a crop are scored by: a new trait, or another scale or weight for one. */
export function TraitForm({ crop, of = {}, close }: Props) {
  const editing = of.id !== undefined;
  const [id] = useState(() => of.id ?? newId());
  const [draft, setDraft] = useState({
    name: of.name ?? '',
    unit: of.unit ?? '',
    low: (of.low ?? 1) as number | string,
    high: (of.high ?? 9) as number | string,
    better: of.better ?? 'HIGH',
    weight: (of.weight ?? 1) as number | string,
  });
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/traits/{id}', {
          params: { path: { id } },
          body: {
            crop,
            name: draft.name,
            unit: draft.unit,
            low: Number(draft.low),
            high: Number(draft.high),
            better: draft.better,
            weight: Number(draft.weight),
            ...(of.version !== undefined && { version: of.version }),
          },
        }),
      ),
    ['name', 'unit', 'low', 'high', 'better', 'weight', 'crop'],
    () => {
      if (!editing) doneWithUndo(`Plants can be scored by ${draft.name.trim()} now.`, () => remove(id));
      close();
    },
  );
  return (
    <Modal opened onClose={close} title={editing ? `Change ${of.name}` : 'A new trait'}>
      <RecordForm
        form={form}
        duty="MANAGE"
        save="Save the trait"
        cancel={close}
        disabled={!draft.name.trim()}
      >
        <TextField name="name" label="Name" value={draft.name} set={(name) => set({ name })} data-autofocus />
        <TextField
          name="unit"
          label="Unit"
          description="empty for a plain scale"
          value={draft.unit}
          set={(unit) => set({ unit })}
        />
        <div className="two">
          <NumberField name="low" label="Least" value={draft.low} set={(low) => set({ low })} />
          <NumberField name="high" label="Greatest" value={draft.high} set={(high) => set({ high })} />
        </div>
        <NativeSelect
          label="Which end you want"
          data={Object.entries(BETTER).map(([value, label]) => ({ value, label }))}
          value={draft.better}
          onChange={(e) => set({ better: e.currentTarget.value as Trait['better'] })}
          error={form.errorFor('better', 'Which end you want')}
        />
        <NumberField
          name="weight"
          label="Weight in the ranking"
          description="0 leaves it out, 10 is most"
          min={0}
          max={10}
          value={draft.weight}
          set={(weight) => set({ weight })}
        />
      </RecordForm>
    </Modal>
  );
}
