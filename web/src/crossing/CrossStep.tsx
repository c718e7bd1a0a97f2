import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { TimeField } from '../form/TimeField';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { givesPollen, stepDone, stepName } from './cross-words';
import { voidPollination } from '../pollination/DoneList';
import { voidStep } from '../walk/StepCard';

type ControlledCross = Schemas['ControlledCross'];
type Due = Schemas['ControlledCrossDue'];
type Written = Pick<Schemas['ControlledCrossDone'], 'id' | 'version' | 'pollination'>;

/** Takes a step back: a pollination with its doses, any other as it is. */
export const takeBack = (controlledCross: string, d: Written) =>
  d.pollination ? voidPollination(d) : voidStep(controlledCross, d);

/** What is said of one step: on how many flowers, when, with which jar. */
interface Said {
  id: string;
  step: Due['step'];
  flowers: number | string;
  at: Date | undefined;
}

function sendStep(controlledCross: ControlledCross, of: Said, lotId: string, now: Date): Promise<Written> {
  const doneAt = (of.at ?? now).toISOString();
  const flowers = Number(of.flowers);
  return givesPollen(of.step)
    ? answer(
        api.PUT('/api/pollinations/{id}', {
          params: { path: { id: of.id } },
          body: {
            treeId: controlledCross.treeId,
            lotId,
            flowers,
            doneAt,
            crossId: controlledCross.id,
            again: of.step === 'POLLINATE_AGAIN',
          },
        }),
      ).then((p) => ({ id: p.id, version: p.version, pollination: true }))
    : answer(
        api.PUT('/api/crosses/{controlledCross}/steps/{id}', {
          params: { path: { controlledCross: controlledCross.id, id: of.id } },
          body: { kind: of.step, flowers, doneAt },
        }),
      ).then(() => ({ id: of.id, version: 0, pollination: false }));
}

/** Steps of a cross that are due now, written down one by one or together, each with its own time. */
export function CrossSteps({ controlledCross, due }: { controlledCross: ControlledCross; due: Due[] }) {
  const { now } = useHere();
  const { data: lots = [] } = useQuery(queries.lots());
  const jars = lots.filter(
    (l) => l.dosesLeft > 0 && l.fathers.length === 1 && l.fathers[0]!.varietyId === controlledCross.fatherId,
  );
  const [jar, setJar] = useState<string>();
  const [together, setTogether] = useState(false);
  const [said, setSaid] = useState<Said[]>(() =>
    due.map((d) => ({ id: newId(), step: d.step, flowers: controlledCross.flowers, at: undefined })),
  );
  const rows = together ? said : said.slice(0, 1);
  const pollen = rows.some((r) => givesPollen(r.step));
  const lotId = jar ?? jars[0]?.id ?? '';
  const form = useSubmit<undefined, Written[]>(
    async () => {
      const written: Written[] = [];
      for (const row of rows) written.push(await sendStep(controlledCross, row, lotId, now));
      return written;
    },
    ['flowers', 'lotId', 'doneAt'],
    (written) =>
      doneWithUndo(
        `${controlledCross.label}: ${rows.map((r) => `${plural(Number(r.flowers), 'flower')} ${stepDone(r.step)}`).join(', ')}.`,
        async () => {
          for (const w of [...written].reverse()) await takeBack(controlledCross.id, w);
        },
      ),
  );
  const change = (of: Said, to: Partial<Said>) =>
    setSaid((all) => all.map((s) => (s.id === of.id ? { ...s, ...to } : s)));
  if (pollen && jars.length === 0)
    return (
      <div className="stack" style={{ gap: 8 }}>
        <p className="small warn">
          No jar of {controlledCross.father} alone is on the shelf.{' '}
          <Link to="/pollen/collect">Collect some</Link>
        </p>
        <SkipStep controlledCross={controlledCross} step={rows[0]!.step} />
      </div>
    );
  return (
    <RecordForm
      form={form}
      save={together ? `Write down ${rows.length} steps` : `${stepName(rows[0]!.step)}: done`}
      disabled={rows.some((r) => r.flowers === '')}
      style={{ gap: 8 }}
      beside={
        <>
          {said.length > 1 && (
            <Button variant="outline" onClick={() => setTogether(!together)}>
              {together ? 'One step only' : `All ${said.length} steps due`}
            </Button>
          )}
          {!together && <SkipStep controlledCross={controlledCross} step={rows[0]!.step} />}
        </>
      }
    >
      {rows.map((r) => (
        <div key={r.id} className="line" style={{ alignItems: 'flex-end' }}>
          <NumberField
            name="flowers"
            label={givesPollen(r.step) ? 'Flowers pollinated' : 'Flowers there after it'}
            {...(together && { description: stepName(r.step) })}
            min={0}
            w={190}
            value={r.flowers}
            set={(flowers) => change(r, { flowers })}
            named="Flowers"
          />
          <TimeField
            label="Done at"
            value={r.at ?? now}
            onChange={(at) => change(r, { at })}
            error={form.errorFor('doneAt', 'It')}
          />
          {givesPollen(r.step) && (
            <NativeSelect
              label="Jar"
              data={jars.map((l) => ({ value: l.id, label: `${l.code}, ${plural(l.dosesLeft, 'dose')}` }))}
              value={lotId}
              onChange={(e) => setJar(e.currentTarget.value)}
              error={form.errorFor('lotId', 'The jar')}
            />
          )}
        </div>
      ))}
    </RecordForm>
  );
}

/** A step that is not done at all, with the reason. */
function SkipStep({ controlledCross, step }: { controlledCross: ControlledCross; step: Due['step'] }) {
  const { now } = useHere();
  const [id] = useState(newId);
  const [why, setWhy] = useState<string>();
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/crosses/{controlledCross}/steps/{id}', {
          params: { path: { controlledCross: controlledCross.id, id } },
          body: {
            kind: step,
            flowers: controlledCross.flowers,
            doneAt: now.toISOString(),
            skipped: true,
            note: why ?? '',
          },
        }),
      ),
    ['note'],
    () =>
      doneWithUndo(`${controlledCross.label}: step skipped.`, () =>
        voidStep(controlledCross.id, { id, version: 0 }),
      ),
  );
  if (why === undefined)
    return (
      <Button variant="subtle" onClick={() => setWhy('')}>
        Skip this step
      </Button>
    );
  return (
    <span className="line" style={{ alignItems: 'flex-end' }}>
      <TextInput
        label="Why it is skipped"
        value={why}
        onChange={(e) => setWhy(e.currentTarget.value)}
        error={form.errorFor('note', 'The reason') ?? form.general}
      />
      <Button
        variant="outline"
        loading={form.busy}
        disabled={why.trim() === ''}
        onClick={() => form.submit(undefined)}
      >
        Skip it
      </Button>
    </span>
  );
}
