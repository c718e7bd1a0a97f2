import { saidOf } from '../api/problem';
import { NumbersField, TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { Button, NumberInput, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { percent } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { dayAndClock, plural } from '../format/time';
import { TimeField } from '../form/TimeField';
import { doneWithUndo } from '../ui/undo';
import { type Submit, useSubmit } from '../form/use-submit';

interface View {
  grains: number | string;
  tubes: number | string;
}

function testWords(t: Schemas['PollenTest']): string {
  const fresh = t.freshSeen > 0 ? `; with fresh pollen ${t.freshAlive} of ${t.freshSeen}` : '';
  return t.germination
    ? `${t.alive} of ${plural(t.seen, 'grain')} with a tube, in ${plural(t.fields, 'field')} of view`
    : `${t.alive} of ${plural(t.seen, 'flower')} set${fresh}`;
}

interface ViewsProps {
  fields: View[];
  set: (change: (all: View[]) => View[]) => void;
  problems: Submit<never>['problems'];
}

function FieldsOfView({ fields, set, problems }: ViewsProps) {
  const counted = fields.filter((f) => f.grains !== '');
  const grains = counted.reduce((n, f) => n + Number(f.grains), 0);
  const tubes = counted.reduce((n, f) => n + Number(f.tubes), 0);
  const change = (i: number, part: Partial<View>) =>
    set((all) => all.map((f, k) => (k === i ? { ...f, ...part } : f)));
  return (
    <div>
      <p className="small soft">
        A tube counts when it is at least as long as the grain is wide. Count several fields of view: grains
        lie in clumps.
      </p>
      {fields.map((f, i) => (
        <div key={i} className="line" style={{ marginTop: 8 }}>
          <span style={{ width: 62 }}>field {i + 1}</span>
          <NumberInput
            aria-label={`Grains in field ${i + 1}`}
            placeholder="grains"
            min={0}
            w={110}
            value={f.grains}
            onChange={(v) => change(i, { grains: v })}
          />
          <NumberInput
            aria-label={`Tubes in field ${i + 1}`}
            placeholder="tubes"
            min={0}
            w={110}
            value={f.tubes}
            onChange={(v) => change(i, { tubes: v })}
          />
          {problems
            .filter((p) => p.field.startsWith(`fields[${i}]`))
            .map((p) => (
              <span key={p.field} className="warn small">
                {saidOf(p)}
              </span>
            ))}
        </div>
      ))}
      <div className="line" style={{ marginTop: 8 }}>
        <Button
          size="compact-md"
          variant="outline"
          onClick={() => set((all) => [...all, { grains: '', tubes: '' }])}
        >
          One more field
        </Button>
        {grains > 0 && (
          <span className="small">
            {tubes} of {grains}: {percent(tubes / grains)}
          </span>
        )}
      </div>
    </div>
  );
}

type Spare = Record<'flowers' | 'taken' | 'freshFlowers' | 'freshTaken', number | string>;

function SpareFlowers({ of, set }: { of: Spare; set: (spare: Spare) => void }) {
  return (
    <div className="form">
      <div className="two">
        <NumbersField
          of={of}
          set={set}
          fields={{
            flowers: { label: 'Flowers done with it', named: 'Flowers', min: 1 },
            taken: { label: 'of them set', named: 'Set', min: 0 },
            freshFlowers: { label: 'Flowers beside them with fresh pollen', named: 'Flowers', min: 0 },
            freshTaken: { label: 'of them set', named: 'Set', min: 0 },
          }}
        />
      </div>
    </div>
  );
}

function TestForm({ lot, close }: { lot: Schemas['LotView']; close: () => void }) {
  const { now } = useHere();
  const [id] = useState(newId);
  const [kind, setKind] = useState('grains');
  const [fields, setFields] = useState<View[]>([{ grains: '', tubes: '' }]);
  const [spare, setSpare] = useState<Spare>({ flowers: '', taken: '', freshFlowers: '', freshTaken: '' });
  const [ownTime, setOwnTime] = useState<Date>();
  const [note, setNote] = useState('');
  const at = ownTime ?? now;
  const counted = fields.filter((f) => f.grains !== '');
  const onMedium = kind === 'grains';
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/lots/{lot}/tests/{id}', {
          params: { path: { lot: lot.id, id } },
          body: {
            at: at.toISOString(),
            ...(note && { note }),
            ...(onMedium
              ? { fields: counted.map((f) => ({ grains: Number(f.grains), tubes: Number(f.tubes) })) }
              : {
                  flowers: Number(spare.flowers),
                  taken: Number(spare.taken),
                  ...(spare.freshFlowers !== '' && {
                    freshFlowers: Number(spare.freshFlowers),
                    freshTaken: Number(spare.freshTaken),
                  }),
                }),
          },
        }),
      ),
    [
      ...['at', 'flowers', 'taken', 'freshFlowers', 'freshTaken', 'note'],
      ...counted.flatMap((_, i) => [`fields[${i}].grains`, `fields[${i}].tubes`]),
    ],
    (after) => {
      doneWithUndo(`${lot.code} tested: ${percent(after.lot.viability.share)} alive.`, () =>
        voidRecord('/api/lots/{lot}/tests/{id}/void', { lot: lot.id, id }, 0, 'undone right after saving'),
      );
      close();
    },
  );
  return (
    <RecordForm form={form} save="Use it" cancel={close}>
      <SegmentedControl
        aria-label="Kind of test"
        data={[
          { value: 'grains', label: 'Grains on a medium' },
          { value: 'flowers', label: 'Spare flowers' },
        ]}
        value={kind}
        onChange={setKind}
      />
      {onMedium ? (
        <FieldsOfView fields={fields} set={setFields} problems={form.problems} />
      ) : (
        <SpareFlowers of={spare} set={setSpare} />
      )}
      <TimeField label="Counted" value={at} onChange={setOwnTime} error={form.errorFor('at', 'Time')} />
      <TextField name="note" label="Note" value={note} set={setNote} />
    </RecordForm>
  );
}

