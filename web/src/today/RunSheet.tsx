import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { aboutFruits } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { clock, daysBetween, plural, shortDay, span } from '../kit/time';
import { Why } from '../kit/Why';
import { STEP, givesPollen } from '../crossing/cross-words';
import { laterWords } from '../planning/plan-words';
import { byFather } from '../planning/round-words';
import { comingVisits, entries } from './coming';
import { DueRow } from './DueRow';
import classes from './RunSheet.module.css';

type Visit = Schemas['PlannedRound'];
type Stop = Schemas['RoundStop'];

/** When an entry of the sheet is, beside the rail. */
function When({ at, until }: { at: string | undefined; until?: string }) {
  const { now, zone } = useHere();
  if (!at)
    return (
      <div className={classes.when}>
        <span>any time</span>
      </div>
    );
  const day = daysBetween(now, new Date(at), zone);
  const isNow = Date.parse(at) <= now.getTime() + NOW_MS;
  return (
    <div className={classes.when}>
      <b>{isNow ? 'Now' : clock(new Date(at), zone)}</b>
      {until && <span>to {clock(new Date(until), zone)}</span>}
      {day > 0 && <span>{day === 1 ? 'tomorrow' : shortDay(new Date(at), zone)}</span>}
    </div>
  );
}

/** The plan's clock runs up to ten minutes ahead. */
const NOW_MS = 10 * 60_000;

/** Trees with their flowers, each once. */
function treesOf(stops: Stop[]): { name: string; flowers: number }[] {
  const sum = new Map<string, number>();
  stops.forEach((s) => sum.set(s.treeName, (sum.get(s.treeName) ?? 0) + s.flowers));
  return [...sum].map(([name, flowers]) => ({ name, flowers }));
}

function Line({
  kind,
  what,
  number,
  children,
}: {
  kind: 'collect' | 'pollinate' | 'cross';
  what: string;
  number?: string;
  children: React.ReactNode;
}) {
  return (
    <div className={classes.line}>
      <b className={classes[kind]}>{what}</b>
      <span>{children}</span>
      {number && <span className={`figure ${classes.number}`}>{number}</span>}
    </div>
  );
}

/** What goes into the basket before one leaves. */
function TakeAlong({ visit }: { visit: Visit }) {
  const jars = [...new Set(visit.stops.filter((s) => s.lotId).map((s) => `jar ${s.lotCode}`))];
  const cups = visit.collect.length > 0 ? [plural(visit.collect.length, 'empty cup')] : [];
  const brush = visit.stops.some((s) => givesPollen(s.kind)) ? ['brush and marks'] : [];
  const bags = visit.stops.some((s) => BAGS.has(s.kind)) ? ['bags'] : [];
  const all = [...jars, ...cups, ...brush, ...bags];
  if (all.length === 0) return null;
  return <p className="small soft">Take along: {all.join(', ')}.</p>;
}

const BAGS = new Set<Stop['kind']>(['BAG', 'REBAG']);

function VisitCard({ visit }: { visit: Visit }) {
  const pollen = visit.stops.filter((s) => givesPollen(s.kind));
  const steps = visit.stops.filter((s) => !givesPollen(s.kind));
  const blocks = [...new Set(visit.stops.map((s) => s.block).filter(Boolean))];
  const trees = new Set(visit.stops.map((s) => s.treeId)).size;
  return (
    <section className={classes.visit} data-visit={visit.at}>
      <header>
        <h2>
          {blocks.length > 0 && `${blocks.join(', ')}: `}
          <span className={classes.crops}>{visit.crops.join(', ').toLowerCase()}</span>
        </h2>
        <span className="soft small">
          {plural(trees, 'tree')} · {plural(visit.flowers, 'flower')} · about{' '}
          {aboutFruits(visit.expectedFruits)} · {span(visit.minutes / 60)} ·{' '}
          <Why
            label={`the hour ${visit.at}`}
            because={visit.why.split(/(?<=\.) /).map((w) => (
              <p key={w}>{w}</p>
            ))}
          >
            why then
          </Why>
        </span>
      </header>
      <TakeAlong visit={visit} />
      {visit.collect.map((c) => (
        <Line key={c.varietyId} kind="collect" what="Collect" number={plural(c.doses, 'dose')}>
          {c.trees.map((t) => t.tree).join(', ') || c.variety} · {plural(c.flowers, 'male flower')} of{' '}
          {c.variety}
          {laterWords(c)}
        </Line>
      ))}
      {byFather(pollen).map((leg) => (
        <Line
          key={leg.code}
          kind="pollinate"
          what={leg.stops[0]!.lotId || leg.stops[0]!.collectOf ? `${leg.code} on` : 'Flower to flower'}
          number={String(leg.stops.reduce((n, s) => n + s.flowers, 0))}
        >
          {treesOf(leg.stops).map((t, i) => (
            <span key={t.name}>
              {i > 0 && ' · '}
              <b>{t.name}</b> {t.flowers}
            </span>
          ))}
        </Line>
      ))}
      {steps.length > 0 && (
        <Line kind="cross" what="Crosses">
          {steps
            .map((s) => `${STEP[s.kind].toLowerCase()} ${plural(s.flowers, 'flower')} of ${s.treeName}`)
            .join(' · ')}
        </Line>
      )}
    </section>
  );
}

/** The coming day in order of time: visits with what is collected and which pollen goes where, and what else is due. */
export function RunSheet({ plan }: { plan: Schemas['Plan'] }) {
  const { now, zone } = useHere();
  const visits = comingVisits(plan, now);
  const later = plan.rounds.slice(visits.length);
  return (
    <div>
      <div className={classes.sheet}>
        {entries(plan, now).map((e) =>
          'visit' in e ? (
            <div key={e.at} className={classes.row}>
              <When at={e.at} until={e.visit.until} />
              <VisitCard visit={e.visit} />
            </div>
          ) : (
            <div key={e.due.kind + e.due.subject} className={`${classes.row} ${classes.small}`}>
              <When at={e.at} />
              <DueRow due={e.due} />
            </div>
          ),
        )}
      </div>
      {plan.obstacles.map((o) => (
        <p key={o} className="note">
          {o}
        </p>
      ))}
      {later.length > 0 && (
        <p className="soft" data-card="later">
          Then{' '}
          {later
            .slice(0, 3)
            .map(
              (v) =>
                `${shortDay(new Date(v.at), zone)} ${clock(new Date(v.at), zone)}, ${plural(v.flowers, 'flower')}`,
            )
            .join('; ')}
          . <Link to="/round/plan">Coming days</Link>
        </p>
      )}
    </div>
  );
}
