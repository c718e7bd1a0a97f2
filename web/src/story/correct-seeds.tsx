import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { TextField } from '../form/fields';
import { Frame, Numbers, useCorrection, whole, type CorrectProps, type Typed } from './correction';
import { number, said } from './story-words';

/** What was done with seeds of a lot. */
export function SeedStep(props: CorrectProps) {
  const { line } = props;
  const [counted, setCounted] = useState<Typed>({ count: number(line, 'count') ?? 0 });
  const at = said(line, 'stage') as Schemas['SeedStepRequest']['at'];
  const of = useCorrection(props, 'on', ['count', 'step', 'at'], (on, note) =>
    answer(
      api.PUT('/api/seed-lots/{lot}/steps/{id}', {
        params: { path: { lot: said(line, 'seedLotId')!, id: line.id } },
        body: {
          step: said(line, 'seedStep') as Schemas['SeedStepRequest']['step'],
          on,
          count: whole(counted.count!),
          note,
          version: line.version,
          ...(at && { at }),
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <Numbers names={[['count', 'How many']]} values={counted} change={setCounted} />
    </Frame>
  );
}

/** What happened to a numbered seedling. */
export function SeedlingStep(props: CorrectProps) {
  const { line } = props;
  const [place, setPlace] = useState(said(line, 'place') ?? '');
  const [rootstock, setRootstock] = useState(said(line, 'rootstock') ?? '');
  const of = useCorrection(props, 'on', ['place', 'rootstock', 'event'], (on, note) =>
    answer(
      api.PUT('/api/seedlings/{seedling}/steps/{id}', {
        params: { path: { seedling: said(line, 'seedlingId')!, id: line.id } },
        body: {
          event: said(line, 'seedlingStep') as Schemas['SeedlingStepRequest']['event'],
          on,
          note,
          version: line.version,
          ...(place && { place }),
          ...(rootstock && { rootstock }),
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      {said(line, 'place') !== undefined && (
        <TextField name="place" label="Place from then on" value={place} set={setPlace} />
      )}
      {said(line, 'rootstock') !== undefined && (
        <TextField name="rootstock" label="Rootstock" value={rootstock} set={setRootstock} />
      )}
    </Frame>
  );
}
