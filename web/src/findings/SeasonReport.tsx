import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/api';
import { inUnits, percent, tied } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries, type OfSeason } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { FindingsTabs } from './FindingsTabs';
import { IntervalRows } from './IntervalRows';
import { SeasonChoice } from './SeasonChoice';
import { useSeason } from './use-season';
import classes from './Findings.module.css';

type Report = Schemas['SeasonReport'];

function Years({ of }: { of: Report }) {
  const { orchard } = useHere();
  return (
    <section className={`card ${classes.finding}`}>
      <h2>Year against year</h2>
      {of.between && <p>{tied(of.between)}</p>}
      <IntervalRows
        label="Fruit set"
        rows={of.years.map((y) => ({
          name: String(y.season),
          rate: y.rate,
          few: y.few,
          undecided: y.flowers - (y.rate?.decided ?? 0),
        }))}
      />
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>Season</th>
              <th className="num">By hand</th>
              <th className="num">Set</th>
              <th className="num">Fruits</th>
              <th className="num">Weighed</th>
            </tr>
          </thead>
          <tbody>
            {of.years.map((y) => (
              <tr key={y.season}>
                <td>{y.season}</td>
                <td className="num">{y.flowers}</td>
                <td className="num">
                  {y.rate ? percent(y.rate.share) : '–'}
                  {y.rate && (
                    <span className={`small soft ${classes.of}`}>
                      {y.rate.taken} of {y.rate.decided}
                    </span>
                  )}
                </td>
                <td className="num">{y.fruits}</td>
                <td className="num">{inUnits('harvest', y.kilograms, orchard.units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Page({ of, choose }: { of: Report; choose: (s: OfSeason) => void }) {
  if (!of.shown)
    return <Empty title="No season to show yet">The report begins with the first pollination.</Empty>;
  const pdf = `/api/findings/season.pdf?season=${of.shown.season}&crop=${encodeURIComponent(of.shown.crop)}`;
  return (
    <>
      <div className="say">
        <h1>
          {of.orchard}: {of.shown.cropName.toLowerCase()}, season {of.shown.season}
        </h1>
        <div className="do noprint">
          <SeasonChoice seasons={of.seasons} shown={of.shown} choose={choose} />
          <Button component="a" href={pdf} download>
            As PDF
          </Button>
        </div>
      </div>
      <section className={`card ${classes.finding}`}>
        <h2>What was done, what set</h2>
        {[...of.done, ...of.took].map((s) => (
          <p key={s}>{tied(s)}</p>
        ))}
      </section>
      <section className={`card ${classes.finding}`} data-card="otherwise">
        <h2>What to do differently</h2>
        {of.otherwise.length === 0 ? (
          <p>Nothing is sure enough to change it. Trials in random order make it so.</p>
        ) : (
          <ol className={classes.causes}>
            {of.otherwise.map((a) => (
              <li key={a.change}>
                <b>{tied(a.change)}</b>
                <p className="soft">{tied(a.because)}</p>
              </li>
            ))}
          </ol>
        )}
      </section>
      <div className={classes.columns}>
        {of.fathers.length > 0 && (
          <section className={`card ${classes.finding}`}>
            <h2>Best fathers</h2>
            <IntervalRows rows={of.fathers} label="Father" />
          </section>
        )}
        {of.varieties.length > 0 && (
          <section className={`card ${classes.finding}`}>
            <h2>By variety</h2>
            <IntervalRows rows={of.varieties} label="Variety" />
          </section>
        )}
      </div>
      <Years of={of} />
    </>
  );
}

/** A season in short, to read and to print. */
export function SeasonReport() {
  const [season, choose] = useSeason();
  const report = useQuery(queries.seasonReport(season));
  return (
    <>
      <FindingsTabs />
      <Loaded of={report}>{(r) => <Page of={r} choose={choose} />}</Loaded>
    </>
  );
}
