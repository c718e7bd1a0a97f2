import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import { Button, SegmentedControl, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { temperature, toCelsius } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { dayAndClock, said } from '../format/time';
import { TimeField } from '../form/TimeField';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { KEPT, stepWords, storageWords } from './lot-words';

type Step = Schemas['KeepingStep'];
type Kind = Step['kind'];

const number = (v: number | string): number | undefined => (v === '' ? undefined : Number(v));

function StepForm({ story, close }: { story: Schemas['LotStory']; close: () => void }) {
  const { now, orchard } = useHere();
  const lot = story.lot;
  const { data: crops = [] } = useQuery(queries.crops());
  const keeping = crops.find((c) => c.key === lot.crop)?.keeping ?? [];
  const [id] = useState(newId);
  const [kind, setKind] = useState<Kind>(lot.open && !lot.dry ? 'SEEN_DRY' : 'STORED');
  const [storage, setStorage] = useState<string>('FRIDGE_DESICCANT');
  const [ownTime, setOwnTime] = useState<Date>();
  const [degrees, setDegrees] = useState<number | string>('');
  const [humidity, setHumidity] = useState<number | string>('');
  const metric = orchard.units === 'METRIC';
  const at = ownTime ?? now;
  const form = useSubmit(
    (_: void, confirmed) => {
      const given = number(degrees);
      const damp = number(humidity);
      return answer(
        api.PUT('/api/lots/{lot}/steps/{id}', {
          params: { path: { lot: lot.id, id } },
          body: {
            at: at.toISOString(),
            kind,
            confirmed,
            ...(kind === 'STORED' && { storage: storage as NonNullable<Step['storage']> }),
            ...(given !== undefined && { celsius: metric ? given : toCelsius(given) }),
            ...(damp !== undefined && { humidity: damp }),
          },
        }),
      );
    },
    ['at', 'storage', 'celsius', 'humidity'],
    (after) => {
      const saved = after.steps.find((s) => s.id === id);
      doneWithUndo(`${lot.code}: ${stepWords({ kind, storage: storage as Step['storage'] })}.`, () =>
        voidRecord(
          '/api/lots/{lot}/steps/{id}/void',
          { lot: lot.id, id },
          saved?.version ?? 0,
          'undone right after saving',
        ),
      );
      close();
    },
  );
  return (
    <RecordForm form={form} save="Write it down" cancel={close}>
      <Select
        label="What was done"
        data={(Object.keys(KEPT) as Kind[]).map((value) => ({ value, label: KEPT[value] }))}
        value={kind}
        onChange={(v) => setKind(v as Kind)}
        allowDeselect={false}
      />
      {kind === 'STORED' && (
        <div>
          <SegmentedControl
            aria-label="Where"
            data={keeping
              .filter((k) => k.storage !== 'ROOM')
              .map((k) => ({ value: k.storage, label: storageWords(k.storage) }))}
            value={storage}
            onChange={setStorage}
          />
          {form.errorFor('storage', 'Storage') && (
            <p className="warn">{form.errorFor('storage', 'Storage')}</p>
          )}
        </div>
      )}
      <TimeField label="When" value={at} onChange={setOwnTime} error={form.errorFor('at', 'Time')} />
      <div className="form">
        <div className="two">
          <NumberField
            name="celsius"
            label={`Temperature there, ${metric ? '°C' : '°F'}`}
            description="only where measured"
            value={degrees}
            set={setDegrees}
            named="Temperature"
          />
          <NumberField
            name="humidity"
            label="Humidity there, %"
            description="only where measured"
            min={0}
            max={100}
            value={humidity}
            set={setHumidity}
            named="Humidity"
          />
        </div>
      </div>
    </RecordForm>
  );
}

/** Drying and keeping, step by step, with what is next. */
export function Keeping({ story }: { story: Schemas['LotStory'] }) {
  const { now, zone, orchard } = useHere();
  const [adding, setAdding] = useState(false);
  const lot = story.lot;
  const remove = useSubmit(
    (s: Step) =>
      voidRecord(
        '/api/lots/{lot}/steps/{id}/void',
        { lot: lot.id, id: s.id! },
        s.version,
        'recorded by mistake',
      ),
    [],
    () => undefined,
  );
  return (
    <section className="card">
      <header>
        <h2>Dry and keep</h2>
        {!adding && (
          <Button size="sm" variant="outline" ml="auto" onClick={() => setAdding(true)}>
            Add a step
          </Button>
        )}
      </header>
      <p>
        {lot.dry
          ? 'Dry.'
          : lot.dryBy
            ? `Still drying: it should be dry ${said(new Date(lot.dryBy), now, zone)}. The eye is the better judge.`
            : 'Not dry, and where it is now it does not dry.'}
      </p>
      {story.hazards.map((h) => (
        <p key={h} className="note bad small">
          {h}
        </p>
      ))}
      <table className="plain">
        <tbody>
          {story.steps.map((s, i) => (
            <tr key={s.id ?? 'first'}>
              <td className="soft" style={{ whiteSpace: 'nowrap' }}>
                {dayAndClock(new Date(s.at), zone)}
              </td>
              <td>
                {i === 0
                  ? `${lot.parts.length > 0 ? 'Blended' : lot.received && Date.parse(s.at) === Date.parse(lot.received.receivedAt) ? 'Came' : 'Collected'}; ${s.storage ? storageWords(s.storage) : 'open at room'}`
                  : stepWords(s)}
                {s.celsius !== undefined && `, ${temperature(s.celsius, orchard.units)}`}
                {s.humidity !== undefined && `, ${Math.round(s.humidity)}\u00a0% humidity`}
              </td>
              <td className="num">
                {s.id && (
                  <Button
                    size="compact-sm"
                    variant="subtle"
                    onClick={() => remove.submit(s)}
                    aria-label={`Remove: ${stepWords(s)}`}
                  >
                    Remove
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {remove.general && <p className="warn">{remove.general}</p>}
      {adding && <StepForm story={story} close={() => setAdding(false)} />}
    </section>
  );
}
