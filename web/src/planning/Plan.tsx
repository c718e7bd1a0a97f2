import { Button, Menu, SegmentedControl } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { aboutFruits, decimal, percent } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { calendarDay, clock, dayAfter, plural, said, shortDay, span, wallTime } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useAddress } from '../ui/use-address';
import { useSubmit } from '../form/use-submit';
import { Why } from '../ui/Why';
import { crossWords, givesPollen } from '../crossing/cross-words';
import { Anew } from '../ui/Anew';
import { OverrideDialog, takeBackOverride, type Asked } from './OverrideDialog';
import { collectWords, leftWords, overrideWords, planSentence } from './plan-words';
import { PlanChart } from './PlanChart';
import { RoundTabs } from './RoundTabs';
import classes from './Plan.module.css';
import { Which } from './Which';
import { tell, tellAll } from '../text/text';

type Plan = Schemas['Plan'];
type Round = Schemas['PlannedRound'];
type Stop = Schemas['RoundStop'];

const takeBack = (id: string, version: number) =>
  voidRecord('/api/pollen-overrides/{id}/void', { id }, version, 'removed');

function useChoose() {
  return useSubmit(
    (c: Schemas['PollenOverrideRequest']) =>
      answer(api.PUT('/api/pollen-overrides/{id}', { params: { path: { id: newId() } }, body: c })),
    [],
    (made) =>
      doneWithUndo(
        made.flowers > 0
          ? `${plural(made.flowers, 'flower')} of ${made.tree} with ${made.lot}, whatever else.`
          : `${made.lot} does not go to ${made.tree}.`,
        () => takeBack(made.id, made.version),
      ),
  );
}

function StopRow({
  stop,
  number,
  day,
  workday,
  ask,
}: {
  stop: Stop;
  number: number;
  day: string;
  workday: string;
  ask: (of: Asked) => void;
}) {
  const choose = useChoose();
  const narrow = useMediaQuery('(max-width: 640px)');
  const decide = stop.wanted ? (
    <span className="small">chosen</span>
  ) : (
    stop.lotId &&
    !stop.cross && (
      <Menu position="bottom-end" withinPortal>
        <Menu.Target>
          <Button
            size="compact-sm"
            variant="subtle"
            aria-label={`Change ${stop.treeName} with ${stop.lotCode}`}
          >
            Change
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item
            onClick={() =>
              choose.submit({
                treeId: stop.treeId,
                lotId: stop.lotId!,
                flowers: stop.flowers,
                onDay: day,
              })
            }
          >
            Keep it so: {plural(stop.flowers, 'flower')} with {stop.lotCode}
          </Menu.Item>
          <Menu.Item onClick={() => choose.submit({ treeId: stop.treeId, lotId: stop.lotId!, flowers: 0 })}>
            Never {stop.lotCode} to {stop.treeName}
          </Menu.Item>
          <Menu.Item
            onClick={() =>
              ask({
                tree: stop.treeName,
                request: {
                  kind: 'SKIP_TREE',
                  treeId: stop.treeId,
                  firstDay: workday,
                  lastDay: dayAfter(workday, 6),
                },
              })
            }
          >
            Not {stop.treeName} this week
          </Menu.Item>
        </Menu.Dropdown>
      </Menu>
    )
  );
  return (
    <tr>
      <td className="soft">{number}</td>
      <td>
        <b>{stop.treeName}</b>{' '}
        <span className={`small soft ${classes.place}`}>
          {stop.block && `${stop.block}, `}row {stop.row}, place {stop.position}
        </span>
        <div className="small">
          {givesPollen(stop.kind) ? (
            <>
              <b>{stop.lotCode}</b> {stop.lotId && stop.pollenParent}{' '}
            </>
          ) : null}
          {stop.cross && <span className="soft">{crossWords(stop)}</span>}
        </div>
        <Which stop={stop} />
        {stop.cleanBefore.length > 0 && number > 1 && (
          <div className="small soft">first clean brush, cup and hands</div>
        )}
        {narrow && <div className="noprint">{decide}</div>}
        {choose.general && <p className="small warn">{choose.general}</p>}
      </td>
      <td className="num">
        <Why
          label={`${stop.flowers} flowers`}
          because={
            <p>
              {stop.why}{' '}
              {givesPollen(stop.kind)
                ? `About ${percent(stop.viability)} of it is alive then; ${plural(stop.flowers, 'flower')} count for ${decimal(stop.expected, 1)}.`
                : tellAll(stop.say)}
            </p>
          }
        >
          <span className="figure" style={{ fontSize: 22 }}>
            {stop.flowers}
          </span>
        </Why>
      </td>
      <td className={`num noprint ${classes.do}`}>{!narrow && decide}</td>
    </tr>
  );
}

