import { Button, NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { Counter } from '../form/Counter';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { useOutbox } from '../offline/outbox';
import { Question } from '../form/Question';
import { queries } from '../api/queries';
import { TimeField } from '../form/TimeField';
import { dayOfYearAndClock } from '../format/time';
import { sayDone } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { laterWords } from '../planning/plan-words';
import { dosesOf } from '../pollen/doses';
import { dosesThere, jarLabel } from './collecting';
import classes from './Walk.module.css';
import { t, tell } from '../text/text';

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
    ...(sheet?.collect[0] && { method: sheet.collect[0] }),
    ...(doses !== '' && { doses: Number(doses) }),
  };
  const form = useSubmit(
    (_: void, confirmed) =>
      answer(api.PUT('/api/lots/{id}', { params: { path: { id: of.lotId } }, body: { ...body, confirmed } })),
    ['sources', 'doses', 'collectedAt'],
    (lot) => {
      sayDone(t('walk.jar-filled', { code: lot.code, n: lot.dosesLeft }));
      next();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/lots/${of.lotId}`,
        body: { ...body },
        label: t('walk.into-new-jar', { n: flowers, variety: pollen.variety }),
        account: session.accountId,
      }),
      kept: () => {
        sayKept(t('walk.male-kept', { n: flowers, variety: pollen.variety }));
        next();
      },
    },
  );
  const error =
    form.errorFor('sources', t('field.flowers')) ?? form.errorFor('doses', t('field.doses')) ?? form.general;
  return (
    <>
      <section className={classes.card} data-collect={pollen.variety}>
        <div className={classes.step}>{t('walk.collect', { variety: pollen.variety })}</div>
        <p>
          {t('walk.collect-what', {
            flowers: pollen.flowers,
            doses: pollen.doses,
            later: laterWords(pollen),
          })}
        </p>
        {there !== undefined && <p className={classes.now}>{t('walk.jar-has', { n: there })}</p>}
        {pollen.trees.map((from) => (
          <div key={from.treeId} className={classes.source}>
            <span>
              <b>{from.tree}</b>
              <br />
              <span className="soft">
                {t('walk.shedding', { n: Math.round(from.flowers), place: tell(from.place) })}
              </span>
            </span>
            <Counter
              label={t('walk.flowers-of', { tree: from.tree })}
              heading={t('walk.collected')}
              value={taken[from.treeId] ?? 0}
              onChange={(n) => setTaken((all) => ({ ...all, [from.treeId]: n }))}
            />
          </div>
        ))}
        <div className={classes.two}>
          <TimeField
            label={t('walk.collected-at')}
            value={at ?? now}
            onChange={setAt}
            error={form.errorFor('collectedAt', t('field.time'))}
          />
          {at && (
            <Button variant="subtle" onClick={() => setAt(undefined)}>
              {t('do.now')}
            </Button>
          )}
        </div>
        <p className="soft" data-label>
          {t('walk.on-label', { label: jarLabel(of, lots), at: dayOfYearAndClock(at ?? now, now, zone) })}
        </p>
        {flowers > 0 && (
          <NumberInput
            label={t('field.doses')}
            description={t('walk.doses-from', { n: flowers, doses: expected })}
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
          {there === undefined ? t('do.skip') : t('walk.next')}
        </Button>
        <Button
          size="lg"
          disabled={flowers === 0 || there !== undefined}
          loading={form.busy}
          onClick={() => form.submit()}
        >
          {flowers === 0
            ? t('walk.count-collected')
            : t('walk.into-jar', { n: doses === '' ? expected : Number(doses) })}
        </Button>
      </footer>
    </>
  );
}
