import { NativeSelect, NumberInput } from '@mantine/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { SharePlot } from '../charts/SharePlot';
import { basisWord, percent } from '../format/numbers';
import { plural } from '../format/time';
import { MatesTabs } from '../mating/MatesTabs';
import { Empty, Loaded } from '../ui/States';
import classes from './Seeds.module.css';

type Demand = Schemas['SeedDemand'];

const STEPS: Record<string, string> = {
  germinates: 'Seeds that come up',
  reachesPot: 'of those, potted alive',
  reachesFruit: 'of those, judged by their fruit',
};

const LOST: Record<string, string> = {
  germinates: 'before they come up',
  reachesPot: 'between coming up and the pot',
  reachesFruit: 'between the pot and their first fruit',
};

const range = (of: Schemas['SeedRange']) =>
  of.from === of.until ? String(of.until) : `${of.from} to ${of.until}`;

function Answer({ demand }: { demand: Demand }) {
  const { seeds, fruits } = demand;
  if (!seeds || !fruits)
    return <p className="warn">Even thousands of seeds are not sure to be enough. Ask for fewer trees.</p>;
  const flowers = {
    from: Math.min(...demand.flowers.map((f) => f.flowers.from)),
    until: Math.max(...demand.flowers.map((f) => f.flowers.until)),
  };
  return (
    <>
      <p className={classes.answer}>
        {plural(demand.trees, 'tree')} judged in {demand.judgedIn} {demand.trees === 1 ? 'takes' : 'take'}{' '}
        <b>{range(seeds)} seeds</b>, <b>{range(fruits)} fruits</b>, <b>{range(flowers)} flowers</b>.
      </p>
      <p className="small soft">
        With the lower number of seeds it is as likely enough as not; with the upper one it is enough nine
        times in ten. A fruit holds {demand.seedsPerFruit} seeds as a rule ({basisWord(demand.seedsBasis)}).
        Seeds sown this season fruit on their own roots in {demand.judgedIn}
        {demand.judgedGraftedIn && `, grafted when they are planted out in ${demand.judgedGraftedIn}`}.
      </p>
    </>
  );
}

function Flowers({ demand }: { demand: Demand }) {
  if (demand.flowers.length === 0) return null;
  return (
    <section className="card stack">
      <h2>Flowers, by how many give a fruit</h2>
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>As said by</th>
              <th className="num">Flowers that give a fruit</th>
              <th className="num">Flowers to cross</th>
            </tr>
          </thead>
          <tbody>
            {demand.flowers.map((f) => (
              <tr key={f.by}>
                <td>{f.by}</td>
                <td className="num">{percent(f.share)}</td>
                <td className="num">{range(f.flowers)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Losses({ demand }: { demand: Demand }) {
  const most = demand.steps.reduce((worst, s) => (s.mean < worst.mean ? s : worst));
  return (
    <section className="card stack">
      <h2>Where seeds and seedlings are lost</h2>
      <SharePlot
        label={`Shares: ${demand.steps.map((s) => `${STEPS[s.step]!} ${percent(s.mean)}`).join(', ')}`}
        widestName={240}
        rows={demand.steps.map((s) => ({
          key: s.step,
          name: STEPS[s.step]!,
          range: { lower: s.from, value: s.mean, upper: s.until },
          figure: percent(s.mean),
          weak: s.seen === 0,
        }))}
      />
      <p>
        The largest share is lost <b>{LOST[most.step]}</b>: {percent(1 - most.mean)}.
      </p>
      <ul className="small soft" style={{ margin: 0, paddingLeft: 20 }}>
        {demand.steps.map((s) => (
          <li key={s.step}>
            {STEPS[s.step]}: the crop sheet says {percent(s.sheet)} ({basisWord(s.basis)}
            {s.seen > 0 ? `), your lots ${s.lived} of ${s.seen}.` : '); nothing was counted here yet.'}
            {s.alive !== undefined &&
              demand.seeds &&
              ` Of ${demand.seeds.until} seeds about ${Math.round(s.alive)} come that far.`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** From judged trees back to seeds, fruits and flowers. */
export function HowMany() {
  const { data: trees } = useQuery(queries.trees());
  const { data: sheets = [] } = useQuery(queries.crops());
  const [chosen, setCrop] = useState('');
  const [typed, setTyped] = useState<number | string>(10);
  const grown = sheets.filter((s) => s.cross && s.seeds && trees?.some((t) => t.crop === s.key));
  const crop = chosen || (grown[0]?.key ?? '');
  const wanted = Number(typed) || 1;
  const demand = useQuery({
    ...queries.seedDemand(crop, wanted),
    enabled: crop !== '',
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <MatesTabs />
      <h1>How many seeds, fruits and flowers</h1>
      {trees && sheets.length > 0 && grown.length === 0 ? (
        <Empty title="No crop here is raised from seed by its sheet">
          A crop sheet with numbers for crosses and seeds is needed, and a tree of that crop.
        </Empty>
      ) : (
        <>
          <section className="card stack">
            <div className="line" style={{ alignItems: 'flex-end' }}>
              <NumberInput
                label="Trees to judge"
                min={1}
                max={100}
                w={140}
                value={typed}
                onChange={setTyped}
              />
              <NativeSelect
                label="Crop"
                data={grown.map((s) => ({ value: s.key, label: s.name }))}
                value={crop}
                onChange={(e) => setCrop(e.currentTarget.value)}
              />
            </div>
            {crop && <Loaded of={demand}>{(d) => <Answer demand={d} />}</Loaded>}
          </section>
          {demand.data && (
            <>
              <Flowers demand={demand.data} />
              <Losses demand={demand.data} />
            </>
          )}
        </>
      )}
    </>
  );
}