/** A visit in one line; what is done in it, on opening. */
function RoundLine({ round, number, ask }: { round: Round; number: number; ask: (of: Asked) => void }) {
  const { zone } = useHere();
  const at = new Date(round.at);
  const trees = new Set(round.stops.map((s) => s.treeId)).size;
  return (
    <details className={classes.visit} data-round={number}>
      <summary>
        <span className={classes.when}>
          <span className="soft">{number}.</span> <b>{shortDay(at, zone)}</b> {clock(at, zone)}
          <span className="soft"> to {clock(new Date(round.until), zone)}</span>
        </span>
        <span>
          {plural(round.flowers, 'flower')} on {plural(trees, 'tree')}
          {round.collect.length > 0 && (
            <span className="give"> · collect {round.collect.map((c) => c.variety).join(', ')}</span>
          )}
        </span>
        <span className="soft small">
          about {aboutFruits(round.expectedFruits)} · {span(round.minutes / 60)}
        </span>
      </summary>
      <p className="small soft">
        {tellAll(round.why)}
        {round.mostFlowers !== undefined && ` You manage ${plural(round.mostFlowers, 'flower')} until then.`}
      </p>
      {round.collect.map((c) => (
        <p key={c.varietyId} className={classes.collect}>
          <b>Collect {c.variety} first</b>: {collectWords(c)}.
        </p>
      ))}
      <table className="plain" style={{ tableLayout: 'fixed' }}>
        <colgroup>
          <col style={{ width: 34 }} />
          <col />
          <col style={{ width: 66 }} />
          <col className={classes.doColumn} />
        </colgroup>
        <tbody>
          {round.stops.map((s, i) => (
            <StopRow
              key={i}
              stop={s}
              number={i + 1}
              day={wallTime(at, zone).slice(0, 10)}
              workday={round.day}
              ask={ask}
            />
          ))}
        </tbody>
      </table>
      <div className="line noprint">
        <Button
          size="compact-sm"
          variant="outline"
          onClick={() => ask({ request: { kind: 'VISIT_AT', visitAt: round.at } })}
        >
          Go at another hour
        </Button>
        <Button
          size="compact-sm"
          variant="outline"
          onClick={() => ask({ request: { kind: 'SKIP_VISIT', visitAt: round.at } })}
        >
          Skip this visit
        </Button>
        <Button
          size="compact-sm"
          variant="outline"
          onClick={() => ask({ request: { kind: 'SKIP_DAYS', firstDay: round.day, lastDay: round.day } })}
        >
          Skip this day
        </Button>
      </div>
    </details>
  );
}

/** One line with what somebody decided, and the way back. */
function Decided({ what, problem, back }: { what: string; problem: string | undefined; back: () => void }) {
  return (
    <div className="line" style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
      <span>
        {what}
        {problem && <span className="warn"> {problem}</span>}
      </span>
      <Button
        size="compact-sm"
        variant="subtle"
        style={{ flexShrink: 0 }}
        aria-label={`Remove: ${what}`}
        onClick={back}
      >
        Remove
      </Button>
    </div>
  );
}

function Choices({ plan }: { plan: Plan }) {
  const { now, zone } = useHere();
  const remove = useSubmit(
    (c: Schemas['PlanPollenOverride']) => takeBack(c.id, c.version),
    [],
    () => undefined,
  );
  const removeOverride = useSubmit(
    (o: Schemas['PlanOverride']) => takeBackOverride(o.id, o.version),
    [],
    () => undefined,
  );
  if (plan.choices.length + plan.overrides.length === 0) return null;
  return (
    <section className="card" data-card="chosen">
      <header>
        <h2>What you chose</h2>
        {plan.cost !== undefined && (
          <span className="small">
            {plan.cost < 0.05
              ? 'costs no fruit'
              : `costs about ${aboutFruits(plan.cost)} against the best plan`}
          </span>
        )}
      </header>
      {plan.overrides.map((o) => (
        <Decided
          key={o.id}
          what={overrideWords(o, now, zone)}
          problem={o.problem}
          back={() => removeOverride.submit(o)}
        />
      ))}
      {plan.choices.map((c) => (
        <Decided
          key={c.id}
          what={
            c.flowers > 0
              ? `${plural(c.flowers, 'flower')} of ${c.tree} with ${c.lot}${c.onDay ? ` on ${calendarDay(c.onDay)}` : ''}`
              : `${c.lot} never to ${c.tree}`
          }
          problem={c.problem && `Cannot be kept to: it ${c.problem}`}
          back={() => remove.submit(c)}
        />
      ))}
    </section>
  );
}

