import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { aboutFruits } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { clock, daysBetween, shortDay, span } from '../format/time';
import { Why } from '../ui/Why';
import { givesPollen, stepWord } from '../crossing/cross-words';
import { isOfPermit, laterWords } from '../planning/plan-words';
import { byFather } from '../planning/round-words';
import { comingVisits, entries } from './coming';
import { DueRow } from './DueRow';
import classes from './RunSheet.module.css';
import { count, phraseWord, t, tell } from '../text/text';

type Visit = Schemas['PlannedRound'];
type Stop = Schemas['RoundStop'];

/** When an entry of the sheet is, beside the rail. */
function When({ at, until }: { at: string | undefined; until?: string }) {
  const { now, zone } = useHere();
  if (!at)
    return (
      <div className={classes.when}>
        <span>{t('sheet.any-time')}</span>
      </div>
    );
  const day = daysBetween(now, new Date(at), zone);
  const isNow = Date.parse(at) <= now.getTime() + NOW_MS;
  return (
    <div className={classes.when}>
      <b>{isNow ? t('sheet.now') : clock(new Date(at), zone)}</b>
      {until && <span>{t('sheet.to', { clock: clock(new Date(until), zone) })}</span>}
      {day > 0 && <span>{day === 1 ? t('sheet.tomorrow') : shortDay(new Date(at), zone)}</span>}
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
  const jars = [
    ...new Set(visit.stops.filter((s) => s.lotId).map((s) => t('sheet.jar', { code: s.lotCode }))),
  ];
  const cups = visit.collect.length > 0 ? [t('sheet.cups', { n: visit.collect.length })] : [];
  const brush = visit.stops.some((s) => givesPollen(s.kind)) ? [t('sheet.brush')] : [];
  const bags = visit.stops.some((s) => BAGS.has(s.kind)) ? [t('sheet.bags')] : [];
  const all = [...jars, ...cups, ...brush, ...bags];
  if (all.length === 0) return null;
  return <p className="small soft">{t('sheet.take', { list: all.join(', ') })}</p>;
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
          <span className={classes.crops}>{visit.crops.map(phraseWord).join(' · ')}</span>
        </h2>
        <span className="soft small">
          {t('sheet.sum', {
            trees,
            flowers: visit.flowers,
            fruits: aboutFruits(visit.expectedFruits),
            time: span(visit.minutes / 60),
          })}{' '}
          ·{' '}
          <Why
            label={t('headline.this-hour')}
            because={visit.why.map((w) => (
              <p key={tell(w)}>{tell(w)}</p>
            ))}
          >
            {t('sheet.why-then')}
          </Why>
        </span>
      </header>
      <TakeAlong visit={visit} />
      {visit.collect.map((c) => (
        <Line key={c.varietyId} kind="collect" what={t('sheet.collect')} number={count('dose', c.doses)}>
          {c.trees.map((from) => from.tree).join(', ') || c.variety} ·{' '}
          {t('sheet.male-of', { n: c.flowers, variety: c.variety })}
          {laterWords(c)}
        </Line>
      ))}
      {byFather(pollen).map((leg) => (
        <Line
          key={leg.code}
          kind="pollinate"
          what={
            leg.stops[0]!.lotId || leg.stops[0]!.collectOf
              ? t('sheet.on', { code: leg.code })
              : t('sheet.flower-to-flower')
          }
          number={String(leg.stops.reduce((n, s) => n + s.flowers, 0))}
        >
          {treesOf(leg.stops).map((of, i) => (
            <span key={of.name}>
              {i > 0 && ' · '}
              <b>{of.name}</b> {of.flowers}
            </span>
          ))}
        </Line>
      ))}
      {steps.length > 0 && (
        <Line kind="cross" what={t('leg.crosses')}>
          {steps
            .map((s) => t('sheet.step', { step: stepWord(s.kind), n: s.flowers, tree: s.treeName }))
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
      {plan.obstacles
        .filter((o) => !isOfPermit(o))
        .map((o) => (
          <p key={tell(o)} className="note">
            {tell(o)}
          </p>
        ))}
      {later.length > 0 && (
        <p className="soft" data-card="later">
          {t('sheet.then', {
            list: later
              .slice(0, 3)
              .map(
                (v) =>
                  `${shortDay(new Date(v.at), zone)} ${clock(new Date(v.at), zone)}, ${count('flower', v.flowers)}`,
              )
              .join('; '),
          })}{' '}
          <Link to="/round/plan">{t('sheet.coming')}</Link>
        </p>
      )}
    </div>
  );
}
