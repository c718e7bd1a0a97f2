import { Button, Modal, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';

type Variety = Schemas['SeasonVariety'];
type Days = Pick<Schemas['BloomDateView'], 'leafOut' | 'firstBloom' | 'fullBloom' | 'lastBloom'>;

const FIELDS: [keyof Days, string][] = [
  ['leafOut', 'Leaf-out'],
  ['firstBloom', 'First bloom'],
  ['fullBloom', 'Full bloom'],
  ['lastBloom', 'Last flowers'],
];

/** The days of one variety's seasons, year by year. */
export function BloomDateForm({
  variety,
  year: current,
  close,
}: {
  variety: Variety;
  year: number;
  close: () => void;
}) {
  const [year, setYear] = useState(current);
  const known = variety.history.find((h) => h.year === year);
  const [fresh] = useState(newId);
  const [typed, setTyped] = useState<Record<number, Days>>({});
  const days: Days = typed[year] ?? known ?? {};
  const form = useSubmit<void, Schemas['BloomDateView']>(
    () =>
      answer(
        api.PUT('/api/bloom-dates/{id}', {
          params: { path: { id: known?.id ?? fresh } },
          body: {
            varietyId: variety.varietyId,
            year,
            ...Object.fromEntries(FIELDS.filter(([f]) => days[f]).map(([f]) => [f, days[f]])),
            ...(known && { version: known.version }),
          },
        }),
      ),
    FIELDS.map(([f]) => f),
    close,
  );
  const years = [...new Set([current, ...variety.history.map((h) => h.year), ...past(current)])].sort(
    (a, b) => b - a,
  );
  return (
    <Modal opened onClose={close} title={`Days of ${variety.name}`}>
      <div className="form">
        <NativeSelect
          label="Year of bloom"
          value={String(year)}
          data={years.map(String)}
          onChange={(e) => setYear(Number(e.currentTarget.value))}
        />
        {FIELDS.map(([field, label]) => (
          <DateField
            key={field}
            label={label}
            value={days[field] ?? ''}
            error={form.errorFor(field, label)}
            onChange={(day) => setTyped((t) => ({ ...t, [year]: { ...days, [field]: day || undefined } }))}
          />
        ))}
        {form.general && <p className="warn">{form.general}</p>}
        <div className="line" style={{ justifyContent: 'flex-end' }}>
          <Button variant="outline" onClick={close}>
            Cancel
          </Button>
          <Button loading={form.busy} onClick={() => form.submit()}>
            Save
          </Button>
        </div>
      </div>
    </Modal>
  );
}

const past = (year: number) => Array.from({ length: 10 }, (_, i) => year - 1 - i);
