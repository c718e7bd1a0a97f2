import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { decimal, percent } from '../format/numbers';
import { plural } from '../format/time';
import { MatesTabs } from '../mating/MatesTabs';
import { Remove } from '../story/Mend';
import { useMay } from '../ui/roles';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { Why } from '../ui/Why';
import { AGREEMENT, BETTER, scaleWords, scored, SUGGESTED } from './judging-words';
import { TraitForm } from './TraitForm';
import { useJudgedCrop } from './use-judged-crop';

type Trait = Schemas['Trait'];
type Plant = Schemas['JudgedPlant'];

function Agreement({ of }: { of: Trait }) {
  const a = of.agreement;
  if (!a) return <span className="soft">too few scored twice</span>;
  return (
    <Why
      label={`${of.name}: whether scores agree`}
      because={
        <p>
          {AGREEMENT[a.verdict]} Of the differences between scores {percent(a.share)} lie between plants
          (intraclass correlation, its true value nineteen times in twenty {percent(Math.max(0, a.from))} to{' '}
          {percent(Math.max(0, a.until))}), by {plural(a.scores, 'score')} of {plural(a.plants, 'plant')}.
        </p>
      }
    >
      {percent(Math.max(0, a.share))}
    </Why>
  );
}

function Traits({ of, crop }: { of: Trait[]; crop: string }) {
  const may = useMay('MANAGE');
  const [editing, setEditing] = useState<Partial<Trait>>();
  const [removing, setRemoving] = useState<Trait>();
  const open = SUGGESTED.filter((s) => !of.some((t) => t.name === s.name));
  return (
    <section className="card stack">
      <h2>What you judge by</h2>
      {of.length > 0 && (
        <div className="scroll">
          <table className="plain">
            <thead>
              <tr>
                <th>Trait</th>
                <th>Scale</th>
                <th className="num">Weight</th>
                <th className="num">Scores</th>
                <th className="num">Agreement</th>
                {may && <th className="noprint" />}
              </tr>
            </thead>
            <tbody>
              {of.map((t) => (
                <tr key={t.id}>
                  <td>
                    <b>{t.name}</b>
                  </td>
                  <td>
                    {scaleWords(t)}, {BETTER[t.better]}
                  </td>
                  <td className="num">{decimal(t.weight, 1)}</td>
                  <td className="num">{t.scores}</td>
                  <td className="num">
                    <Agreement of={t} />
                  </td>
                  {may && (
                    <td className="noprint" style={{ whiteSpace: 'nowrap' }}>
                      <Button
                        size="compact-sm"
                        variant="subtle"
                        aria-label={`Change ${t.name}`}
                        onClick={() => setEditing(t)}
                      >
                        Change
                      </Button>
                      {t.scores === 0 && (
                        <Button
                          size="compact-sm"
                          variant="subtle"
                          aria-label={`Remove ${t.name}`}
                          onClick={() => setRemoving(t)}
                        >
                          Remove
                        </Button>
                      )}
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {may && (
        <div className="line noprint">
          <Button variant={of.length === 0 ? 'filled' : 'outline'} onClick={() => setEditing({})}>
            Add a trait
          </Button>
          {open.map((s) => (
            <Button key={s.name} variant="subtle" onClick={() => setEditing(s)}>
              {s.name}
            </Button>
          ))}
        </div>
      )}
      {editing && <TraitForm crop={crop} of={editing} close={() => setEditing(undefined)} />}
      {removing && <Remove line={{ ...removing, kind: 'trait' }} close={() => setRemoving(undefined)} />}
    </section>
  );
}

const addressOf = (p: Plant) =>
  p.kind === 'SEEDLING' ? `/fruit-set/seedlings/${p.id}` : `/orchard/variety/${p.id}`;

function Means({ plant, traits }: { plant: Plant; traits: Trait[] }) {
  return traits.map((t) => {
    const mean = plant.means.find((m) => m.traitId === t.id);
    return (
      <td key={t.id} className="num">
        {mean ? (
          <Why
            label={`${t.name} of ${plant.name}`}
            because={
              <p>
                Mean of {plural(mean.times, 'score')}
                {mean.from === undefined
                  ? '; one score does not say how sure it is.'
                  : mean.from === mean.until
                    ? '; all are the same, which does not say how sure it is.'
                    : `; the true mean lies nine times in ten in ${scored(mean.from, t)} to ${scored(mean.until!, t)}.`}
              </p>
            }
          >
            {scored(mean.mean, { ...t, unit: '' })}
          </Why>
        ) : (
          <span className="soft">–</span>
        )}
      </td>
    );
  });
}

function Plants({ of, traits }: { of: Plant[]; traits: Trait[] }) {
  return (
    <section className="card stack">
      <h2>The best first, by your weights</h2>
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>Plant</th>
              <th className="num">Merit</th>
              {traits.map((t) => (
                <th key={t.id} className="num">
                  {t.name}
                  {t.unit && <span className="small soft"> {t.unit}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {of.map((p) => (
              <tr key={p.id}>
                <td>
                  <Link to={addressOf(p)}>{p.name}</Link>
                  {p.mother && (
                    <span className="small soft">
                      {' '}
                      {p.mother} × {p.father ?? 'unknown'}
                    </span>
                  )}
                </td>
                <td className="num">
                  <b>{decimal(p.merit, 1)}</b>
                  {p.unknown > 0 && <span className="small soft"> ({p.unknown} not scored)</span>}
                </td>
                <Means plant={p} traits={traits} />
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="small soft">
        Merit: in each trait, by how many standard deviations a plant is better than the mean of all, times
        the trait’s weight, added up. What was not scored counts as the mean.
      </p>
    </section>
  );
}

/** Varieties and seedlings by one's own scores. */
export function Judged() {
  const { crop, choice, none } = useJudgedCrop();
  const judging = useQuery({ ...queries.judging(crop), enabled: crop !== '' });
  return (
    <>
      <MatesTabs />
      <h1>
        {judging.data?.plants.length
          ? `${plural(judging.data.plants.length, 'plant')} judged`
          : 'Judge your plants'}
      </h1>
      {none ? (
        <Empty title="Nothing to judge yet">Add a variety first, under Orchard.</Empty>
      ) : (
        <>
          {choice}
          {crop && (
            <Loaded of={judging}>
              {({ traits, plants }) => (
                <>
                  <Traits of={traits} crop={crop} />
                  {plants.length > 0 && <Plants of={plants} traits={traits} />}
                  {traits.length > 0 && plants.length === 0 && (
                    <p className="soft">
                      Scores are written down on the page of a seedling, or of a variety.
                    </p>
                  )}
                  {plants.length > 0 && <SaveCsv tables={['traits', 'scores']} />}
                </>
              )}
            </Loaded>
          )}
        </>
      )}
    </>
  );
}
