import { Modal, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { MeasureInput } from '../form/MeasureInput';
import { RecordForm } from '../form/RecordForm';
import { TimeField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import type { Measured } from '../format/numbers';
import { ENDS, SHAPES } from './fruit-words';

type One = Schemas['Fruit'];
type End = Schemas['FruitEnd'];

/** What a fruit that ended was like. */
export function EndFields({
  end,
  change,
  errorFor,
}: {
  end: Partial<End>;
  change: (part: Partial<End>) => void;
  errorFor: (field: string, label: string) => string | undefined;
}) {
  const measured = (key: 'weightG' | 'lengthMm' | 'widthMm', of: Measured, label: string) => (
    <MeasureInput
      label={label}
      of={of}
      value={end[key]}
      w={118}
      onChange={(v) => change({ [key]: v })}
      error={errorFor(`end.${key}`, label)}
    />
  );
  const number = (key: 'seeds' | 'emptySeeds', label: string) => (
    <NumberInput
      label={label}
      value={end[key] ?? ''}
      min={0}
      w={118}
      onChange={(v) => change({ [key]: typeof v === 'number' ? v : undefined })}
      error={errorFor(`end.${key}`, label)}
    />
  );
  return (
    <>
      <div className="line" style={{ alignItems: 'flex-start' }}>
        {measured('weightG', 'weight', 'Weight')}
        {measured('lengthMm', 'length', 'Length')}
        {measured('widthMm', 'length', 'Width')}
        {number('seeds', 'Seeds')}
        {number('emptySeeds', 'of them empty')}
      </div>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <NativeSelect
          label="Shape"
          data={[{ value: '', label: 'not looked at' }, ...SHAPES]}
          value={end.shape ?? ''}
          onChange={(e) => change({ shape: (e.currentTarget.value || undefined) as End['shape'] })}
        />
        <NativeSelect
          label="Sepals"
          data={[
            { value: '', label: 'not looked at' },
            { value: 'no', label: 'there' },
            { value: 'yes', label: 'missing' },
          ]}
          value={end.sepalsMissing === undefined ? '' : end.sepalsMissing ? 'yes' : 'no'}
          onChange={(e) =>
            change({ sepalsMissing: e.currentTarget.value ? e.currentTarget.value === 'yes' : undefined })
          }
        />
        <NativeSelect
          label="Taste"
          data={[
            { value: '', label: 'not tasted' },
            { value: '1', label: '1, not to be eaten' },
            { value: '2', label: '2' },
            { value: '3', label: '3, fair' },
            { value: '4', label: '4' },
            { value: '5', label: '5, the best' },
          ]}
          value={end.taste === undefined ? '' : String(end.taste)}
          onChange={(e) =>
            change({ taste: e.currentTarget.value ? Number(e.currentTarget.value) : undefined })
          }
        />
        <TextInput
          label="Note"
          value={end.note ?? ''}
          onChange={(e) => change({ note: e.currentTarget.value })}
          style={{ flex: 1, minWidth: 150 }}
        />
      </div>
      {end.seeds === 0 && (
        <p className="small soft">
          A fruit without a seed grew without: pollen did not do it, or not enough of it.
        </p>
      )}
    </>
  );
}

/** What a fruit was like, put right or counted later: pips of fruit that is kept are counted in winter. */
export function CorrectEnd({ fruit, close }: { fruit: One & { end: End }; close: () => void }) {
  const [end, setEnd] = useState<End>(fruit.end);
  const form = useSubmit(
    (_: void, confirmed) =>
      answer(
        api.PUT('/api/fruits/{id}/end', {
          params: { path: { id: fruit.id } },
          body: { end, confirmed, version: fruit.version },
        }),
      ),
    ['end.weightG', 'end.lengthMm', 'end.widthMm', 'end.seeds', 'end.emptySeeds', 'end.at'],
    close,
  );
  const name = fruit.number === undefined ? `Fruit of ${fruit.tree}` : `Fruit ${fruit.number}`;
  return (
    <Modal opened onClose={close} title={name} size="xl">
      <RecordForm form={form} save="Save" cancel={close}>
        <TimeField
          label={`It was ${ENDS[end.kind]}`}
          value={new Date(end.at)}
          onChange={(at) => setEnd((e) => ({ ...e, at: at.toISOString() }))}
          error={form.errorFor('end.at', 'Time')}
        />
        <EndFields end={end} change={(part) => setEnd((e) => ({ ...e, ...part }))} errorFor={form.errorFor} />
      </RecordForm>
    </Modal>
  );
}