/** Tests of a jar, and what each taught. */
export function Tests({ story }: { story: Schemas['LotStory'] }) {
  const { zone } = useHere();
  const [adding, setAdding] = useState(false);
  const lot = story.lot;
  const remove = useSubmit(
    (t: Schemas['PollenTest']) =>
      voidRecord(
        '/api/lots/{lot}/tests/{id}/void',
        { lot: lot.id, id: t.id },
        t.version,
        'recorded by mistake',
      ),
    [],
    () => undefined,
  );
  return (
    <section className="card">
      <header>
        <h2>Test</h2>
        {!adding && (
          <Button size="sm" variant="outline" ml="auto" onClick={() => setAdding(true)}>
            Enter a test
          </Button>
        )}
      </header>
      {lot.viability.advice && <p className="note">{lot.viability.advice}</p>}
      {story.tests.length === 0 && !lot.viability.advice && (
        <p className="soft">Not tested. Germinate a pinch, or try it on spare flowers; the curve follows.</p>
      )}
      {story.tests.map((t) => (
        <div key={t.id} className="line" style={{ justifyContent: 'space-between' }}>
          <span>
            <span className="soft">{dayAndClock(new Date(t.at), zone)}</span> {testWords(t)}.{' '}
            <span className="small soft">
              Believed before {percent(t.before)}, after it {percent(t.after)}
              {t.clumping > 1.05 &&
                `; the fields differ more than chance would have it, so they count as ${Math.round(t.seen / t.clumping)} grains`}
              .{t.note && ` ${t.note}`}
            </span>
          </span>
          <Button size="compact-sm" variant="subtle" onClick={() => remove.submit(t)}>
            Remove
          </Button>
        </div>
      ))}
      {remove.general && <p className="warn">{remove.general}</p>}
      {adding && <TestForm lot={lot} close={() => setAdding(false)} />}
    </section>
  );
}
