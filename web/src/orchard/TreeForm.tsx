import { RecordForm } from '../form/RecordForm';
import { NumberField, TextField } from '../form/fields';
import { Autocomplete, Modal, Select } from '@mantine/core';
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

/** The next free place of the last row of a block, so that a row is typed in quickly. */
export function nextPlace(trees: Schemas['TreeView'][], block: string) {
  const there = trees.filter((t) => t.block === block);
  const row = Math.max(0, ...there.map((t) => t.row)) || 1;
  const position = Math.max(0, ...there.filter((t) => t.row === row).map((t) => t.position)) + 1;
  return { block, row, position };
}

export function TreeForm({ editing, varieties, trees, close }: Props) {
  const old = editing === 'new' ? undefined : editing;
  const [id] = useState(() => old?.id ?? newId());
  const [draft, setDraft] = useState(() => ({
    varietyId: old?.varietyId ?? varieties[0]?.id ?? '',
    name: old?.name ?? '',
    ...(old
      ? { block: old.block, row: old.row, position: old.position }
      : nextPlace(trees, trees.at(-1)?.block ?? '')),
    plantedOn: old?.plantedOn ?? '',
    stoodUntil: old?.stoodUntil ?? '',
  }));
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  const form = useSubmit(
    (_: void, confirmed) =>
      answer(
        api.PUT('/api/trees/{id}', {
          params: { path: { id } },
          body: {
            ...draft,
            plantedOn: draft.plantedOn || undefined,
            stoodUntil: draft.stoodUntil || undefined,
            confirmed,
            ...(old && { version: old.version }),
          },
        }),
      ),
    ['name', 'varietyId', 'block', 'row', 'position', 'plantedOn', 'stoodUntil'],
    close,
  );
  return (
    <Modal opened={editing !== undefined} onClose={close} title={old ? old.name : 'New tree'}>
      <RecordForm duty="MANAGE" form={form} save="Save">
        <TextField name="name" label="Name" data-autofocus value={draft.name} set={(v) => set({ name: v })} />
        <Select
          label="Variety"
          data={varieties.map((v) => ({ value: v.id, label: v.name }))}
          value={draft.varietyId}
          onChange={(v) => set({ varietyId: v ?? '' })}
          allowDeselect={false}
          error={form.errorFor('varietyId', 'Variety')}
        />
        <Autocomplete
          label="Block"
          data={[...new Set(trees.map((t) => t.block).filter(Boolean))]}
          value={draft.block}
          onChange={(block) => set(old ? { block } : nextPlace(trees, block))}
          error={form.errorFor('block', 'Block')}
        />
        <div className="line" style={{ flexWrap: 'nowrap' }}>
          <NumberField name="row" label="Row" value={draft.row} set={(row) => set({ row: Number(row) })} />
          <NumberField
            name="position"
            label="Place in the row"
            value={draft.position}
            set={(position) => set({ position: Number(position) })}
            named="Place"
          />
        </div>
        <DateField
          label="Planted on (if known)"
          value={draft.plantedOn}
          onChange={(plantedOn) => set({ plantedOn })}
          error={form.errorFor('plantedOn', 'Planting date')}
        />
        {old && (
          <DateField
            label="Stood until"
            description="the last day, where it was felled or died; its records stay"
            placeholder="it stands"
            value={draft.stoodUntil}
            onChange={(stoodUntil) => set({ stoodUntil })}
            error={form.errorFor('stoodUntil', 'Stood until')}
          />
        )}
      </RecordForm>
    </Modal>
  );
}
