import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { NumberField, TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { DateField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { plural, wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { doneWithUndo } from '../ui/undo';
import { STAGES } from './seed-words';

type Stage = Schemas['SeedsAlive']['stage'];

const takeBack = (ids: string[]) =>
  answer(api.POST('/api/seedlings/void', { body: { ids, reason: 'undone right after saving' } }));

/** Numbers of their own for seedlings of a lot: from then on each has a page. */
export function GiveNumbers({ lot }: { lot: Schemas['SeedLot'] }) {
  const { now, zone } = useHere();
  const [ids, setIds] = useState<string[]>([]);
  const [chosen, setChosen] = useState<Stage>();
  const at = lot.withoutNumber.find((a) => a.stage === chosen) ?? lot.withoutNumber[0];
  const [typed, setTyped] = useState<number | string>();
  const [on, setOn] = useState(() => wallTime(now, zone).slice(0, 10));
  const [place, setPlace] = useState('');
  const count = Number(typed ?? at?.count) || 0;
  const form = useSubmit(
    () => {
      // Sent again after a failure, the same seedlings keep their ids.
      const sent = [...ids, ...Array.from({ length: Math.max(0, count - ids.length) }, newId)].slice(
        0,
        count,
      );
      setIds(sent);
      return answer(
        api.POST('/api/seed-lots/{lot}/seedlings', {
          params: { path: { lot: lot.id } },
          body: { ids: sent, at: at!.stage, on, place },
        }),
      );
    },
    ['ids', 'at', 'on', 'place'],
    (made) => {
      const first = made[0]!.number;
      const last = made[made.length - 1]!.number;
      doneWithUndo(
        made.length === 1 ? `It is number ${first}.` : `They are numbers ${first} to ${last}.`,
        () => takeBack(made.map((m) => m.id)),
      );
      setIds([]);
      setTyped(undefined);
      setPlace('');
    },
  );
  if (!at) return null;
  return (
    <RecordForm
      form={form}
      save={`Give ${plural(count, 'number')}`}
      disabled={count < 1 || count > 500}
      className="card stack noprint"
    >
      <h2>Numbers of their own</h2>
      <p className="small soft">
        A seedling with a number has its own page: what happens to it, its scores, its name one day.
      </p>
      <div className="form">
        <div className="two" style={{ alignItems: 'end' }}>
          <NativeSelect
            label="Which seedlings"
            data={lot.withoutNumber.map((a) => ({
              value: a.stage,
              label: `${STAGES[a.stage]}: ${a.count} without a number`,
            }))}
            value={at.stage}
            onChange={(e) => {
              setChosen(e.currentTarget.value as Stage);
              setTyped(undefined);
            }}
            error={form.errorFor('at', 'Which seedlings')}
          />
          <NumberField
            name="ids"
            label="How many seedlings"
            description="up to 500 at once"
            min={1}
            max={500}
            value={typed ?? at.count}
            set={setTyped}
          />
          <DateField label="Numbered on" value={on} onChange={setOn} error={form.errorFor('on', 'Day')} />
          <TextField
            name="place"
            label="Place"
            placeholder="for example bench 2, tray 4"
            value={place}
            set={setPlace}
          />
        </div>
      </div>
    </RecordForm>
  );
}
