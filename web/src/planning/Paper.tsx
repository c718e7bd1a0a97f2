import { Button, NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import { plural } from '../format/time';
import { TimeField } from '../form/TimeField';
import { route } from '../walk/walk-state';
import { useSubmit } from '../form/use-submit';
import { crossWords, givesPollen, stepName } from '../crossing/cross-words';
import { sameFlowers } from './round-words';
import classes from './Round.module.css';
import { RoundTabs } from './RoundTabs';
import { tellAll } from '../text/text';

/** The jar, the step where it is one, and the cross. */
function With({ stop }: { stop: Schemas['RoundStop'] }) {
  return (
    <>
      {stop.lotCode}
      {stop.kind !== 'POLLINATE' && <div className="small">{stepName(stop.kind)}</div>}
      {stop.cross && <div className="small soft">{crossWords(stop)}</div>}
      {stop.againOf && <div className="small soft">{tellAll(stop.say)}</div>}
    </>
  );
}

function Line({ walk, index, at }: { walk: Schemas['Walk']; index: number; at: Date }) {
  const stop = walk.stops[index]!;
  const [id, setId] = useState(newId);
  const [flowers, setFlowers] = useState<number | string>('');
  const done = [...walk.done, ...walk.steps]
    .filter((d) => d.stop === index)
    .reduce((n, d) => n + d.flowers, 0);
  const controlledCross = stop.cross?.crossId;
  const when = { flowers: Number(flowers), doneAt: at.toISOString(), walkId: walk.id, stop: index };
  const form = useSubmit<undefined, unknown>(
    () =>
      givesPollen(stop.kind)
        ? answer(
            api.PUT('/api/pollinations/{id}', {
              params: { path: { id } },
              body: {
                ...when,
                treeId: stop.treeId,
                ...(stop.lotId && { lotId: stop.lotId }),
                ...sameFlowers(stop),
              },
            }),
          )
        : answer(
            api.PUT('/api/crosses/{controlledCross}/steps/{id}', {
              params: { path: { controlledCross: controlledCross ?? '', id } },
              body: { ...when, kind: stop.kind },
            }),
          ),
    ['flowers', 'doneAt'],
    () => {
      setId(newId());
      setFlowers('');
    },
  );
  return (
    <tr>
      <td className="soft">{index + 1}</td>
      <td>
        <b>{stop.treeName}</b> <span className={`small soft ${classes.wide}`}>{stop.varietyName}</span>
        <div className={classes.below}>
          <With stop={stop} />
          {done > 0 && <div className="small">{done} written down</div>}
        </div>
      </td>
      <td className={classes.which}>
        <With stop={stop} />
      </td>
      <td className="num">{stop.flowers}</td>
      <td className={`num ${classes.which}`}>{done}</td>
      <td>
        <form
          className={classes.typed}
          onSubmit={(e) => {
            e.preventDefault();
            form.submit(undefined);
          }}
        >
          <NumberInput
            aria-label={`Flowers done at stop ${index + 1}, ${stop.treeName}`}
            min={1}
            w={110}
            value={flowers}
            onChange={setFlowers}
            error={form.errorFor('flowers', 'Flowers') ?? form.errorFor('doneAt', 'Time') ?? form.general}
          />
          <Button type="submit" variant="outline" disabled={flowers === ''} loading={form.busy}>
            Write down
          </Button>
        </form>
      </td>
    </tr>
  );
}

function TypeIn({ walk }: { walk: Schemas['Walk'] }) {
  const { now } = useHere();
  const [ownTime, setOwnTime] = useState<Date>();
  const at = ownTime ?? now;
  const { data: lots } = useQuery(queries.lots());
  const missing = walk.collects.filter((c) => lots && !lots.some((l) => l.id === c.lotId));
  return (
    <>
      <div className="say">
        <h1>A visit on paper: {plural(route(walk).length, 'stop')}</h1>
        <div className="do">
          <Button component="a" href={`/api/walks/${walk.id}/paper`} target="_blank" variant="outline">
            Open the page to print
          </Button>
        </div>
      </div>
      <section className="card stack">
        <p className="soft">
          Carry the page, write on it, and type it in here afterwards. Enter writes a line down.
        </p>
        {missing.length > 0 && (
          <p className="note">
            First the pollen that was collected:{' '}
            <Link to={`/round/walk/${walk.id}`}>
              count the flowers of {missing.map((c) => c.pollen.variety).join(', ')}
            </Link>
            , as these stops draw from their new jars.
          </p>
        )}
        <div style={{ maxWidth: 280 }}>
          <TimeField label="When it was done" value={at} onChange={setOwnTime} />
        </div>
        <div className="scroll">
          <table className="plain">
            <thead>
              <tr>
                <th aria-label="Order" />
                <th>Tree</th>
                <th className={classes.which}>Jar</th>
                <th className="num">Planned</th>
                <th className={`num ${classes.which}`}>Written</th>
                <th>By the page</th>
              </tr>
            </thead>
            <tbody>
              {route(walk).map((i) => (
                <Line key={i} walk={walk} index={i} at={at} />
              ))}
            </tbody>
          </table>
        </div>
        <div>
          <Button component={Link} to="/round">
            Back to the visit
          </Button>
        </div>
      </section>
    </>
  );
}

/** A round that is carried on paper and typed in afterwards. */
export function Paper() {
  const walk = useQuery(queries.walk(useParams().walk!));
  return (
    <>
      <RoundTabs />
      <Loaded of={walk}>{(w) => <TypeIn key={w.id} walk={w} />}</Loaded>
    </>
  );
}
