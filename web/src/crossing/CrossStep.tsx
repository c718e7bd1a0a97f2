import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { plural } from '../kit/time';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { givesPollen, STEP, STEP_DONE } from './cross-words';
import { voidPollination } from '../pollination/DoneList';
import { voidStep } from '../walk/StepCard';

type Crossing = Schemas['Crossing'];
type Due = Schemas['CrossingDue'];

/** Takes a step back: a pollination with its doses, any other as it is. */
export const takeBack = (
  crossing: string,
  d: Pick<Schemas['CrossingDone'], 'id' | 'version' | 'pollination'>,
) => (d.pollination ? voidPollination(d) : voidStep(crossing, d));

/** Writes the next step of a cross down, on as many flowers as there are after it. */
export function CrossStep({ crossing, due }: { crossing: Crossing; due: Due }) {
  const { now } = useHere();
  const { data: lots = [] } = useQuery(queries.lots());
  const pollen = givesPollen(due.step);
  const jars = lots.filter(
    (l) => l.dosesLeft > 0 && l.fathers.length === 1 && l.fathers[0]!.varietyId === crossing.fatherId,
  );
  const [id, setId] = useState(newId);
  const [flowers, setFlowers] = useState<number | string>(crossing.flowers);
  const [jar, setJar] = useState<string>();
  const lotId = jar ?? jars[0]?.id;
  const form = useSubmit<undefined, { id: string; version: number; pollination: boolean }>(
    () =>
      pollen
        ? answer(
            api.PUT('/api/pollinations/{id}', {
              params: { path: { id } },
              body: {
                treeId: crossing.treeId,
                lotId: lotId!,
                flowers: Number(flowers),
                doneAt: now.toISOString(),
                crossingId: crossing.id,
                again: due.step === 'POLLINATE_AGAIN',
              },
            }),
          ).then((p) => ({ id: p.id, version: p.version, pollination: true }))
        : answer(
            api.PUT('/api/crossings/{crossing}/steps/{id}', {
              params: { path: { crossing: crossing.id, id } },
              body: { kind: due.step, flowers: Number(flowers), doneAt: now.toISOString() },
            }),
          ).then(() => ({ id, version: 0, pollination: false })),
    ['flowers', 'lotId'],
    (done) => {
      doneWithUndo(`${crossing.label}: ${plural(Number(flowers), 'flower')} ${STEP_DONE[due.step]}.`, () =>
        takeBack(crossing.id, done),
      );
      setId(newId());
    },
  );
  if (pollen && jars.length === 0)
    return (
      <p className="small warn">
        No jar of {crossing.father} alone is on the shelf. <Link to="/pollen/collect">Collect some</Link>
      </p>
    );
  return (
    <form
      className="line"
      style={{ alignItems: 'flex-end' }}
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      <NumberInput
        label={pollen ? 'Flowers given pollen' : 'Flowers there after it'}
        min={0}
        w={190}
        value={flowers}
        onChange={setFlowers}
        error={form.errorFor('flowers', 'Flowers')}
      />
      {pollen && (
        <NativeSelect
          label="Jar"
          data={jars.map((l) => ({ value: l.id, label: `${l.code}, ${plural(l.dosesLeft, 'dose')}` }))}
          value={lotId}
          onChange={(e) => setJar(e.currentTarget.value)}
          error={form.errorFor('lotId', 'The jar')}
        />
      )}
      <Button type="submit" loading={form.busy} disabled={flowers === ''}>
        {STEP[due.step]}: done
      </Button>
      {form.general && <p className="warn">{form.general}</p>}
    </form>
  );
}
