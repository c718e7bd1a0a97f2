import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { useOutbox } from '../offline/outbox';
import { queries } from '../api/queries';

import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { crossWords, stepDone, stepName } from '../crossing/cross-words';
import type { StopProps } from './StopCard';
import { CountRow, Looks, StopBar, Where } from './StopParts';
import { Said, StopWords } from './StopWords';
import { doneAt, nextStop } from './walk-state';
import classes from './Walk.module.css';
import { t, tellAll } from '../text/text';

export const voidStep = (
  controlledCross: string,
  step: Pick<Schemas['ControlledCrossDone'], 'id' | 'version'>,
) =>
  voidRecord(
    '/api/crosses/{controlledCross}/steps/{id}/void',
    { controlledCross, id: step.id },
    step.version,
    'recorded by mistake',
  );

/** What to press into the metal tag, as long as the cross can be looked up. */
function Tag({ controlledCross }: { controlledCross: string }) {
  const { data } = useQuery(queries.controlledCrosses());
  const lines = data?.controlledCrosses.find((c) => c.id === controlledCross)?.metalTag;
  return lines ? (
    <p className={classes.tag} aria-label={t('walk.metal-tag')}>
      {lines.map((l) => (
        <span key={l}>{l}</span>
      ))}
    </p>
  ) : null;
}

/** A step on a cross: which flowers, how, how many are left after it. */
export function StepCard({ walk, index, sheet, count, setCount, next }: StopProps) {
  const { now, session } = useHere();
  const stop = walk.stops[index]!;
  const outbox = useOutbox();
  const [id, setId] = useState(newId);
  const done = doneAt(walk, index, outbox, session.accountId);
  const controlledCross = stop.cross?.crossId ?? '';
  const body: Schemas['CrossStepRequest'] = {
    kind: stop.kind,
    flowers: count,
    doneAt: now.toISOString(),
    walkId: walk.id,
    stop: index,
  };
  const words = t('walk.step-done', { tree: stop.treeName, n: count, done: stepDone(stop.kind) });
  const goOn = () => {
    setId(newId());
    setCount(0);
    next();
  };
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/crosses/{controlledCross}/steps/{id}', {
          params: { path: { controlledCross, id } },
          body,
        }),
      ),
    ['flowers'],
    (saved) => {
      const written = saved.done.find((d) => d.id === id);
      doneWithUndo(`${words}.`, () => voidStep(controlledCross, written ?? { id, version: 0 }));
      goOn();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/crosses/${controlledCross}/steps/${id}`,
        body: { ...body },
        label: words,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${words}.`);
        goOn();
      },
    },
  );
  const error = form.errorFor('flowers', t('field.flowers')) ?? form.general;
  return (
    <>
      <section className={classes.card} data-tree={stop.treeName} data-step={stop.kind}>
        <Where stop={stop} walk={walk.id} />
        <div className={classes.step}>{stepName(stop.kind)}</div>
        <p className={classes.cross}>{crossWords(stop)}</p>
        <Looks stop={stop} sheet={sheet} />
        <p>{tellAll(stop.say)}</p>
        {(stop.kind === 'BAG' || stop.kind === 'REBAG') && <Tag controlledCross={controlledCross} />}
        <Said walk={walk} index={index} />
      </section>
      <CountRow count={count} setCount={setCount} of={stop.flowers} done={done} />
      <StopWords walk={walk} index={index} goOn={goOn} />
      {error && (
        <p className={classes.error} role="alert">
          {error}
        </p>
      )}
      <StopBar
        last={nextStop(walk, index) === walk.stops.length}
        count={count}
        busy={form.busy}
        before={t('walk.count')}
        skip={goOn}
        done={() => form.submit(undefined)}
      >
        {count === 0 && (
          <Button size="lg" variant="outline" onClick={() => setCount(stop.flowers)}>
            {t('walk.all-n', { n: stop.flowers })}
          </Button>
        )}
      </StopBar>
    </>
  );
}
