import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { looksWaiting } from '../fruitset/fruit-words';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { useOutbox } from '../offline/outbox';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import classes from './Findings.module.css';

type Comparison = Schemas['Comparison'];
type Place = Schemas['ComparisonPlace'];

/** Writes down that a place was treated as its tag says. */
function DoPlace({ of, place, jar }: { of: Comparison; place: Place; jar: string }) {
  const { now, session } = useHere();
  const [id] = useState(newId);
  const arm = of.arms[place.arm]!;
  const hand = arm.treatment === 'HAND';
  const body: Schemas['PollinationRequest'] = {
    treeId: place.treeId,
    ...(hand && { lotId: jar }),
    flowers: 1,
    doneAt: now.toISOString(),
    mark: 'tag',
    tag: place.tag,
    how: {
      treatment: arm.treatment,
      ...(arm.strokes && { strokes: arm.strokes }),
      ...(arm.tool && { tool: arm.tool }),
      ...(arm.stage && { stage: arm.stage }),
    },
    comparisonId: of.id,
    slot: place.slot,
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/pollinations/{id}', { params: { path: { id } }, body })),
    [],
    (saved) =>
      doneWithUndo(`${place.tag}: ${arm.name}.`, () =>
        voidRecord('/api/pollinations/{id}/void', { id: saved.id }, saved.version, 'recorded by mistake'),
      ),
    {
      write: () => ({
        method: 'PUT',
        path: `/api/pollinations/${id}`,
        body: { ...body },
        label: `${place.tag}: ${arm.name}`,
        account: session.accountId,
      }),
      kept: () => sayKept(`${place.tag}.`),
    },
  );
  return (
    <>
      <Button
        size="compact-md"
        variant="outline"
        loading={form.busy}
        disabled={hand && !jar}
        onClick={() => form.submit(undefined)}
        aria-label={`${place.tag}: done`}
      >
        Done
      </Button>
      {(form.general ?? form.problems[0]?.message) && (
        <span className="warn small">{form.general ?? form.problems[0]?.message}</span>
      )}
    </>
  );
}

const OUTCOME = {
  WAITING: 'done, not yet known',
  SET: 'set',
  FAILED: 'failed',
  LOST: 'cannot be known',
} as const;

/** A comparison flower by flower: what its tag says, and whether it is done. */
export function Places({ of, lots }: { of: Comparison; lots: Schemas['LotView'][] }) {
  const waiting = looksWaiting(useOutbox());
  const jars = lots.filter((l) => l.dosesLeft > 0);
  const [chosen, setJar] = useState<string>();
  // The jars may come in after the page.
  const jar = chosen ?? jars[0]?.id ?? '';
  const open = of.places.filter((p) => !p.pollinationId);
  const needsJar = open.some((p) => of.arms[p.arm]!.treatment === 'HAND');
  return (
    <details className={classes.table}>
      <summary>Flower by flower: {plural(open.length, 'flower')} still to treat</summary>
      {needsJar && (
        <NativeSelect
          label="Jar for those by hand"
          data={[
            { value: '', label: 'no jar chosen' },
            ...jars.map((l) => ({ value: l.id, label: `${l.code} ${l.varietyName}, ${l.dosesLeft} doses` })),
          ]}
          value={jar}
          onChange={(e) => setJar(e.currentTarget.value)}
          maw={320}
          mb={10}
        />
      )}
      <div className={classes.tags}>
        {of.places.map((p) => (
          <div
            key={p.slot}
            className={`${classes.place} ${p.pollinationId ? classes.done : ''}`}
            data-tag={p.tag}
          >
            <b>{p.tag}</b>
            <span>
              {of.arms[p.arm]!.name}
              <span className="soft"> · {p.tree}</span>
            </span>
            {p.outcome ? (
              <span className="small soft">
                {waiting.has(p.pollinationId!) ? 'check waits on this device' : OUTCOME[p.outcome]}
              </span>
            ) : (
              <DoPlace of={of} place={p} jar={jar} />
            )}
          </div>
        ))}
      </div>
    </details>
  );
}
