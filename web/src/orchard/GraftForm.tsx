import { Modal, Select } from '@mantine/core';
import { TextField } from '../form/fields';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { sayDone } from '../ui/undo';

/** "Lantern 4": the variety with the next number that no tree of it has. */
export function nextName(variety: string, trees: Schemas['TreeView'][]): string {
  const numbers = trees
    .filter((t) => t.name.startsWith(`${variety} `))
    .map((t) => Number(t.name.slice(variety.length + 1)))
    .filter(Number.isInteger);
  return `${variety} ${Math.max(0, ...numbers) + 1}`;
}

/** A tree that is another variety from a day on: what was recorded before stays with what it was. */
export function GraftForm({
  tree,
  varieties,
  trees,
  close,
}: {
  tree: Schemas['TreeView'];
  varieties: Schemas['VarietyView'][];
  trees: Schemas['TreeView'][];
  close: () => void;
}) {
  const { now, zone } = useHere();
  const navigate = useNavigate();
  const [treeId] = useState(newId);
  const [varietyId, setVariety] = useState<string | null>(null);
  const [typedName, setName] = useState<string>();
  const [on, setOn] = useState(wallTime(now, zone).slice(0, 10));
  const variety = varieties.find((v) => v.id === varietyId);
  const name = typedName ?? (variety ? nextName(variety.name, trees) : '');
  const form = useSubmit(
    () =>
      answer(
        api.POST('/api/trees/{id}/graft', {
          params: { path: { id: tree.id } },
          body: { treeId, varietyId: varietyId ?? '', name, on, version: tree.version },
        }),
      ),
    ['varietyId', 'name', 'on'],
    (grafted) => {
      sayDone(`${tree.name} is ${grafted.name} from that day on.`);
      close();
      void navigate(`/orchard/tree/${grafted.id}`);
    },
  );
  return (
    <Modal opened onClose={close} title={`${tree.name}: grafted over`}>
      <RecordForm duty="MANAGE" form={form} save="Graft over" cancel={close} disabled={!varietyId}>
        <p>
          What was recorded of {tree.name} stays with {tree.varietyName}. From that day on there is a tree of
          its own at its place.
        </p>
        <Select
          label="Grafted to"
          placeholder="variety"
          searchable
          data={varieties.filter((v) => v.id !== tree.varietyId).map((v) => ({ value: v.id, label: v.name }))}
          value={varietyId}
          onChange={setVariety}
          error={form.errorFor('varietyId', 'Variety')}
        />
        <TextField
          name="name"
          label="What it is called from then on"
          value={name}
          set={setName}
          named="Name"
        />
        <DateField label="On" value={on} onChange={setOn} error={form.errorFor('on', 'Day')} />
      </RecordForm>
    </Modal>
  );
}
