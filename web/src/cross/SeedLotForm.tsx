import { Group, Modal, NativeSelect } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { NumberField, TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { plural, wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { doneWithUndo } from '../ui/undo';

type Lot = Schemas['SeedLot'];

interface Props {
  /** Seeds of harvested fruits that it begins with. */
  from?: Schemas['SeedSource'] | undefined;
  /** The lot that is corrected. */
  editing?: Lot | undefined;
  close: () => void;
}

const whole = (typed: number | string): number => (typeof typed === 'number' ? typed : Number(typed) || 0);

const voidLot = (lot: Lot) =>
  voidRecord('/api/seed-lots/{id}/void', { id: lot.id }, lot.version, 'recorded by mistake');

const EARLIER = 'earlier';

/** What was crossed with what in an earlier year, where it is not here yet. */
interface Earlier {
  id: string;
  fatherId: string;
  year: number | string;
  /** The number that stands on its labels already, where it has one. */
  number: number | string;
}

/** The crosses of a tree, of all years, the latest first; one that was removed stays where it was chosen. */
function useCrosses(
  treeId: string,
  of: { crossId?: string | undefined; cross?: string | undefined } | undefined,
) {
  const { data: made = [] } = useQuery(queries.madeCrosses());
  const { data: varieties = [] } = useQuery(queries.varieties());
  const name = (id: string) => varieties.find((v) => v.id === id)?.name ?? 'a variety that was removed';
  const found = made
    .filter((c) => c.treeId === treeId)
    .reverse()
    .map((c) => ({ value: c.id, label: `${c.label}, with ${name(c.fatherId)}` }));
  return of?.crossId && of.cross && !found.some((c) => c.value === of.crossId)
    ? [{ value: of.crossId, label: of.cross }, ...found]
    : found;
}

function EarlierCross({
  of,
  set,
  crop,
  errorFor,
}: {
  of: Earlier;
  set: (part: Partial<Earlier>) => void;
  crop: string | undefined;
  errorFor: (field: string, named: string) => string | undefined;
}) {
  const { data: varieties = [] } = useQuery(queries.varieties());
  return (
    <Group grow align="flex-end" gap="sm">
      <NativeSelect
        label="Father"
        data={[
          { value: '', label: 'choose' },
          ...varieties.filter((v) => v.crop === crop).map((v) => ({ value: v.id, label: v.name })),
        ]}
        value={of.fatherId}
        onChange={(e) => set({ fatherId: e.currentTarget.value })}
        error={errorFor('fatherId', 'Father')}
      />
      <NumberField name="year" label="Year it was made" value={of.year} set={(year) => set({ year })} />
      <NumberField
        name="number"
        label="Its number"
        placeholder="next free one"
        min={1}
        value={of.number}
        set={(number) => set({ number })}
      />
    </Group>
  );
}

/** Seeds out of fruits of one tree: a new lot, or what was wrong with one. */
export function SeedLotForm({ from, editing, close }: Props) {
  const { now, zone } = useHere();
  const given = editing ?? from;
  const [id] = useState(() => editing?.id ?? newId());
  const { data: trees = [] } = useQuery(queries.trees());
  const [chosen, setTreeId] = useState(given?.treeId);
  const treeId = chosen ?? trees[0]?.id ?? '';
  const crosses = useCrosses(treeId, given);
  const [crossId, setCrossId] = useState(given?.crossId ?? '');
  const [harvestedOn, setHarvestedOn] = useState(given?.harvestedOn ?? wallTime(now, zone).slice(0, 10));
  const [fruits, setFruits] = useState<number | string>(given?.fruits ?? 1);
  const [seeds, setSeeds] = useState<number | string>(given?.seeds ?? '');
  const [emptySeeds, setEmptySeeds] = useState<number | string>(given?.emptySeeds ?? 0);
  const [note, setNote] = useState(
    editing?.note ?? (from?.pollenOf ? `Given pollen of ${from.pollenOf}; not bagged.` : ''),
  );
  const [earlier, setEarlier] = useState<Earlier>(() => ({
    id: newId(),
    fatherId: '',
    year: Number(harvestedOn.slice(0, 4)) - 1,
    number: '',
  }));
  const madeEarlier = crossId === EARLIER;
  const form = useSubmit(
    async (_: void, confirmed) => {
      if (madeEarlier)
        await answer(
          api.PUT('/api/crosses/{id}', {
            params: { path: { id: earlier.id } },
            body: {
              treeId,
              fatherId: earlier.fatherId,
              planned: Math.max(1, whole(fruits)),
              year: whole(earlier.year),
              ...(earlier.number !== '' && { number: Number(earlier.number) }),
            },
          }),
        );
      return answer(
        api.PUT('/api/seed-lots/{id}', {
          params: { path: { id } },
          body: {
            treeId,
            ...(crossId && { crossId: madeEarlier ? earlier.id : crossId }),
            harvestedOn,
            fruits: whole(fruits),
            seeds: whole(seeds),
            emptySeeds: whole(emptySeeds),
            note,
            confirmed,
            ...(editing && { version: editing.version }),
          },
        }),
      );
    },
    [
      'treeId',
      'crossId',
      'fatherId',
      'year',
      'number',
      'harvestedOn',
      'fruits',
      'seeds',
      'emptySeeds',
      'note',
    ],
    (lot) => {
      if (!editing)
        doneWithUndo(`Lot ${lot.label}: ${plural(lot.seeds, 'seed')}. Write ${lot.label} on its bag.`, () =>
          voidLot(lot),
        );
      close();
    },
  );
  return (
    <Modal opened onClose={close} title={editing ? `Correct lot ${editing.label}` : 'A new lot of seeds'}>
      <RecordForm
        form={form}
        save="Save the lot"
        cancel={close}
        disabled={whole(seeds) < 1 || !treeId || (madeEarlier && !earlier.fatherId)}
      >
        <NativeSelect
          label="Tree that carried the fruits"
          data={trees.map((t) => ({ value: t.id, label: t.name }))}
          value={treeId}
          onChange={(e) => {
            setTreeId(e.currentTarget.value);
            setCrossId('');
          }}
          error={form.errorFor('treeId', 'Tree')}
        />
        <NativeSelect
          label="Cross"
          description="Fruits that bees visited have a mother only."
          data={[
            { value: '', label: 'none: the father is not known' },
            ...crosses,
            { value: EARLIER, label: 'one of an earlier year, not here yet' },
          ]}
          value={crossId}
          onChange={(e) => setCrossId(e.currentTarget.value)}
          error={form.errorFor('crossId', 'Cross')}
        />
        {madeEarlier && (
          <EarlierCross
            of={earlier}
            set={(part) => setEarlier((e) => ({ ...e, ...part }))}
            crop={trees.find((t) => t.id === treeId)?.crop}
            errorFor={form.errorFor}
          />
        )}
        <DateField
          label="Harvested on"
          value={harvestedOn}
          onChange={setHarvestedOn}
          error={form.errorFor('harvestedOn', 'Day')}
        />
        <Group grow align="flex-end" gap="sm">
          <NumberField
            name="fruits"
            label="Fruits"
            description="0 if not counted"
            min={0}
            value={fruits}
            set={setFruits}
          />
          <NumberField name="seeds" label="Full seeds" min={1} value={seeds} set={setSeeds} />
          <NumberField name="emptySeeds" label="Empty seeds" min={0} value={emptySeeds} set={setEmptySeeds} />
        </Group>
        <TextField name="note" label="Note" value={note} set={setNote} />
      </RecordForm>
    </Modal>
  );
}
