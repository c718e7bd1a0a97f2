import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { StorageField, type Storage } from '../pollen/StorageField';
import { Frame, Numbers, useCorrection, whole, type CorrectProps, type Typed } from './correction';
import { number, said } from './story-words';

/** What went in and out of a jar is put right in its ledger; here its hour and its note. */
export function Jar(props: CorrectProps) {
  const { line } = props;
  const of = useCorrection(props, 'at', [], (at, note) =>
    answer(
      api.PUT('/api/lots/{id}/correction', {
        params: { path: { id: line.id } },
        body: { at, note, version: line.version },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <p className="small soft">Doses are put right on the jar’s page, in its ledger.</p>
    </Frame>
  );
}

/** How a jar was kept from a moment on. */
export function JarStep(props: CorrectProps) {
  const { line } = props;
  const { data: lots = [] } = useQuery(queries.lots());
  const { data: crops = [] } = useQuery(queries.crops());
  const sheet = crops.find((c) => c.key === lots.find((l) => l.id === line.lotId)?.crop);
  const [storage, setStorage] = useState(said(line, 'storage') as Storage | undefined);
  const of = useCorrection(props, 'at', ['storage'], (at, _, confirmed) =>
    answer(
      api.PUT('/api/lots/{lot}/steps/{id}', {
        params: { path: { lot: line.lotId!, id: line.id }, query: { version: line.version } },
        body: {
          at,
          kind: said(line, 'jarStep') as Schemas['KeepingStepRequest']['kind'],
          ...(storage && { storage }),
          celsius: number(line, 'celsius'),
          humidity: number(line, 'humidity'),
          confirmed,
        },
      }),
    ),
  );
  return (
    <Frame of={of} noteless>
      {sheet && storage && (
        <StorageField
          label="Put away"
          sheet={sheet}
          value={storage}
          onChange={setStorage}
          error={of.form.errorFor('storage', 'Put away')}
        />
      )}
    </Frame>
  );
}

const TRIAL: [string, string][] = [
  ['flowers', 'Flowers done with it'],
  ['taken', 'Of them set'],
  ['freshFlowers', 'With fresh pollen'],
  ['freshTaken', 'Of them set'],
];

/** A test of a jar: grains on a medium, all fields of view together, or flowers. */
export function JarTest(props: CorrectProps) {
  const { line } = props;
  const fields = line.what.fields as Schemas['PollenTestRequest']['fields'];
  const [typed, setTyped] = useState<Typed>(() =>
    Object.fromEntries(
      fields
        ? fields.flatMap((f, i) => [
            [`fields[${i}].grains`, f.grains],
            [`fields[${i}].tubes`, f.tubes],
          ])
        : TRIAL.map(([key]) => [key, number(line, key) ?? 0]),
    ),
  );
  const names: [string, string][] = fields
    ? fields.flatMap((_, i): [string, string][] => [
        [`fields[${i}].grains`, `Field ${i + 1}: grains`],
        [`fields[${i}].tubes`, `Field ${i + 1}: with tubes`],
      ])
    : TRIAL;
  const of = useCorrection(props, 'at', Object.keys(typed), (at, note) =>
    answer(
      api.PUT('/api/lots/{lot}/tests/{id}', {
        params: { path: { lot: line.lotId!, id: line.id }, query: { version: line.version } },
        body: {
          at,
          note,
          ...(fields
            ? {
                fields: fields.map((_, i) => ({
                  grains: whole(typed[`fields[${i}].grains`]!),
                  tubes: whole(typed[`fields[${i}].tubes`]!),
                })),
              }
            : Object.fromEntries(TRIAL.map(([key]) => [key, whole(typed[key]!)]))),
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <Numbers names={names} values={typed} change={setTyped} />
    </Frame>
  );
}
