import { NativeSelect } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import type { Schemas } from '../api/api';
import { decimal, inUnits, percent, tied } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries, type OfSeason } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { plural } from '../format/time';
import { Why } from '../ui/Why';
import { Curves } from './Curves';
import { FindingsTabs } from './FindingsTabs';
import { IntervalRows } from './IntervalRows';
import { Learned } from './Learned';
import { Odds } from './Odds';
import { SeasonChoice } from './SeasonChoice';
import { useAddress } from '../ui/use-address';
import { useSeason } from './use-season';
import classes from './Findings.module.css';

type View = Schemas['Findings'];
type Factor = Schemas['FactorFinding'];

function RateWhy({ rate }: { rate: Schemas['SetRate'] }) {
  return (
    <>
      <p>
        {rate.taken} of {rate.decided} decided flowers set. Flowers too early to tell, or not found again,
        count neither way; fruit thinned by hand had set.
      </p>
      <p>
        Interval: Wilson’s score interval at {percent(rate.confidence)} (Wilson 1927). If flowers set by
        chance at one true rate, such an interval would hold that rate 95 times in 100.
      </p>
    </>
  );
}

/** Factors whose classes can be asked why they failed. */
const ASKED: Factor['factor'][] = ['TREE', 'LOT', 'EVENING'];

function FactorCard({ of }: { of: Factor }) {
  const { search } = useLocation();
  return (
    <section className={`card ${classes.finding}`} data-factor={of.factor}>
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <h2>{of.title}</h2>
        {of.sure && (
          <Why
            label={`${of.title}: how sure`}
            because={
              <p>
                {of.sureAmongAll
                  ? 'Sure even among all the comparisons on this page (Fisher’s exact test, Bonferroni’s bound).'
                  : 'Sure if it were the only comparison on this page. Among many, one like it may come by chance; a trial would settle it.'}{' '}
                Difference: Newcombe’s interval (1998).
              </p>
            }
          >
            <span className={`${classes.tag} ${of.sureAmongAll ? classes.sure : ''}`}>
              {of.sureAmongAll ? 'sure' : 'sure alone, not among all'}
            </span>
          </Why>
        )}
      </div>
      <p>{tied(of.sentence)}</p>
      <IntervalRows rows={of.levels} label={of.title} />
      {ASKED.includes(of.factor) && (
        <p className="small">
          <Link to={{ pathname: '/findings/why', search }}>Why did some fail?</Link>
        </p>
      )}
      {of.notShown > 0 && (
        <p className="small soft">{plural(of.notShown, 'class', 'classes')} with fewer flowers not shown.</p>
      )}
      {of.change && <p className={classes.change}>{tied(of.change)}</p>}
    </section>
  );
}

