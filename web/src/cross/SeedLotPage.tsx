import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { SharePlot } from '../charts/SharePlot';
import { percent } from '../format/numbers';
import { calendarDate, plural } from '../format/time';
import { FruitTabs } from '../fruitset/FruitTabs';
import { usePageTitle } from '../ui/page-title';
import { useMay } from '../ui/roles';
import { Loaded } from '../ui/States';
import { Remove } from '../story/Mend';
import { parents, stepDone, taskWords } from './seed-words';
import { DoneCard } from './DoneCard';
import { GiveNumbers } from './GiveNumbers';
import { SeedLabels } from './SeedLabels';
import { SeedLotForm } from './SeedLotForm';
import { SeedStepForm } from './SeedStepForm';
import classes from './Seeds.module.css';
import { StageBar } from './StageBar';

type Lot = Schemas['SeedLot'];
type Task = Schemas['NurseryTask'];

function Tasks({ lot, choose }: { lot: Lot; choose: (task: Task) => void }) {
  const may = useMay('WORK');
  if (lot.tasks.length === 0) return null;
  return (
    <section className="card stack">
      <h2>What comes next</h2>
      <ul className={classes.tasks}>
        {lot.tasks.map((t) => (
          <li key={t.kind}>
            <span>
              <b>{taskWords(t)}</b>, {t.due ? 'now' : `from ${calendarDate(t.from)}`}
            </span>
            {may && t.step && (
              <Button variant={t.due ? 'filled' : 'outline'} size="sm" onClick={() => choose(t)}>
                Done
              </Button>
            )}
          </li>
        ))}
      </ul>
      {lot.keepsUntil && (
        <p className="small soft">
          Kept {lot.keptMoist ? 'cool and moist' : 'cool and dry'}, most stay alive until about{' '}
          {calendarDate(lot.keepsUntil)}.{lot.keptMoist && ' They lose their life when they dry.'}
        </p>
      )}
    </section>
  );
}

function Germination({ lot }: { lot: Lot }) {
  if (lot.germination.length === 0) return null;
  return (
    <section className="card stack">
      <h2>Share that came up</h2>
      <SharePlot
        label={`Share that came up: ${lot.germination.map((g) => `${percent(g.share)} by ${calendarDate(g.on)}`).join(', ')}`}
        widestName={200}
        rows={lot.germination.map((g) => ({
          key: g.on,
          name: calendarDate(g.on),
          range: { lower: g.from, value: g.share, upper: g.until },
          figure: `${g.up} of ${g.sown}`,
        }))}
      />
      <p className="small soft">The bars hold the true share nine times in ten.</p>
    </section>
  );
}

function LotHead({ lot }: { lot: Lot }) {
  const navigate = useNavigate();
  const may = useMay('WORK');
  const [open, setOpen] = useState<'correct' | 'remove'>();
  const close = () => setOpen(undefined);
  return (
    <>
      <div className="say">
        <h1>
          {lot.label}: {parents(lot)}
        </h1>
        {may && (
          <div className="do noprint">
            <Button variant="outline" onClick={() => setOpen('correct')}>
              Correct
            </Button>
            {lot.done.length === 0 && (
              <Button variant="subtle" onClick={() => setOpen('remove')}>
                Remove
              </Button>
            )}
          </div>
        )}
      </div>
      <section className="card stack">
        <p>
          {plural(lot.seeds, 'full seed')}
          {lot.emptySeeds > 0 && ` and ${lot.emptySeeds} empty`}
          {lot.fruits > 0 && ` out of ${plural(lot.fruits, 'fruit')}`} of{' '}
          <Link to={`/orchard/tree/${lot.treeId}`}>{lot.tree}</Link>
          {lot.crossId ? (
            <>
              , cross <Link to={`/orchard/cross/${lot.crossId}`}>{lot.cross}</Link> with {lot.father}
            </>
          ) : (
            ', its father not known'
          )}
          , harvested {calendarDate(lot.harvestedOn)}.{lot.note && <span className="soft"> {lot.note}</span>}
        </p>
        <StageBar lot={lot} />
        {lot.numbered > 0 && (
          <p className="small">
            <Link to={`/fruit-set/seedlings?state=all&text=${lot.label}`}>
              {plural(lot.numbered, 'seedling')} with {lot.numbered === 1 ? 'a number' : 'numbers'}
            </Link>
          </p>
        )}
      </section>
      {open === 'correct' && <SeedLotForm editing={lot} close={close} />}
      {open === 'remove' && (
        <Remove
          line={{ id: lot.id, version: lot.version, kind: 'seed-lot' }}
          close={close}
          removed={() => void navigate('/fruit-set/seeds')}
        />
      )}
    </>
  );
}

function Shown({ lot }: { lot: Lot }) {
  const [chosen, setChosen] = useState<Task>();
  usePageTitle(lot.label);
  const first = chosen ?? lot.tasks.find((t) => t.step);
  return (
    <>
      <LotHead lot={lot} />
      <Tasks lot={lot} choose={setChosen} />
      {lot.possible.length > 0 && (
        <section className="card stack" id="step">
          <h2>Write down a step</h2>
          <SeedStepForm
            key={`${lot.done.length} ${first?.kind ?? ''}`}
            lot={lot}
            first={first?.step ? { step: first.step, ...(first.at && { at: first.at }) } : undefined}
          />
        </section>
      )}
      <Germination lot={lot} />
      <DoneCard title="What was done" kind="seed-step" of={lot.done} say={stepDone} />
      <GiveNumbers lot={lot} />
      <SeedLabels lot={lot} />
    </>
  );
}

/** One lot of seeds: where they are, what comes next, what was done. */
export function SeedLotPage() {
  const { lot: id = '' } = useParams();
  const lot = useQuery(queries.seedLot(id));
  return (
    <>
      <FruitTabs />
      <Loaded of={lot}>{(l) => <Shown lot={l} />}</Loaded>
    </>
  );
}
