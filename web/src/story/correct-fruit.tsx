import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../api/api';
import { queries } from '../api/queries';
import { DateField } from '../form/TimeField';
import { CorrectEnd } from '../fruitset/CorrectEnd';
import { Frame, Numbers, useCorrection, whole, type CorrectProps, type Typed } from './correction';
import { number, said } from './story-words';

const OUTCOMES: [string, string][] = [
  ['taken', 'Set'],
  ['failed', 'Failed'],
  ['dropped', 'Dropped'],
  ['unknown', 'Too early to tell'],
  ['thinned', 'Thinned'],
  ['lost', 'Mark gone'],
];

/** What a check found. */
export function Check(props: CorrectProps) {
  const { line } = props;
  const [found, setFound] = useState<Typed>(() =>
    Object.fromEntries(OUTCOMES.map(([key]) => [key, number(line, key) ?? 0])),
  );
  const of = useCorrection(props, 'checkedAt', Object.keys(found), (checkedAt, note, confirmed) =>
    answer(
      api.PUT('/api/checks/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          pollinationId: said(line, 'pollinationId')!,
          checkedAt,
          taken: whole(found.taken!),
          failed: whole(found.failed!),
          unknown: whole(found.unknown!),
          dropped: whole(found.dropped!),
          thinned: whole(found.thinned!),
          lost: whole(found.lost!),
          detail: Object.fromEntries(
            ['resting', 'fruits', 'whole', 'oneSided', 'crooked', 'sizeMm'].map((k) => [k, number(line, k)]),
          ),
          note,
          confirmed,
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <p className="soft">
        Of {number(line, 'flowers')} flowers; each number counts all of them up to that day.
      </p>
      <Numbers names={OUTCOMES} values={found} change={setFound} />
    </Frame>
  );
}

const LIMB: [string, string][] = [
  ['fruits', 'Fruits'],
  ['takenOff', 'Thinned, picked or fallen since'],
];

/** Fruits counted on a limb. */
export function LimbCount(props: CorrectProps) {
  const { line } = props;
  const [counts, setCounts] = useState<Typed>({
    fruits: number(line, 'fruits') ?? 0,
    takenOff: number(line, 'takenOff') ?? 0,
  });
  const of = useCorrection(props, 'countedAt', Object.keys(counts), (countedAt, note) =>
    answer(
      api.PUT('/api/limb-counts/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          treeId: line.treeId!,
          limb: said(line, 'limb')!,
          countedAt,
          fruits: whole(counts.fruits!),
          takenOff: whole(counts.takenOff!),
          note,
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <Numbers names={LIMB} values={counts} change={setCounts} />
    </Frame>
  );
}

/** What became of a fruit, of whichever season. */
export function Fruit({ line, close }: CorrectProps) {
  const { data: fruit } = useQuery(queries.fruit(line.id));
  return fruit?.end ? <CorrectEnd fruit={{ ...fruit, end: fruit.end }} close={close} /> : null;
}

const DAYS: [string, string][] = [
  ['leafOut', 'Leaf-out'],
  ['firstBloom', 'First flowers'],
  ['fullBloom', 'Full bloom'],
  ['lastBloom', 'Last flowers'],
];

/** Days of bloom of a variety in a year. */
export function BloomDate(props: CorrectProps) {
  const { line } = props;
  const [days, setDays] = useState<Record<string, string>>(() =>
    Object.fromEntries(DAYS.map(([key]) => [key, said(line, key) ?? ''])),
  );
  const of = useCorrection(props, 'year', Object.keys(days), () =>
    answer(
      api.PUT('/api/bloom-dates/{id}', {
        params: { path: { id: line.id } },
        body: {
          varietyId: said(line, 'varietyId')!,
          year: number(line, 'year')!,
          ...Object.fromEntries(Object.entries(days).filter(([, day]) => day !== '')),
          version: line.version,
        },
      }),
    ),
  );
  return (
    <Frame of={of} noteless timeless>
      {DAYS.map(([key, label]) => (
        <DateField
          key={key}
          label={label}
          value={days[key]!}
          onChange={(day) => setDays({ ...days, [key]: day })}
          error={of.form.errorFor(key, label)}
        />
      ))}
    </Frame>
  );
}
