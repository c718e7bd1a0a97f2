import { RecordForm } from '../form/RecordForm';
import { Modal, NumberInput, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';

interface Props {
  editing: Schemas['TreeView'] | 'new' | undefined;
  varieties: Schemas['VarietyView'][];
  trees: Schemas['TreeView'][];
  close: () => void;
}

/** The next free place of the last row, so that a row is typed in quickly. */
function nextPlace(trees: Schemas['TreeView'][]) {
  const last = trees.at(-1);
  return { block: last?.block ?? '', row: last?.row ?? 1, position: (last?.position ?? 0) + 1 };
}

export function TreeForm({ editing, varieties, trees, close }: Props) {
  const old = editing === 'new' ? undefined : editing;
  const [id] = useState(() => old?.id ?? newId());
  const [draft, setDraft] = useState(() => ({
    varietyId: old?.varietyId ?? varieties[0]?.id ?? '',
    name: old?.name ?? '',
    ...(old ? { block: old.block, row: old.row, position: old.position } : nextPlace(trees)),
    plantedOn: old?.plantedOn ?? '',
  }));
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/trees/{id}', {
          params: { path: { id } },
          body: {
            ...draft,
            plantedOn: draft.plantedOn || undefined,
            ...(old && { version: old.version }),
          },
        }),
      ),
    ['name', 'varietyId', 'block', 'row', 'position', 'plantedOn'],
    close,
  );
  return (
    <Modal opened={editing !== undefined} onClose={close} title={old ? old.name : 'New tree'}>
      <RecordForm form={form} save="Save">
        <TextInput
          label="Name"
          data-autofocus
          value={draft.name}
          onChange={(e) => set({ name: e.currentTarget.value })}
          error={form.errorFor('name', 'Name')}
        />
        <Select
          label="Variety"
          data={varieties.map((v) => ({ value: v.id, label: v.name }))}
          value={draft.varietyId}
          onChange={(v) => set({ varietyId: v ?? '' })}
          allowDeselect={false}
          error={form.errorFor('varietyId', 'Variety')}
        />
        <TextInput
          label="Block"
          value={draft.block}
          onChange={(e) => set({ block: e.currentTarget.value })}
          error={form.errorFor('block', 'Block')}
        />
        <div className="line" style={{ flexWrap: 'nowrap' }}>
          <NumberInput
            label="Row"
            value={draft.row}
            onChange={(row) => set({ row: Number(row) })}
            error={form.errorFor('row', 'Row')}
          />
          <NumberInput
            label="Place in the row"
            value={draft.position}
            onChange={(position) => set({ position: Number(position) })}
            error={form.errorFor('position', 'Place')}
          />
        </div>
        <DateField
          label="Planted on (if known)"
          value={draft.plantedOn}
          onChange={(plantedOn) => set({ plantedOn })}
          error={form.errorFor('plantedOn', 'Planting date')}
        />
      </RecordForm>
    </Modal>
  );
}
