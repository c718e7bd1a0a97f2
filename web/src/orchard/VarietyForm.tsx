import { Button, Modal, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../kit/api';
import { newId } from '../kit/ids';
import { queries } from '../kit/queries';
import { useSubmit } from '../kit/use-submit';

function commonest(crops: string[]): string | null {
  const times = (crop: string) => crops.filter((c) => c === crop).length;
  return [...crops].sort((a, b) => times(b) - times(a))[0] ?? null;
}

export function VarietyForm({ opened, close }: { opened: boolean; close: () => void }) {
  const { data: crops = [] } = useQuery(queries.crops());
  const [id] = useState(newId);
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const { data: varieties = [] } = useQuery(queries.varieties());
  // The crop that is grown most here is the likeliest; a first variety has to say what it is.
  const crop = chosen ?? commonest(varieties.map((v) => v.crop));
  const form = useSubmit(
    () =>
      answer(api.PUT('/api/varieties/{id}', { params: { path: { id } }, body: { name, crop: crop ?? '' } })),
    ['name', 'crop'],
    close,
  );
  return (
    <Modal opened={opened} onClose={close} title={<h2>A variety</h2>}>
      <form
        className="stack"
        onSubmit={(e) => {
          e.preventDefault();
          form.submit(undefined);
        }}
      >
        <TextInput
          label="Name"
          data-autofocus
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={form.errorFor('name', 'Name')}
        />
        <Select
          label="Crop"
          data={crops.map((c) => ({ value: c.key, label: c.name }))}
          value={crop}
          onChange={setChosen}
          allowDeselect={false}
          searchable
          placeholder="choose a crop"
          nothingFoundMessage="no sheet for that yet"
          error={form.errorFor('crop', 'Crop')}
        />
        {form.general && <p className="note bad">{form.general}</p>}
        <Button type="submit" loading={form.busy}>
          Save
        </Button>
      </form>
    </Modal>
  );
}
