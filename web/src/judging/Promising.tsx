import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { decimal, percent } from '../format/numbers';
import { plural } from '../format/time';
import { MatesTabs } from '../mating/MatesTabs';
import { Empty, Loaded } from '../ui/States';
import { Why } from '../ui/Why';
import { scored } from './judging-words';
import { useJudgedCrop } from './use-judged-crop';

type Cross = Schemas['PromisingCross'];
type Foretold = Schemas['ForetoldTrait'];
type Trait = Schemas['Trait'];

function because(f: Foretold, t: Trait) {
  const bare = { ...t, unit: '' };
  return (
    <>
      <p>
        {f.slope === undefined
          ? 'The mean of both parents: too few crosses of yours are scored to say how much of it seedlings inherit.'
          : `From ${plural(f.crosses, 'cross', 'crosses')} of yours with ${plural(f.seedlings, 'scored seedling')}: seedlings go up by ${decimal(f.slope, 2)} where the mean of the parents goes up by 1.`}
      </p>
      {f.meanFrom !== undefined && (
        <p>
          The mean of this cross lies nine times in ten in {scored(f.meanFrom, bare)} to{' '}
          {scored(f.meanUntil!, bare)}.
        </p>
      )}
      <p>
        {f.oneFrom === undefined
          ? 'How far single seedlings differ is not known yet.'
          : `Single seedlings differ: nine in ten lie in ${scored(f.oneFrom, bare)} to ${scored(f.oneUntil!, bare)}.`}
      </p>
    </>
  );
}

function ForetoldCell({ of, trait }: { of: Foretold | undefined; trait: Trait }) {
  if (!of) return <td className="num soft">–</td>;
  const bare = { ...trait, unit: '' };
  return (
    <td className="num">
      <Why label={`${trait.name} of its seedlings`} because={because(of, trait)}>
        {scored(of.mean, bare)}
      </Why>
      {of.oneFrom !== undefined && (
        <div className="small soft" style={{ whiteSpace: 'nowrap' }}>
          {scored(of.oneFrom, bare)} to {scored(of.oneUntil!, bare)}
        </div>
      )}
    </td>
  );
}

function Row({ cross, traits }: { cross: Cross; traits: Trait[] }) {
  return (
    <tr>
      <td>
        <Link
          to={`/mates?mothers=${encodeURIComponent(cross.mother)}&fathers=${encodeURIComponent(cross.father)}`}
        >
          {cross.mother} × {cross.father}
        </Link>
        <div className="small soft">
          {cross.made.length > 0 && `made before: ${cross.made.join(', ')}. `}
          {!cross.known && 'Whether they fit is not known.'}
        </div>
      </td>
      <td className="num">
        <b>{decimal(cross.merit, 1)}</b>
        {cross.unknown > 0 && <div className="small soft">{cross.unknown} not scored</div>}
      </td>
      {traits.map((t) => (
        <ForetoldCell key={t.id} trait={t} of={cross.traits.find((f) => f.traitId === t.id)} />
      ))}
      <td className="num">
        {cross.inbreeding > 0 ? <b>{percent(cross.inbreeding)}</b> : <span className="soft">none known</span>}
      </td>
    </tr>
  );
}

function Table({ of, traits }: { of: Schemas['PromisingCrosses']; traits: Trait[] }) {
  return (
    <section className="card stack">
      <h2>The best first, by your weights</h2>
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>Mother × father</th>
              <th className="num">Merit</th>
              {traits.map((t) => (
                <th key={t.id} className="num">
                  {t.name}
                  {t.unit && <span className="small soft"> {t.unit}</span>}
                </th>
              ))}
              <th className="num">Inbreeding</th>
            </tr>
          </thead>
          <tbody>
            {of.pairs.map((c) => (
              <Row key={c.motherId + c.fatherId} cross={c} traits={traits} />
            ))}
          </tbody>
        </table>
      </div>
      <p className="small soft">
        Under each mean: where nine single seedlings in ten lie. Nobody can say what one seedling will be.
        Related parents cost vigour, which no score here holds.
        {of.compared > of.pairs.length && ` The best ${of.pairs.length} of ${of.compared} are shown.`}
      </p>
    </section>
  );
}

/** Which crosses promise most, by scores of the parents and of seedlings that were raised. */
export function Promising() {
  const { crop, choice, none } = useJudgedCrop();
  const judging = useQuery({ ...queries.judging(crop), enabled: crop !== '' });
  const crosses = useQuery({ ...queries.promising(crop), enabled: crop !== '' });
  return (
    <>
      <MatesTabs />
      <h1>What each cross would bring</h1>
      {choice}
      {none && <Empty title="No variety yet">Add varieties first, under Orchard.</Empty>}
      {crop && (
        <Loaded of={crosses}>
          {(found) =>
            found.pairs.length === 0 ? (
              <Empty title="Score two parents that fit">
                Crosses are compared as soon as two varieties that fit each other have scores.{' '}
                <Link to={`/mates/judged?crop=${crop}`}>Judged plants</Link> has the traits.
              </Empty>
            ) : (
              <Loaded of={judging}>{(j) => <Table of={found} traits={j.traits} />}</Loaded>
            )
          }
        </Loaded>
      )}
    </>
  );
}
