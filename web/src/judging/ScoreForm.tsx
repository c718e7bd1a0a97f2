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
import { BETTER, scaleWords } from './judging-words';

/** What is scored: exactly one of the two is there. */
export interface Plant {
  seedlingId?: string;
  varietyId?: string;
}

const takeBack = (ids: string[]) =>
  answer(api.POST('/api/scores/void', { body: { ids, reason: 'undone right after saving' } }));

/** A score card: one number for each trait; those left empty are not scored. */
export function ScoreForm({ plant, traits }: { plant: Plant; traits: Schemas['ScoreCardLine'][] }) {
  const { now, zone, session } = useHere();
  // The same card sent twice is there once.
  const [ids, setIds] = useState(() => new Map(traits.map((t) => [t.id, newId()])));
  const [values, setValues] = useState<Record<string, number | string>>({});
  const [on, setOn] = useState(() => wallTime(now, zone).slice(0, 10));
  const [taster, setTaster] = useState(session.person);
  const [note, setNote] = useState('');
  const given = traits.filter((t) => (values[t.id] ?? '') !== '');
  const scores = given.map((t) => ({
    id: ids.get(t.id) ?? newId(),
    traitId: t.id,
    value: Number(values[t.id]),
  }));
  const form = useSubmit(
    () => answer(api.POST('/api/scores', { body: { ...plant, on, taster, note, scores } })),
    ['on', 'taster', 'note', ...given.map((_, i) => `scores[${i}].value`)],
    () => {
      const sent = scores.map((s) => s.id);
      doneWithUndo(
        `${plural(scores.length, 'score')} by ${taster} ${scores.length === 1 ? 'is' : 'are'} saved.`,
        () => takeBack(sent),
      );
      setIds(new Map(traits.map((t) => [t.id, newId()])));
      setValues({});
      setNote('');
    },
  );
  return (
    <RecordForm form={form} save="Save the scores" disabled={given.length === 0 || !taster.trim()}>
      <div className="form">
        <div className="two" style={{ alignItems: 'end' }}>
          {traits.map((t) => (
            <NumberField
              key={t.id}
              name={`scores[${given.indexOf(t)}].value`}
              named={t.name}
              label={t.name}
              description={`${scaleWords(t)}, ${BETTER[t.better]}`}
              min={t.low}
              max={t.high}
              clampBehavior="none"
              decimalScale={2}
              value={values[t.id] ?? ''}
              set={(v) => setValues((all) => ({ ...all, [t.id]: v }))}
            />
          ))}
          <DateField label="On" value={on} onChange={setOn} error={form.errorFor('on', 'Day')} />
          <TextField name="taster" label="Scored by" value={taster} set={setTaster} />
          <TextField name="note" label="Note" value={note} set={setNote} />
        </div>
      </div>
    </RecordForm>
  );
}
