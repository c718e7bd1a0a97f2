import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { NumberField, TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { doneWithUndo } from '../ui/undo';
import { stepChoice, stepDone } from './seed-words';

type Lot = Schemas['SeedLot'];
type Possible = Schemas['PossibleSeedStep'];

const voidStep = (lot: Lot, step: Pick<Schemas['SeedStep'], 'id' | 'version'>) =>
  voidRecord(
    '/api/seed-lots/{lot}/steps/{id}/void',
    { lot: lot.id, id: step.id },
    step.version,
    'recorded by mistake',
  );

const keyOf = (p: Pick<Possible, 'step' | 'at'>) => (p.at ? `${p.step} ${p.at}` : p.step);

interface Props {
  lot: Lot;
  /** The step that is due, chosen beforehand. */
  first?: Pick<Possible, 'step' | 'at'> | undefined;
}

/** Writes down what was done with seeds or seedlings of a lot. */
export function SeedStepForm({ lot, first }: Props) {
  const { now, zone } = useHere();
  const [id, setId] = useState(newId);
  const start = lot.possible.find((p) => first && keyOf(p) === keyOf(first)) ?? lot.possible[0];
  const [chosen, setChosen] = useState(start && keyOf(start));
  const step = lot.possible.find((p) => keyOf(p) === chosen) ?? start;
  const [typed, setTyped] = useState<number | string>();
  const [on, setOn] = useState(() => wallTime(now, zone).slice(0, 10));
  const [note, setNote] = useState('');
  const counts = step?.step !== 'SEEN';
  // What came up is counted; everything else is done with all of them as a rule.
  const count = typed ?? (step?.step === 'CAME_UP' ? '' : (step?.most ?? ''));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/seed-lots/{lot}/steps/{id}', {
          params: { path: { lot: lot.id, id } },
          body: {
            step: step!.step,
            on,
            count: counts ? Number(count) : 0,
            ...(step!.at && { at: step!.at }),
            note,
          },
        }),
      ),
    ['step', 'on', 'count', 'at', 'note'],
    (saved) => {
      const written = saved.done.find((d) => d.id === id)!;
      doneWithUndo(`${lot.label}: ${stepDone(written)}.`, () => voidStep(lot, written));
      setId(newId());
      setChosen(undefined);
      setTyped(undefined);
      setNote('');
    },
  );
  if (!step) return null;
  return (
    <RecordForm form={form} save="Save the step" disabled={counts && Number(count) < 1}>
      <div className="form">
        <div className="two" style={{ alignItems: 'end' }}>
          <NativeSelect
            label="What was done"
            data={lot.possible.map((p) => ({ value: keyOf(p), label: stepChoice(p.step, p.at) }))}
            value={keyOf(step)}
            onChange={(e) => {
              setChosen(e.currentTarget.value);
              setTyped(undefined);
            }}
            error={form.errorFor('step', 'Step') ?? form.errorFor('at', 'Where they were')}
          />
          {counts && (
            <NumberField
              name="count"
              label="How many"
              description={step.step === 'CAME_UP' ? 'more since the last count' : `of ${step.most}`}
              min={1}
              value={count}
              set={setTyped}
            />
          )}
          <DateField label="On" value={on} onChange={setOn} error={form.errorFor('on', 'Day')} />
          <TextField name="note" label="Note" value={note} set={setNote} />
        </div>
      </div>
    </RecordForm>
  );
}
