import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { useOutbox } from '../kit/outbox';
import { queries } from '../kit/queries';
import { plural } from '../kit/time';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { crossWords, givesPollen } from '../crossing/cross-words';
import { sameFlowers } from '../planning/round-words';
import { voidPollination } from '../pollination/DoneList';
import { allotted, dosesThere, jarName } from './collecting';
import { HowFields, useHow } from './How';
import { MarkFields, useMarking } from './Marks';
import { CountRow, Limbs, Looks, StopBar, Where } from './StopParts';
import { Said, StopWords } from './StopWords';
import { doneAt, nextStop, route } from './walk-state';
import classes from './Walk.module.css';

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
        <div className={classes.step}>No jar</div>
        {stop.lotCode}, with their own pollen
      </div>
    );
  const sameBrush = !first && stop.cleanBefore.length === 0;
  return (
    <div className={classes.jar}>
      <span className={classes.code}>{code}</span>
      <span>
        {stop.pollenParent} jar
        <br />
        {sameBrush ? 'same brush' : 'with a clean brush'}
      </span>
    </div>
  );
}

/** How this crop's growers do it: strokes, passes, what to heed. */
function Handling({ stop, sheet }: { stop: Stop; sheet: Sheet | undefined }) {
  return (
    <>
      {stop.onlyNow && (
        <p className={classes.now}>Now or never: hardly one of these can be pollinated tomorrow.</p>
      )}
      <p className={classes.mark}>
        {stop.say} {stop.strokes}
        {stop.passes !== undefined && ` Go over each flower ${stop.passes} times.`}
      </p>
      {stop.handling.length > 0 && (
        <details className={classes.marks}>
          <summary>What to watch for</summary>
          <ul className={classes.cautions}>
            {stop.handling.map((h) => (
              <li key={h}>{h}</li>
            ))}
          </ul>
        </details>
      )}
      {sheet?.figSizes && sheet.receives && (
        <Link className={classes.link} to={`/round/figs/${stop.treeId}`}>
          Which figs, by size
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
        ? 'This jar is empty: go on to the next stop.'
        : share === 0
          ? `The other trees need its ${plural(doses, 'dose')} more: go on.`
          : `Only ${plural(doses, 'dose')} left in it: do ${share} of the ${of}, the best open.`}
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
        `${saved.treeName}: ${plural(saved.flowers, 'flower')} done.${saved.markWarning ? ` ${saved.markWarning}` : ''}`,
        () => voidPollination(saved),
      );
      goOn();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/pollinations/${id}`,
        body: { ...body },
        label: `${stop.treeName}: ${plural(count, 'flower')} with ${code}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${stop.treeName}: ${plural(count, 'flower')} done.`);
        goOn();
      },
    },
  );
  const error = form.errorFor('flowers', 'Flowers') ?? form.general;
  return (
    <>
      <section className={classes.card} data-tree={stop.treeName} data-cross={stop.cross?.label}>
        <Where stop={stop} walk={walk.id} />
        <Jar stop={stop} first={first} code={code} />
        {place >= 0 && doses === undefined && (
          <p className={classes.now}>
            Its pollen is not collected yet.{' '}
            <button type="button" className={classes.link} onClick={() => collect(place)}>
              Collect {stop.pollenParent}
            </button>
          </p>
        )}
        {doses !== undefined && share < left && <Short doses={doses} share={share} of={left} />}
        {stop.cross && <p className={classes.cross}>{crossWords(stop)}</p>}
        {stop.againOf && <p className={classes.cross}>once more on the same: {stop.say}</p>}
        <Looks stop={stop} sheet={sheet} />
        <Handling stop={stop} sheet={sheet} />
        <Limbs stop={stop} />
        {sheet && !again && (
          <MarkFields sheet={sheet} of={marking} error={form.errorFor('tag', 'The number')} />
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
        before="Count as you go"
        skip={goOn}
        done={() => form.submit(undefined)}
      />
    </>
  );
}
