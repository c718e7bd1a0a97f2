import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { calendarDate, plural } from '../format/time';
import { FruitTabs } from '../fruitset/FruitTabs';
import { useMay } from '../ui/roles';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { parents, taskWords } from './seed-words';
import { SeedLotForm } from './SeedLotForm';
import classes from './Seeds.module.css';
import { StageBar } from './StageBar';

type Lot = Schemas['SeedLot'];

/** The next thing to do with a lot. */
function Next({ lot }: { lot: Lot }) {
  const next = lot.tasks[0];
  if (!next)
    return (
      <p className="soft">
        {lot.alive.length === 0
          ? 'None of its seeds is left here.'
          : lot.keptMoist === undefined
            ? 'The crop sheet does not say how its seeds are raised.'
            : 'Its trees have borne fruit: score them on their own pages.'}
      </p>
    );
  return (
    <p>
      <b>{taskWords(next)}</b>, {next.due ? 'now' : `from ${calendarDate(next.from)}`}.
    </p>
  );
}

function LotCard({ lot }: { lot: Lot }) {
  return (
    <section className="card stack" data-lot={lot.label}>
      <div className={classes.head}>
        <h2>
          <Link to={`/fruit-set/seeds/${lot.id}`}>{lot.label}</Link>
        </h2>
        <span>{parents(lot)}</span>
      </div>
      <StageBar lot={lot} />
      <Next lot={lot} />
    </section>
  );
}

function Sources({ of, make }: { of: Schemas['SeedSource'][]; make: (s: Schemas['SeedSource']) => void }) {
  const may = useMay('WORK');
  if (of.length === 0) return null;
  return (
    <section className="card stack">
      <h2>Seeds that are in no lot yet</h2>
      <ul className={classes.tasks}>
        {of.map((s) => (
          <li key={`${s.treeId} ${s.crossId ?? s.pollenOf ?? ''}`}>
            <span>
              <b>{plural(s.seeds, 'full seed')}</b> of {plural(s.fruits, 'fruit')} of {s.tree}
              {s.cross
                ? `, cross ${s.cross} with ${s.father}`
                : s.pollenOf && `, given pollen of ${s.pollenOf}, not bagged`}
              , harvested by {calendarDate(s.harvestedOn)}
            </span>
            {may && (
              <Button variant="outline" size="sm" onClick={() => make(s)}>
                Make a lot
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function heading(lots: Lot[]): string {
  const due = lots.filter((l) => l.tasks[0]?.due).length;
  if (lots.length === 0) return 'No seeds are kept yet';
  return due === 0
    ? 'Nothing is due with your seeds'
    : `${plural(due, 'seed lot')} ${due === 1 ? 'has' : 'have'} something due`;
}

/** Lots whose next day comes first in front; those with nothing to do at the end. */
const byDay = (a: Lot, b: Lot) => (a.tasks[0]?.from ?? '9999').localeCompare(b.tasks[0]?.from ?? '9999');

/** Seeds of harvested fruit on their way to trees. */
export function SeedLots() {
  const all = useQuery(queries.seedLots());
  const may = useMay('WORK');
  const [making, setMaking] = useState<'new' | Schemas['SeedSource']>();
  return (
    <>
      <FruitTabs />
      <Loaded of={all}>
        {({ lots, sources }) => (
          <>
            <div className="say">
              <h1>{heading(lots)}</h1>
              {lots.length > 0 && (
                <div className="do noprint">
                  <Button component={Link} to="/fruit-set/rivers" variant="subtle">
                    Over the years
                  </Button>
                  {may && <Button onClick={() => setMaking('new')}>New lot</Button>}
                </div>
              )}
            </div>
            <Sources of={sources} make={setMaking} />
            {lots.length === 0 && sources.length === 0 && (
              <Empty
                title="Seeds begin with a harvested fruit"
                action={may && <Button onClick={() => setMaking('new')}>New lot</Button>}
              >
                Count the seeds of a fruit under Fruit and harvest, and they are offered here. Or write down
                seeds that you have.
              </Empty>
            )}
            <div className={classes.lots}>
              {[...lots].sort(byDay).map((lot) => (
                <LotCard key={lot.id} lot={lot} />
              ))}
            </div>
            {lots.length > 0 && <SaveCsv tables={['seed-lots', 'seed-steps']} />}
          </>
        )}
      </Loaded>
      {making && (
        <SeedLotForm from={making === 'new' ? undefined : making} close={() => setMaking(undefined)} />
      )}
    </>
  );
}
