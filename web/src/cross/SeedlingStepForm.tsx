import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { doneWithUndo } from '../ui/undo';
import { eventChoice, eventWords } from './seedling-words';

type Event = Schemas['SeedlingStep']['event'];

const WITH_PLACE: Event[] = ['POTTED', 'PLANTED', 'MOVED', 'GRAFTED'];

/** What most likely comes next, the earliest in front. */
const NEXT: Event[] = ['POTTED', 'PLANTED', 'FRUITED', 'SEEN'];

const voidStep = (seedling: string, step: Schemas['SeedlingStep']) =>
  voidRecord(
    '/api/seedlings/{seedling}/steps/{id}/void',
    { seedling, id: step.id },
    step.version,
    'recorded by mistake',
  );

/** Writes down what happened to a seedling. */
export function SeedlingStepForm({ of }: { of: Schemas['Seedling'] }) {
  const { now, zone } = useHere();
  const [id, setId] = useState(newId);
  const [chosen, setChosen] = useState<Event>();
  const event =
    of.possible.find((e) => e === chosen) ?? NEXT.find((e) => of.possible.includes(e)) ?? of.possible[0];
  const [on, setOn] = useState(() => wallTime(now, zone).slice(0, 10));
  const [place, setPlace] = useState('');
  const [rootstock, setRootstock] = useState('');
  const [note, setNote] = useState('');
  const grafted = event === 'GRAFTED';
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/seedlings/{seedling}/steps/{id}', {
          params: { path: { seedling: of.row.id, id } },
          body: {
            event: event!,
            on,
            note,
            ...(WITH_PLACE.includes(event!) && place && { place }),
            ...(grafted && { rootstock }),
          },
        }),
      ),
    ['event', 'on', 'place', 'rootstock', 'note'],
    (saved) => {
      const written = saved.happened.find((h) => h.id === id)!;
      doneWithUndo(`${saved.row.number}: ${eventWords(written)}.`, () => voidStep(of.row.id, written));
      setId(newId());
      setChosen(undefined);
      setPlace('');
      setRootstock('');
      setNote('');
    },
  );
  if (!event) return null;
  return (
    <RecordForm
      form={form}
      save="Save it"
      disabled={(grafted && !rootstock.trim()) || (event === 'MOVED' && !place.trim())}
    >
      <div className="form">
        <div className="two" style={{ alignItems: 'end' }}>
          <NativeSelect
            label="What happened"
            data={of.possible.map((e) => ({ value: e, label: eventChoice(e) }))}
            value={event}
            onChange={(e) => setChosen(e.currentTarget.value as Event)}
            error={form.errorFor('event', 'What happened')}
          />
          <DateField label="On" value={on} onChange={setOn} error={form.errorFor('on', 'Day')} />
          {grafted && <TextField name="rootstock" label="Rootstock" value={rootstock} set={setRootstock} />}
          {WITH_PLACE.includes(event) && (
            <TextField
              name="place"
              label="Place from then on"
              placeholder="for example row 3, place 12"
              value={place}
              set={setPlace}
            />
          )}
          <TextField name="note" label="Note" value={note} set={setNote} />
        </div>
      </div>
    </RecordForm>
  );
}
