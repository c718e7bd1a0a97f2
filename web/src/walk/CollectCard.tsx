import { Button, NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { Counter } from '../kit/Counter';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { useOutbox } from '../kit/outbox';
import { Question } from '../kit/Question';
import { queries } from '../kit/queries';
import { TimeField } from '../kit/TimeField';
import { dayOfYearAndClock, plural } from '../kit/time';
import { sayDone } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { laterWords } from '../planning/plan-words';
import { dosesOf } from '../pollen/doses';
import { dosesThere, jarLabel } from './collecting';
import classes from './Walk.module.css';

type Collecting = Schemas['WalkCollecting'];

/** Male flowers taken before the females are done: counted tree by tree, into one new jar. */
export function CollectCard({
  of,
  sheet,
  next,
}: {
  of: Collecting;
  sheet: Schemas['CropSheetView'] | undefined;
  next: () => void;
}) {
  const { now, zone, session } = useHere();
  const outbox = useOutbox();
  const { data: lots = [] } = useQuery(queries.lots());
  const [taken, setTaken] = useState<Record<string, number>>({});
  const [at, setAt] = useState<Date>();
  const [doses, setDoses] = useState<number | string>('');
  const there = dosesThere(of, lots, outbox);
  const { pollen } = of;
  const sources = pollen.trees
    .map((t) => ({ treeId: t.treeId, flowers: taken[t.treeId] ?? 0 }))
    .filter((s) => s.flowers > 0);
  const flowers = sources.reduce((n, s) => n + s.flowers, 0);
  const expected = dosesOf(flowers, pollen.dosesPerFlower);
  const body: Schemas['LotRequest'] = {
    sources,
    collectedAt: (at ?? now).toISOString(),
    storage: 'ROOM',
    ...(sheet?.collect[0] && { way: sheet.collect[0] }),
    ...(doses !== '' && { doses: Number(doses) }),
  };
  const form = useSubmit(
    (_: void, confirmed) =>
      answer(api.PUT('/api/lots/{id}', { params: { path: { id: of.lotId } }, body: { ...body, confirmed } })),
    ['sources', 'doses', 'collectedAt'],
    (lot) => {
      sayDone(
        `Jar ${lot.code}: ${plural(lot.dosesLeft, 'dose')}. Write ${lot.code} on it. A wrong count is set right on the jar’s own page.`,
      );
      next();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/lots/${of.lotId}`,
        body: { ...body },
        label: `${plural(flowers, 'male flower')} of ${pollen.variety} into a new jar`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${plural(flowers, 'male flower')} of ${pollen.variety}.`);
        next();
      },
    },
  );
  const error = form.errorFor('sources', 'Flowers') ?? form.errorFor('doses', 'Doses') ?? form.general;
  return (
    <>
      <section className={classes.card} data-collect={pollen.variety}>
        <div className={classes.step}>Collect {pollen.variety}</div>
        <p>
          {plural(pollen.flowers, 'male flower')} that shed, for {plural(pollen.doses, 'dose')}
          {laterWords(pollen)}. Into one clean, empty cup.
        </p>
        {there !== undefined && (
          <p className={classes.now}>This jar is filled: {plural(there, 'dose')} left.</p>
        )}
        {pollen.trees.map((t) => (
          <div key={t.treeId} className={classes.source}>
            <span>
              <b>{t.tree}</b>
              <br />
              <span className="soft">
                about {Math.round(t.flowers)} shedding · {t.place}
              </span>
            </span>
            <Counter
              label={`flowers of ${t.tree}`}
              heading="collected"
              value={taken[t.treeId] ?? 0}
              onChange={(n) => setTaken((all) => ({ ...all, [t.treeId]: n }))}
            />
          </div>
        ))}
        <div className={classes.two}>
          <TimeField
            label="Collected at"
            value={at ?? now}
            onChange={setAt}
            error={form.errorFor('collectedAt', 'It')}
          />
          {at && (
            <Button variant="subtle" onClick={() => setAt(undefined)}>
              Now
            </Button>
          )}
        </div>
        <p className="soft" data-label>
          On its label: {jarLabel(of, lots)}, {dayOfYearAndClock(at ?? now, now, zone)}
        </p>
        {flowers > 0 && (
          <NumberInput
            label="Doses"
            description={`${plural(flowers, 'flower')} give about ${expected}; change it if you see more or less.`}
            placeholder={String(expected)}
            min={1}
            value={doses}
            onChange={setDoses}
          />
        )}
      </section>
      {error && (
        <p className={classes.error} role="alert">
          {error}
        </p>
      )}
      <Question question={form.question} />
      <footer className={classes.bar}>
        <Button size="lg" variant="outline" mr="auto" onClick={next} disabled={form.busy}>
          {there === undefined ? 'Skip' : 'Next'}
        </Button>
        <Button
          size="lg"
          disabled={flowers === 0 || there !== undefined}
          loading={form.busy}
          onClick={() => form.submit()}
        >
          {flowers === 0
            ? 'Count the flowers collected'
            : `Into the jar · ${doses === '' ? expected : doses} doses`}
        </Button>
      </footer>
    </>
  );
}
