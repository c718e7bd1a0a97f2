import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../kit/api';
import { percent } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural, shortDay } from '../kit/time';
import { Why } from '../kit/Why';
import { IntervalBar } from './IntervalBar';

function RateWhy({ rate }: { rate: Schemas['SetRate'] }) {
  return (
    <>
      <p>
        {rate.taken} taken of {rate.decided} whose fate is known. Those not yet known, or not found again,
        count neither way.
      </p>
      <p>
        Interval: Wilson’s score interval at {percent(rate.confidence)} (Wilson 1927). If flowers took by
        chance at one true rate, such an interval would hold that rate 95 times in 100.
      </p>
    </>
  );
}

function Row({ finding }: { finding: Schemas['Finding'] }) {
  const { zone } = useHere();
  const { pollination: p, rate } = finding;
  return (
    <tr data-tree={p.treeName}>
      <td>
        <b>{p.treeName}</b>
        <div className="small soft">{shortDay(new Date(p.doneAt), zone)}</div>
      </td>
      <td>
        {p.lotCode} <span className="soft">{p.pollenParent}</span>
      </td>
      <td className="num">{p.flowers}</td>
      <td className="num">
        {rate ? (
          <Why because={<RateWhy rate={rate} />} label="set rate">
            {rate.taken} of {rate.decided}
          </Why>
        ) : (
          <span className="soft">{finding.checked ? 'not known yet' : 'not checked'}</span>
        )}
      </td>
      <td className="num">{rate && <b>{percent(rate.share)}</b>}</td>
      <td style={{ minWidth: 170 }}>{rate && <IntervalBar rate={rate} />}</td>
      <td className="num small">{rate && `${percent(rate.lower)} to ${percent(rate.upper)}`}</td>
    </tr>
  );
}

/** Those with a rate first; among them the latest first, as they come. */
const byDecided = (a: Schemas['Finding'], b: Schemas['Finding']) => Number(!a.rate) - Number(!b.rate);

export function Findings() {
  const findings = useQuery(queries.findings());
  return (
    <Loaded of={findings}>
      {({ all, pollinations }) =>
        pollinations.length === 0 ? (
          <Empty title="Nothing to tell yet">
            After the first checks you see here what share of your flowers took, and how sure that is.
          </Empty>
        ) : (
          <>
            {all ? (
              <h1>
                <Why because={<RateWhy rate={all} />} label="set rate in all">
                  {all.taken} of {plural(all.decided, 'flower')} took
                </Why>
                , {percent(all.share)}; {all.decided < 60 && 'with so few '}the true share may lie anywhere
                between {percent(all.lower)} and {percent(all.upper)}.
              </h1>
            ) : (
              <h1>No flower’s fate is known yet; the first checks will tell.</h1>
            )}
            {all && (
              <section className="card" data-overall>
                <div className="line" style={{ gap: 28 }}>
                  <span>
                    <span className="figure" style={{ fontSize: 44 }}>
                      {percent(all.share)}
                    </span>
                    <span className="soft"> set in all</span>
                  </span>
                  <span style={{ flex: 1, minWidth: 220 }}>
                    <IntervalBar rate={all} />
                  </span>
                  <span className="soft">
                    95 % interval {percent(all.lower)} to {percent(all.upper)}
                  </span>
                </div>
              </section>
            )}
            <section className="card scroll">
              <table className="plain">
                <thead>
                  <tr>
                    <th>Tree</th>
                    <th>Pollen</th>
                    <th className="num">Flowers</th>
                    <th className="num">Taken</th>
                    <th className="num">Set</th>
                    <th>0 to 100 %</th>
                    <th className="num">95 % interval</th>
                  </tr>
                </thead>
                <tbody>
                  {[...pollinations].sort(byDecided).map((f) => (
                    <Row key={f.pollination.id} finding={f} />
                  ))}
                </tbody>
              </table>
            </section>
            <p className="small soft">
              A share of hand-pollinated flowers. Whether the hand helped shows only beside flowers left to
              nature.
            </p>
          </>
        )
      }
    </Loaded>
  );
}