/** What is kept back of each jar for each tree, the visits together. */
function keptByJar(kept: Plan['kept']): { lot: string; tree: string; each: Plan['kept'] }[] {
  const by = new Map<string, { lot: string; tree: string; each: Plan['kept'] }>();
  kept.forEach((k) => {
    const one = by.get(k.lot + k.tree) ?? { lot: k.lot, tree: k.tree, each: [] };
    one.each.push(k);
    by.set(k.lot + k.tree, one);
  });
  return [...by.values()];
}

function Rest({ plan }: { plan: Plan }) {
  const { now, zone } = useHere();
  return (
    <>
      <Choices plan={plan} />
      {plan.kept.length > 0 && (
        <section className="card">
          <h2>Doses kept for later</h2>
          {keptByJar(plan.kept).map((k) => (
            <p key={k.lot + k.tree} className="small">
              <b>{k.lot}</b> for {k.tree}:{' '}
              {k.each
                .map(
                  (e, i) =>
                    `${i === 0 ? plural(e.doses, 'dose') : e.doses} ${said(new Date(e.at), now, zone)}`,
                )
                .join(', ')}
              . <span className="soft">{k.each[0]!.why}</span>
            </p>
          ))}
        </section>
      )}
      {plan.left.length > 0 && (
        <section className="card">
          <h2>Not planned</h2>
          {plan.left.map((l) => (
            <p key={l.treeId + l.tree} className="small">
              {leftWords(l)} <span className="soft">What would help: {tell(l.wouldServe)}</span>
            </p>
          ))}
        </section>
      )}
      {plan.away.map((a) => (
        <section key={a.first} className="card">
          <h2>
            Away {calendarDay(a.first)} to {calendarDay(a.last)}
          </h2>
          <ul className="small" style={{ margin: 0, paddingLeft: 20 }}>
            {a.todo.map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}

/** The rounds of the coming days. */
export function Plan() {
  const [{ days }, choose] = useAddress({ days: '7' }, { days: ['4', '7', '10'] });
  const [asked, setAsked] = useState<Asked>();
  const plan = useQuery({ ...queries.plan(Number(days)), placeholderData: (before) => before });
  return (
    <>
      <RoundTabs />
      <OverrideDialog asked={asked} close={() => setAsked(undefined)} />
      <Loaded of={plan}>
        {(p) => (
          <>
            <div className="say">
              <h1>{planSentence(p)}</h1>
              <div className="do noprint">
                <SegmentedControl
                  aria-label="Days"
                  value={days}
                  onChange={(d) => choose({ days: d })}
                  data={[
                    { value: '4', label: '4 days' },
                    { value: '7', label: '7' },
                    { value: '10', label: '10' },
                  ]}
                />
                <Button variant="outline" onClick={() => window.print()}>
                  Print
                </Button>
              </div>
            </div>
            <Anew of="plan" age={p.ageSeconds} />
            {p.obstacles.map((o) => (
              <p key={tell(o)} className="note bad">
                {tell(o)}
              </p>
            ))}
            {p.rounds.length === 0 && p.obstacles.length === 0 && (
              <Empty title="Nothing to do in these days">No flower can be pollinated in your hours.</Empty>
            )}
            {p.moments.length > 1 && (
              <section className="card">
                <PlanChart plan={p} />
              </section>
            )}
            <div className={classes.columns}>
              <div className="stack">
                {p.rounds.length > 0 && (
                  <section className={`card ${classes.visits}`}>
                    {p.rounds.map((r, i) => (
                      <RoundLine key={r.at} round={r} number={i + 1} ask={setAsked} />
                    ))}
                  </section>
                )}
              </div>
              <div className="stack">
                <Rest plan={p} />
                {p.rounds.length > 0 && (
                  <p className="small soft">
                    {p.proven
                      ? 'Proven: no other plan for this pollen and these hours brings more.'
                      : `Nearly the best: no other plan for this pollen and these hours brings more than ${decimal(p.gap, 1)} full flowers more.`}{' '}
                    {p.paces.length > 0 && (
                      <>
                        Learned from your walks:{' '}
                        {p.paces
                          .map(
                            (x) =>
                              `${x.crop.toLowerCase()} ${Math.round(x.flowersPerHour)} flowers an hour (${x.flowers} flowers in ${x.walks} walks)`,
                          )
                          .join('; ')}
                        .{' '}
                      </>
                    )}
                    Minutes count three for cleaning before each father, as an assumption. Fruits: the
                    flowers, each by how well its pollen fits and lives, times the share that sets here (see{' '}
                    <Link to="/round/wanted">Fruit wanted</Link>).
                  </p>
                )}
              </div>
            </div>
          </>
        )}
      </Loaded>
    </>
  );
}
