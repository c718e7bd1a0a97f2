import { Autocomplete, Button, NumberInput, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { DateField } from '../form/TimeField';
import { plural } from '../format/time';
import { Empty, Loaded } from '../ui/States';
import { nextName } from './GraftForm';
import { OrchardTabs } from './OrchardTabs';
import { nextPlace } from './TreeForm';

/** So many rows of so many places each, of one variety. */
export interface Rows {
  variety: string;
  block: string;
  firstRow: number;
  rows: number;
  firstPlace: number;
  places: number;
  /** What comes before the number of a tree. */
  name: string;
  firstNumber: number;
  plantedOn: string;
}

const cell = (text: string | number) => `"${String(text).replaceAll('"', '""')}"`;

/** The trees as a table, which is looked through and imported as any other. */
export function tableOf(r: Rows): string {
  const lines = Array.from({ length: r.rows * r.places }, (_, i) =>
    [
      `${r.name} ${r.firstNumber + i}`,
      r.variety,
      r.block,
      r.firstRow + Math.floor(i / r.places),
      r.firstPlace + (i % r.places),
      r.plantedOn,
    ]
      .map(cell)
      .join(','),
  );
  return ['name,variety,block,row_number,place,planted_on', ...lines].join('\n');
}

const MOST = 2000;

function RowsForm({
  varieties,
  trees,
}: {
  varieties: Schemas['VarietyView'][];
  trees: Schemas['TreeView'][];
}) {
  const navigate = useNavigate();
  const first = (variety: string) => Number(nextName(variety, trees).slice(variety.length + 1));
  const start = (block: string) => {
    const next = nextPlace(trees, block);
    return next.position === 1
      ? { block, firstRow: next.row, firstPlace: 1 }
      : { block, firstRow: next.row + 1, firstPlace: 1 };
  };
  const [draft, setDraft] = useState<Rows>(() => ({
    variety: varieties[0]!.name,
    name: varieties[0]!.name,
    firstNumber: first(varieties[0]!.name),
    ...start(trees.at(-1)?.block ?? ''),
    rows: 2,
    places: 6,
    plantedOn: '',
  }));
  const set = (part: Partial<Rows>) => setDraft((d) => ({ ...d, ...part }));
  const number = (label: string, key: 'firstRow' | 'rows' | 'firstPlace' | 'places' | 'firstNumber') => (
    <NumberInput
      label={label}
      min={key === 'rows' || key === 'places' ? 1 : 0}
      value={draft[key]}
      onChange={(v) => set({ [key]: Number(v) })}
      required
    />
  );
  const count = draft.rows * draft.places;
  const last = draft.firstNumber + count - 1;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void navigate('/orchard/import?kind=trees', {
      state: { table: tableOf(draft), name: `rows of ${draft.variety}` },
    });
  };
  return (
    <form className="card form" style={{ maxWidth: 760 }} onSubmit={submit}>
      <div className="two">
        <Select
          label="Variety"
          searchable
          data={[...new Set(varieties.map((v) => v.name))]}
          value={draft.variety}
          onChange={(v) => v && set({ variety: v, name: v, firstNumber: first(v) })}
          allowDeselect={false}
        />
        <Autocomplete
          label="Block"
          data={[...new Set(trees.map((t) => t.block).filter(Boolean))]}
          value={draft.block}
          onChange={(block) => set(start(block))}
        />
        {number('First row', 'firstRow')}
        {number('Rows', 'rows')}
        {number('First place in a row', 'firstPlace')}
        {number('Trees in a row', 'places')}
        <TextInput
          label="Names begin with"
          value={draft.name}
          onChange={(e) => set({ name: e.currentTarget.value })}
          required
        />
        {number('First number', 'firstNumber')}
        <DateField
          label="Planted on (if known)"
          value={draft.plantedOn}
          onChange={(plantedOn) => set({ plantedOn })}
        />
      </div>
      <p>
        {count > MOST ? (
          <span className="warn">
            These are {count} trees; at most {MOST} at once.
          </span>
        ) : (
          <>
            <b>{plural(count, 'tree')}</b>, {draft.name} {draft.firstNumber}
            {count > 1 && ` to ${draft.name} ${last}`}. Nothing is written before you have looked through
            them.
          </>
        )}
      </p>
      <div className="line">
        <Button type="submit" disabled={count < 1 || count > MOST}>
          Look through them
        </Button>
      </div>
    </form>
  );
}

/** Many trees at once. */
export function PlantRows() {
  const varieties = useQuery(queries.varieties());
  const trees = useQuery(queries.standing());
  return (
    <>
      <OrchardTabs />
      <h1>Add rows of trees</h1>
      <Loaded of={varieties}>
        {(known) => (
          <Loaded of={trees}>
            {(all) =>
              known.length === 0 ? (
                <Empty title="Begin with a variety">Trees are of a variety; add it first.</Empty>
              ) : (
                <RowsForm varieties={known} trees={all} />
              )
            }
          </Loaded>
        )}
      </Loaded>
    </>
  );
}
