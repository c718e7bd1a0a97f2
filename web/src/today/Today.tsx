import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { PLAN_DAYS, queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { Why } from '../kit/Why';
import { toCollect } from '../pollen/collect-asked';
import { ShelfStrip } from '../pollen/ShelfStrip';
import { dueNow, STEP } from '../crossing/cross-words';
import { leftWords } from '../planning/plan-words';
import { Accounted } from './Accounted';
import { ReadNext } from './ReadNext';
import { RunSheet } from './RunSheet';
import { todayWords } from './today-words';

/** Two names, or one and how many more: a headline is short. */
const some = (names: string[]): string =>
  names.length <= 2 ? names.join(' and ') : `${names[0]} and ${names.length - 1} more`;

function Sentence({ bloom, plan }: { bloom: Schemas['Bloom']; plan: Schemas['Plan'] }) {
  const { now, zone } = useHere();
  const words = todayWords(plan, now, zone);
  if (!bloom.trees.some((t) => t.reading)) {
    return <h1>No tree has been read lately. Read one, and you will see here what to do this evening.</h1>;
  }
  if (!words) {
    return (
      <h1>
        {bloom.takingNow >= 0.5
          ? `About ${plural(Math.round(bloom.takingNow), 'flower')} can take pollen, but none gets any in the coming days.`
          : 'No flower is expected to take pollen in the coming days.'}
      </h1>
    );
  }
  return (
    <h1>
      {words.when},{' '}
      <Why
        because={
          <>
            <p>{plan.rounds[0]!.why}</p>
            <p>
              No hour is better within the hours in which these crops are worked and you are free. It ends
              with those hours, or when the next visit begins. Each crop’s hours stand on its sheet.
            </p>
          </>
        }
        label="these hours"
      >
        {words.from} to {words.until}
      </Why>
      :{' '}
      {words.collect.length > 0 && (
        <>
          <span className="give">collect {some(words.collect)}</span>, then{' '}
        </>
      )}
      {words.flowers > 0 ? (
        <>
          <Why
            because={
              <p>
                The best use of the pollen there is, and of what can be collected, over this visit and the
                coming days. The visit lists each tree with its reason.
              </p>
            }
            label="these flowers"
          >
            <span className="take">pollinate {plural(words.flowers, 'flower')}</span>
          </Why>{' '}
          on {plural(words.trees, 'tree')}.
        </>
      ) : words.collect.length > 0 ? (
        'keep it for later visits.'
      ) : (
        'steps on crosses.'
      )}
    </h1>
  );
}

/** Wishes that nothing can be done for, and what would help. */
function CrossesNotPossible({ plan }: { plan: Schemas['Plan'] }) {
  const crosses = plan.left.filter((l) => l.reason.startsWith('CROSS_'));
  if (crosses.length === 0) return null;
  return (
    <p className="note" data-card="left">
      {crosses.slice(0, MOST_LEFT).map((l) => (
        <span key={l.treeId + l.tree}>
          {leftWords(l)} {l.wouldServe}{' '}
        </span>
      ))}
      {crosses.length > MOST_LEFT && `${crosses.length - MOST_LEFT} more under Coming days.`}
    </p>
  );
}

/** Crosses on which a step is due, bags that come off a month later too. */
function CrossesDue() {
  const { now } = useHere();
  const { data } = useQuery(queries.crossings());
  const due = dueNow(data?.crossings ?? [], now);
  if (due.length === 0) return null;
  return (
    <p className="note">
      {due.length === 1 ? 'A cross has' : `${due.length} crosses have`} a step due:{' '}
      {due.map((c, i) => (
        <span key={c.id}>
          {i > 0 && ', '}
          <Link to={`/round/crosses#${c.label}`}>{c.label}</Link> {STEP[c.due[0]!.step].toLowerCase()}
        </span>
      ))}
      .
    </p>
  );
}

/** Fruit that wants looking at today. */
function ChecksDue() {
  const { data } = useQuery(queries.fruitSet());
  if (!data || data.due === 0) return null;
  return (
    <p className="note" data-card="checks">
      {plural(data.due, 'check')} due: <Link to="/fruit-set">look whether fruit has set</Link>.
    </p>
  );
}

/** Nothing on this page is right while sunset is at the wrong hour. */
function ZoneDoubt() {
  const { orchard } = useHere();
  if (!orchard.zoneDoubt) return null;
  return (
    <p className="note bad">
      {orchard.zoneDoubt} <Link to="/orchard">Look at the orchard’s place</Link>.
    </p>
  );
}

/** So many trees are told here; the others under Coming days. */
const MOST_LEFT = 3;

/** What comes next, and what can be done before it. */
function Buttons({ bloom, plan }: { bloom: Schemas['Bloom']; plan: Schemas['Plan'] }) {
  const next = plan.rounds[0];
  const collect = next?.collect[0];
  const read = plan.readNext[0]?.treeId ?? bloom.trees[0]!.treeId;
  return (
    <div className="do noprint">
      <Button component={Link} to={`/bloom/read/${read}`} variant="outline">
        Read flowers
      </Button>
      {collect && (
        <Button component={Link} {...toCollect(collect, '/')} variant="outline">
          Collect {collect.variety}
        </Button>
      )}
      {next && next.stops.length > 0 && (
        <Button component={Link} to="/round">
          The visit · {plural(new Set(next.stops.map((s) => s.treeId)).size, 'tree')}
        </Button>
      )}
    </div>
  );
}

/** What to do this evening, in five seconds. */
export function Today() {
  const bloom = useQuery(queries.bloom(48));
  const plan = useQuery(queries.plan(PLAN_DAYS));
  const lots = useQuery(queries.lots());
  return (
    <Loaded of={bloom}>
      {(b) =>
        b.trees.length === 0 ? (
          <Empty
            title="A new orchard"
            action={
              <Button component={Link} to="/orchard">
                Add varieties and trees
              </Button>
            }
          >
            First the varieties and trees. Then read a tree’s flowers, and this page tells what to do in the
            evening.
          </Empty>
        ) : (
          <>
            <Loaded of={plan}>
              {(p) => (
                <>
                  <div className="say">
                    <Sentence bloom={b} plan={p} />
                    <Buttons bloom={b} plan={p} />
                  </div>
                  <ZoneDoubt />
                  <CrossesDue />
                  <RunSheet plan={p} />
                  <ReadNext trees={p.readNext} />
                  {p.account && <Accounted account={p.account} />}
                  <CrossesNotPossible plan={p} />
                </>
              )}
            </Loaded>
            <ChecksDue />
            {lots.data && <ShelfStrip lots={lots.data} />}
          </>
        )
      }
    </Loaded>
  );
}
