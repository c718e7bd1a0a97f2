import { NativeSelect } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../api/api';
import { percent, tied } from '../format/numbers';
import { queries, type OfSeason } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { FindingsTabs } from './FindingsTabs';
import { IntervalRows } from './IntervalRows';
import { SeasonChoice } from './SeasonChoice';
import { useSeason } from './use-season';
import classes from './Findings.module.css';

type Line = Schemas['WorstLine'];
type OneAsked = Pick<Line, 'kind' | 'key'>;

const KINDS = { TREE: 'Tree', JAR: 'Jar', DAY: 'Day' } as const;

/** How strong the evidence is, as dots and a word. */
function Strength({ points }: { points: number }) {
  const word = points >= 4 ? 'strong' : points >= 3 ? 'fair' : points >= 2 ? 'some' : 'weak';
  return (
    <span className={classes.strength} title={`evidence: ${word}`}>
      <span aria-hidden="true">
        {'●'.repeat(Math.min(5, points))}
        <span className="soft">{'○'.repeat(Math.max(0, 5 - points))}</span>
      </span>{' '}
      <span className="small">{word}</span>
    </span>
  );
}

function Causes({ of }: { of: Schemas['Failure'] }) {
  return (
    <>
      <section className={`card ${classes.finding}`} data-failure={of.what}>
        <h2>
          {of.what}:{' '}
          {of.rate
            ? `${of.rate.taken} of ${of.rate.decided} set, ${percent(of.rate.share)}`
            : 'nothing decided yet'}
          {of.others && `, against ${percent(of.others.share)} of all others`}
        </h2>
        {of.rate && of.others && (
          <IntervalRows
            label="Fruit set"
            rows={[
              { name: of.what, rate: of.rate, few: of.rate.decided < 20, undecided: of.undecided },
              { name: 'all others', rate: of.others },
            ]}
          />
        )}
      </section>
      <section className={`card ${classes.finding}`}>
        <h2>{of.causes.length === 0 ? 'Nothing stands out' : 'What may have done it'}</h2>
        <ol className={classes.causes}>
          {of.causes.map((c) => (
            <li key={c.kind}>
              <div className="line" style={{ justifyContent: 'space-between' }}>
                <b>{c.name}</b>
                <Strength points={c.points} />
              </div>
              {c.evidence.map((e) => (
                <p key={e}>{tied(e)}</p>
              ))}
            </li>
          ))}
        </ol>
        <p className={classes.change}>
          <b>Next:</b> {tied(of.test)}
        </p>
        {of.ruledOut.length > 0 && (
          <details className={classes.table}>
            <summary>What does not explain it ({of.ruledOut.length})</summary>
            <ul className="small">
              {of.ruledOut.map((r) => (
                <li key={r}>{tied(r)}</li>
              ))}
            </ul>
          </details>
        )}
        <p className="small soft">
          Weighed by our own judgement from your records; where a person or an analysis on the spot says
          otherwise, follow that.
        </p>
      </section>
    </>
  );
}

function Asked({ of, line }: { of: OfSeason; line: OneAsked }) {
  const failure = useQuery(queries.failure(of, line.kind, line.key));
  return <Loaded of={failure}>{(f) => <Causes of={f} />}</Loaded>;
}

const same = (one: OneAsked, other: OneAsked) => one.kind === other.kind && one.key === other.key;

/** What the page's address asks about, as from a jar's page; it need not be among the lowest shares. */
function asked(params: URLSearchParams): OneAsked | undefined {
  const [kind, key] = [params.get('kind'), params.get('key')];
  return kind !== null && kind in KINDS && key ? { kind: kind as Line['kind'], key } : undefined;
}

function Choice({
  lines,
  chosen,
  choose,
}: {
  lines: Line[];
  chosen: OneAsked;
  choose: (line: OneAsked) => void;
}) {
  const listed = lines.some((l) => same(l, chosen));
  return (
    <NativeSelect
      label="What failed?"
      description="The lowest shares first"
      data={(Object.keys(KINDS) as (keyof typeof KINDS)[]).map((kind) => ({
        group: KINDS[kind],
        items: [
          ...lines
            .filter((l) => l.kind === kind)
            .map((l) => ({
              value: `${l.kind} ${l.key}`,
              label: `${l.what}: ${l.rate.taken} of ${l.rate.decided}`,
            })),
          ...(!listed && chosen.kind === kind
            ? [
                {
                  value: `${chosen.kind} ${chosen.key}`,
                  label: `the ${KINDS[kind].toLowerCase()} you came from`,
                },
              ]
            : []),
        ],
      }))}
      value={`${chosen.kind} ${chosen.key}`}
      onChange={(e) => {
        const [kind, key] = e.currentTarget.value.split(' ');
        choose({ kind: kind as Line['kind'], key: key! });
      }}
    />
  );
}

/** Why did it fail? Ranked causes with their evidence, and the cheapest next test. */
export function Failure() {
  const [params] = useSearchParams();
  const [of, choose] = useSeason();
  const worst = useQuery(queries.worst(of));
  return (
    <>
      <FindingsTabs />
      <Loaded of={worst}>
        {(w) => {
          const chosen = w.shown && (asked(params) ?? w.lines[0]);
          return (
            <>
              <div className="say">
                <h1>
                  {chosen
                    ? 'Why did it fail? What the records say, and what would decide it.'
                    : 'Nothing to ask about yet: five decided flowers of one tree, jar or day are needed.'}
                </h1>
                {w.shown && (
                  <div className="do">
                    <SeasonChoice seasons={w.seasons} shown={w.shown} choose={choose} />
                  </div>
                )}
              </div>
              {chosen ? (
                <>
                  <div className="card">
                    <Choice
                      lines={w.lines}
                      chosen={chosen}
                      choose={(l) =>
                        choose(w.shown ? { season: w.shown.season, crop: w.shown.crop } : {}, {
                          kind: l.kind,
                          key: l.key,
                        })
                      }
                    />
                  </div>
                  <Asked of={w.shown ? { season: w.shown.season, crop: w.shown.crop } : {}} line={chosen} />
                </>
              ) : (
                <Empty title="No checks yet">
                  After the first checks this page tells what may have gone wrong.
                </Empty>
              )}
            </>
          );
        }}
      </Loaded>
    </>
  );
}