/** What may be chance so far, shut until somebody wants to see it. */
function ChanceCard({ of }: { of: Factor[] }) {
  if (of.length === 0) return null;
  return (
    <section className={`card ${classes.finding}`} data-card="chance">
      <h2>May be chance so far</h2>
      <ul className={classes.open}>
        {of.map((f) => (
          <li key={f.factor} data-factor={f.factor}>
            <details>
              <summary>
                <b>{f.title}</b> <span>{tied(f.sentence)}</span>
              </summary>
              <IntervalRows rows={f.levels} label={f.title} />
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}

function HandCard({ of }: { of: Schemas['HandFinding'] }) {
  return (
    <section className={`card ${classes.finding}`} data-factor="HAND">
      <h2>Was it the hand?</h2>
      <p>{tied(of.sentence)}</p>
      <IntervalRows rows={of.arms} label="How it was treated" />
      {of.ratio && (
        <p className="small">
          By hand {decimal(of.ratio.value, 1)} times the share of nature, between {decimal(of.ratio.lower, 1)}{' '}
          and {decimal(of.ratio.upper, 1)} times (Katz 1978)
          {of.pooled &&
            `; each tree compared within itself, ${plural(of.trees, 'tree')}: ${decimal(of.pooled.value, 1)} times, ${decimal(of.pooled.lower, 1)} to ${decimal(of.pooled.upper, 1)} (Mantel and Haenszel 1959)`}
          .
        </p>
      )}
    </section>
  );
}

function RetentionCard({ of, factors }: { of: OfSeason; factors: Factor[] }) {
  const choices = factors.filter((f) => f.factor !== 'EVENING');
  const first = choices[0]?.factor ?? 'VARIETY';
  const [{ by }, choose] = useAddress({ by: first }, { by: choices.map((f) => f.factor) });
  const factor = by as Factor['factor'];
  const retention = useQuery(queries.retention(of, factor));
  return (
    <section className={`card ${classes.finding}`} data-card="retention">
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <h2>What still holds, day by day</h2>
        {choices.length > 1 && (
          <NativeSelect
            aria-label="By"
            data={choices.map((f) => ({ value: f.factor, label: `by ${f.title.toLowerCase()}` }))}
            value={factor}
            onChange={(e) => choose({ by: e.currentTarget.value })}
          />
        )}
      </div>
      <Loaded of={retention}>
        {(r) => (
          <>
            <p>{tied(r.sentence)}</p>
            <Curves of={r} />
            <p className="small soft">
              Product-limit estimate (Kaplan and Meier 1958). A flower counts as lost on the day it was found
              gone, so flowers checked on other days are not quite alike; one that was not found again, or was
              thinned, counts until then.
            </p>
          </>
        )}
      </Loaded>
    </section>
  );
}

function CausesCard({ of }: { of: OfSeason }) {
  const causes = useQuery(queries.causes(of));
  return (
    <section className={`card ${classes.finding}`} data-card="causes">
      <h2>Several causes at once</h2>
      <Loaded of={causes}>
        {(c) => (
          <>
            <p>{tied(c.sentence)}</p>
            {c.effects.length > 0 && <Odds of={c} />}
            {c.leftOut.length > 0 && (
              <details className={classes.table}>
                <summary>Left out, and why ({c.leftOut.length})</summary>
                <ul className="small">
                  {c.leftOut.map((l) => (
                    <li key={l}>{l}</li>
                  ))}
                </ul>
              </details>
            )}
            {c.effects.length > 0 && (
              <p className="small soft">
                Odds ratios by logistic regression over {plural(c.flowers, 'flower')}. Records alone cannot
                tell a cause from what goes with it; a trial in random order can.
              </p>
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}

/** A mean with its interval, or what else is to be said of it. */
const about = (
  mean: Schemas['MeanInterval'],
  said: (n: number) => string = (n) => decimal(n, n < 20 ? 1 : 0),
) =>
  `${said(mean.mean)}${mean.lower === undefined ? ' (one fruit)' : ` (${said(mean.lower)} to ${said(mean.upper!)})`}`;

function FruitCard({ of }: { of: View }) {
  const { orchard } = useHere();
  if (of.seeds.length + of.yield.length === 0) return null;
  return (
    <section className={`card ${classes.finding}`} data-card="fruit">
      <h2>Seeds, shape and weight</h2>
      {of.seeds.length > 0 && (
        <div className="scroll">
          <table className="plain">
            <thead>
              <tr>
                <th>Flowers</th>
                <th className="num">Fruits</th>
                <th className="num">Full seeds a fruit</th>
                <th className="num">Whole shape</th>
                <th className="num">Without a full seed</th>
              </tr>
            </thead>
            <tbody>
              {of.seeds.map((s) => (
                <tr key={s.of}>
                  <td>{s.of}</td>
                  <td className="num">{s.fruits}</td>
                  <td className="num">{s.seeds ? about(s.seeds) : 'not counted'}</td>
                  <td className="num">
                    {s.whole
                      ? `${s.whole.taken} of ${s.whole.decided}, ${percent(s.whole.share)}`
                      : 'not looked at'}
                  </td>
                  <td className="num">{s.seedless}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {of.yield.map((y) => (
        <p key={y.variety}>
          <b>{y.variety}</b>: {plural(y.fruits, 'fruit')} harvested
          {y.grams &&
            `, ${inUnits('harvest', y.kilograms, orchard.units)} weighed, ${about(y.grams, (g) => inUnits('weight', g, orchard.units))} a fruit`}
          .
        </p>
      ))}
      <p className="small soft">
        In brackets the interval of the mean at 95 % (Student). One-sided or crooked: the stigma was covered
        in part. Few seeds: little pollen, or old pollen. No full seed: it grew without; empty seeds count as
        none.
      </p>
    </section>
  );
}

const rated = (rate: Schemas['SetRate'] | undefined) =>
  rate ? `${rate.taken} of ${rate.decided}, ${percent(rate.share)}` : 'not known';

/** Fruits of a flower, resting and misshapen fruit, by how the stigma was covered. */
function CoversCard({ of }: { of: View }) {
  if (of.byCover.length === 0) return null;
  return (
    <section className={`card ${classes.finding}`} data-card="covers">
      <h2>Fruit by how the stigma was covered</h2>
      {of.misshapen && <p>One-sided or crooked: {tied(of.misshapen)}</p>}
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>Flowers</th>
              <th className="num">That set</th>
              <th className="num">Fruits a flower</th>
              <th className="num">One-sided or crooked</th>
              <th className="num">Resting</th>
            </tr>
          </thead>
          <tbody>
            {of.byCover.map((t) => (
              <tr key={t.of}>
                <td>{t.of}</td>
                <td className="num">{t.flowers}</td>
                <td className="num">
                  {t.fruitsPerFlower === undefined ? 'not counted' : decimal(t.fruitsPerFlower, 1)}
                </td>
                <td className="num">{rated(t.misshapen)}</td>
                <td className="num">{rated(t.resting)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="small soft">
        As the latest check with such details found it. A resting fruitlet is alive and does not grow yet.
      </p>
    </section>
  );
}

/** What dropped after it set, and flowers that are no measure of ordinary work. */
function Beside({ of }: { of: View }) {
  return (
    <>
      {of.drop && of.drop.rate.taken > 0 && (
        <p className={of.drop.moreThanNature ? 'note bad' : 'note'} data-card="drop">
          {tied(of.drop.sentence)}
        </p>
      )}
      {of.apart.length > 0 && (
        <p className="soft" data-card="apart">
          Shown apart and not learned from:{' '}
          {of.apart
            .map(
              (a) =>
                `${plural(a.flowers, 'flower')} ${a.what}${a.rate ? ` (${a.rate.taken} of ${a.rate.decided} set)` : ''}`,
            )
            .join('; ')}
          .
        </p>
      )}
    </>
  );
}

function Head({ of, choose }: { of: View; choose: (s: OfSeason) => void }) {
  const { all, shown } = of;
  const newer = of.seasons.find((s) => s.crop === shown?.crop);
  return (
    <>
      <div className="say">
        <h1>
          {all ? (
            <>
              <Why because={<RateWhy rate={all} />} label="set rate in all">
                {all.taken} of {plural(all.decided, 'flower')} set
              </Why>
              , {percent(all.share)}, likely {percent(all.lower)} to {percent(all.upper)}
              {all.decided < 60 && '; few flowers so far'}.
            </>
          ) : (
            'No flower is decided yet; the first checks will show.'
          )}
        </h1>
        {shown && (
          <div className="do">
            <SeasonChoice seasons={of.seasons} shown={shown} choose={choose} />
          </div>
        )}
      </div>
      {of.waiting > 0 && (
        <p className="note">
          {of.waiting >= 100_000 ? 'More than ' : ''}
          {plural(of.waiting, 'record')} {of.waiting === 1 ? 'is' : 'are'} still being worked out and{' '}
          {of.waiting === 1 ? 'counts' : 'count'} for nothing yet. The numbers below are of those that are
          done.
        </p>
      )}
      {newer && shown && newer.season > shown.season && (
        <p className="note">
          Of {newer.season} {plural(newer.decided, 'flower')} {newer.decided === 1 ? 'is' : 'are'} decided so
          far. <b>This is {shown.season}.</b>
        </p>
      )}
      <p className="soft">
        Flowers by hand
        {shown && ` of ${shown.cropName.toLowerCase()}, ${shown.season}`}
        {of.undecided > 0 && `; ${of.undecided} more are not known yet`}.
        {of.comparisons > 1 &&
          ` ${of.comparisons} classes are compared with the most common one below: by chance alone about ${Math.max(1, Math.round(of.comparisons / 10))} of them would look sure.`}
      </p>
    </>
  );
}

function Page({ of, choose }: { of: View; choose: (s: OfSeason) => void }) {
  if (!of.shown) {
    return (
      <Empty title="Nothing found yet">
        After the first checks you see here what share of your flowers set, and how sure that is.
      </Empty>
    );
  }
  const season = { season: of.shown.season, crop: of.shown.crop };
  const sure = of.factors
    .filter((f) => f.sure)
    .sort((a, b) => Number(b.sureAmongAll) - Number(a.sureAmongAll));
  const open = of.factors.filter((f) => !f.sure);
  return (
    <>
      <Head of={of} choose={choose} />
      <Beside of={of} />
      {of.hand ? (
        <HandCard of={of.hand} />
      ) : (
        <p className="note">
          Whether the hand helped shows only beside flowers left to nature.{' '}
          <Link to="/findings/trials">Set up a trial</Link>, tag its flowers and follow them alike.
        </p>
      )}
      <div className={classes.columns}>
        {sure.map((f) => (
          <FactorCard key={f.factor} of={f} />
        ))}
      </div>
      <ChanceCard of={open} />
      <RetentionCard of={season} factors={of.factors} />
      <CausesCard of={season} />
      <FruitCard of={of} />
      <CoversCard of={of} />
      <Learned />
    </>
  );
}

export function Findings() {
  const [season, choose] = useSeason();
  const findings = useQuery(queries.findings(season));
  return (
    <>
      <FindingsTabs />
      <Loaded of={findings}>{(f) => <Page of={f} choose={choose} />}</Loaded>
    </>
  );
}
