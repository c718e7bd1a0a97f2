import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { useOutbox } from '../offline/outbox';
import { queries } from '../api/queries';

import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { crossWords, givesPollen } from '../crossing/cross-words';
import { pollenOf, sameFlowers } from '../planning/round-words';
import { voidPollination } from '../pollination/DoneList';
import { allotted, dosesThere, jarName } from './collecting';
import { HowFields, useHow } from './How';
import { MarkFields, useMarking } from './Marks';
import { CountRow, Limbs, Looks, StopBar, Where } from './StopParts';
import { Said, StopWords } from './StopWords';
import { doneAt, nextStop, route } from './walk-state';
import classes from './Walk.module.css';
import { phrase, t, tellAll } from '../text/text';

type Stop = Schemas['RoundStop'];
type Sheet = Schemas['CropSheetView'];

export interface StopProps {
  walk: Schemas['Walk'];
  index: number;
  sheet: Sheet | undefined;
  count: number;
  setCount: (n: number) => void;
  next: () => void;
  /** back to what is collected, by its place */
  collect: (place: number) => void;
}

/** The jar and the brush; or that the flowers serve one another. */
function Jar({ stop, first, code }: { stop: Stop; first: boolean; code: string }) {
  if (!stop.lotId)
    return (
      <div>
        <div className={classes.step}>{t('walk.no-jar')}</div>
        {t('walk.own-pollen', { code: pollenOf(stop) })}
      </div>
    );
  const sameBrush = !first && stop.cleanBefore.length === 0;
  return (
    <div className={classes.jar}>
      <span className={classes.code}>{code}</span>
      <span>
        {t('walk.jar-of', { father: stop.pollenParent })}
        <br />
        {sameBrush ? t('walk.same-brush') : t('walk.clean-brush')}
      </span>
    </div>
  );
}

/** How this crop's growers do it: strokes, passes, what to heed. */
function Handling({ stop, sheet }: { stop: Stop; sheet: Sheet | undefined }) {
  return (
    <>
      {stop.onlyNow && <p className={classes.now}>{t('walk.now-or-never')}</p>}
      <p className={classes.mark}>
        {tellAll([...stop.say, ...stop.strokes])}
        {stop.passes !== undefined && ` ${t('walk.passes', { n: stop.passes })}`}
      </p>
      {stop.handling.length > 0 && (
        <details className={classes.marks}>
          <summary>{t('walk.watch')}</summary>
          <ul className={classes.cautions}>
            {stop.handling.map((h) => (
              <li key={h}>{phrase(h)}</li>
            ))}
          </ul>
        </details>
      )}
      {sheet?.figSizes && sheet.receives && (
        <Link className={classes.link} to={`/round/figs/${stop.treeId}`}>
          {t('walk.figs')}
        </Link>
      )}
    </>
  );
}

/** A jar that was filled with less than planned. */
function Short({ doses, share, of }: { doses: number; share: number; of: number }) {
  return (
    <p className={classes.now}>
      {doses === 0
        ? t('walk.jar-empty')
        : share === 0
          ? t('walk.others-need', { n: doses })
          : t('walk.only-left', { n: doses, share, of })}
    </p>
  );
}

/** Pollen at one tree: what to look for, with which jar, how many, and how to mark them. */
export function StopCard({ walk, index, sheet, count, setCount, next, collect }: StopProps) {
  const { now, session } = useHere();
  const stop: Stop = walk.stops[index]!;
  const outbox = useOutbox();
  const { data: lots = [] } = useQuery(queries.lots());
  const place = stop.lotId ? walk.collects.findIndex((c) => c.lotId === stop.lotId) : -1;
  const fresh = walk.collects[place];
  const doses = fresh && dosesThere(fresh, lots, outbox);
  const code = fresh ? jarName(fresh, lots) : stop.lotCode;
  const [id, setId] = useState(newId);
  const marking = useMarking(sheet);
  const stages = stop.byStage.map((b) => b.stage);
  const how = useHow(stages);
  const done = doneAt(walk, index, outbox, session.accountId);
  const first = !route(walk).some((i) => i < index && givesPollen(walk.stops[i]!.kind));
  const share = doses === undefined ? stop.flowers : allotted(walk, index, doses, outbox, session.accountId);
  const left = Math.max(0, stop.flowers - done.mine - done.others);
  const again = sameFlowers(stop);
  const body: Schemas['PollinationRequest'] = {
    treeId: stop.treeId,
    ...(stop.lotId && { lotId: stop.lotId }),
    flowers: count,
    doneAt: now.toISOString(),
    walkId: walk.id,
    stop: index,
    how: how.how,
    ...(again ?? marking.body),
  };
  const goOn = () => {
    setId(newId());
    setCount(0);
    next();
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/pollinations/{id}', { params: { path: { id } }, body })),
    ['flowers', 'tag'],
    (saved) => {
      doneWithUndo(
        `${t('walk.flowers-done', { tree: saved.treeName, n: saved.flowers })}${saved.markWarning ? ` ${phrase(saved.markWarning)}` : ''}`,
        () => voidPollination(saved),
      );
      goOn();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/pollinations/${id}`,
        body: { ...body },
        label: t('walk.flowers-with', { tree: stop.treeName, n: count, code }),
        account: session.accountId,
      }),
      kept: () => {
        sayKept(t('walk.flowers-done', { tree: stop.treeName, n: count }));
        goOn();
      },
    },
  );
  const error = form.errorFor('flowers', t('field.flowers')) ?? form.general;
  return (
    <>
      <section className={classes.card} data-tree={stop.treeName} data-cross={stop.cross?.label}>
        <Where stop={stop} walk={walk.id} />
        <Jar stop={stop} first={first} code={code} />
        {place >= 0 && doses === undefined && (
          <p className={classes.now}>
            {t('walk.not-collected')}{' '}
            <button type="button" className={classes.link} onClick={() => collect(place)}>
              {t('walk.collect', { variety: stop.pollenParent })}
            </button>
          </p>
        )}
        {doses !== undefined && share < left && <Short doses={doses} share={share} of={left} />}
        {stop.cross && <p className={classes.cross}>{crossWords(stop)}</p>}
        {stop.againOf && (
          <p className={classes.cross}>{t('walk.same-again', { which: tellAll(stop.say) })}</p>
        )}
        <Looks stop={stop} sheet={sheet} />
        <Handling stop={stop} sheet={sheet} />
        <Limbs stop={stop} />
        {sheet && !again && (
          <MarkFields sheet={sheet} of={marking} error={form.errorFor('tag', t('field.number'))} />
        )}
        {sheet && <HowFields of={how} sheet={sheet} stages={stages} />}
        <Said walk={walk} index={index} />
      </section>
      <CountRow
        count={count}
        setCount={setCount}
        of={share < left ? share + done.mine + done.others : stop.flowers}
        done={done}
      />
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
        before={t('walk.count-as-you-go')}
        skip={goOn}
        done={() => form.submit(undefined)}
      />
    </>
  );
}
