import { Button, Modal, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../kit/api';
import { newId } from '../kit/ids';
import { queries } from '../kit/queries';
import { useSubmit } from '../kit/use-submit';

export function VarietyForm({ opened, close }: { opened: boolean; close: () => void }) {
  const { data: crops = [] } = useQuery(queries.crops());
  const [id] = useState(newId);
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const crop = chosen ?? crops[0]?.key ?? null;
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
