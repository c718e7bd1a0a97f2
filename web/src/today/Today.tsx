import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { Why } from '../kit/Why';
import { toCollect } from '../pollen/collect-asked';
import { ShelfStrip } from '../pollen/ShelfStrip';
import { dueNow, STEP } from '../crossing/cross-words';
import { leftWords } from '../planning/plan-words';
import { RunSheet } from './RunSheet';
import { todayWords } from './today-words';

/** Two names, or one and how many more: a headline is short. */
const some = (names: string[]): string =>
  names.length <= 2 ? names.join(' and ') : `${names[0]} and ${names.length - 1} more`;

function Sentence({ bloom, round }: { bloom: Schemas['Bloom']; round: Schemas['Round'] }) {
  const { now, zone } = useHere();
  const words = todayWords(round, now, zone);
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
            <p>
              At {words.from} most flowers can take pollen within the hours in which these crops are worked
              and you are free: {round.bestHours!.flowersAtStart.toFixed(1)} expected, added over{' '}
              {plural(bloom.trees.filter((t) => t.reading).length, 'tree')} that have been read.
            </p>
            <p>
              It ends with those hours, or when the next visit begins. Each crop’s hours stand on its sheet.
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
      ) : (
        'steps on crosses.'
      )}
    </h1>
  );
}

/** Flowers that get no pollen, and what would serve them. */
function NotServed({ round }: { round: Schemas['Round'] }) {
  if (round.left.length === 0) return null;
  return (
    <p className="note" data-card="left">
      <b>Not served:</b>{' '}
      {round.left.slice(0, MOST_LEFT).map((l) => (
        <span key={l.treeId + l.tree}>
          {leftWords(l)} {l.wouldServe}{' '}
        </span>
      ))}
      {round.left.length > MOST_LEFT && `${round.left.length - MOST_LEFT} more under Round.`}
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

/** As far as the next visit looks ahead, so that both are one plan. */
const PLAN_DAYS = 4;

/** So many trees are told here; the others under Round. */
const MOST_LEFT = 3;

/** What to do this evening, in five seconds. */
export function Today() {
  const bloom = useQuery(queries.bloom(48));
  const round = useQuery(queries.round());
  const plan = useQuery(queries.plan(PLAN_DAYS));
  const lots = useQuery(queries.lots());
  return (
    <Loaded of={bloom}>
      {(b) => (
        <Loaded of={round}>
          {(r) =>
            b.trees.length === 0 ? (
              <Empty
                title="A new orchard"
                action={
                  <Button component={Link} to="/orchard">
                    Add varieties and trees
                  </Button>
                }
              >
                First the varieties and trees. Then read a tree’s flowers, and this page tells what to do in
                the evening.
              </Empty>
            ) : (
              <>
                <div className="say">
                  <Sentence bloom={b} round={r} />
                  <div className="do noprint">
                    <Button component={Link} to={`/bloom/read/${b.trees[0]!.treeId}`} variant="outline">
                      Read flowers
                    </Button>
                    {r.collect.length > 0 && (
                      <Button component={Link} {...toCollect(r.collect[0]!, '/')}>
                        Collect {r.collect[0]!.variety}
                      </Button>
                    )}
                    {r.stops.length > 0 && (
                      <Button
                        component={Link}
                        to="/round"
                        variant={r.collect.length > 0 ? 'outline' : 'filled'}
                      >
                        The round · {plural(new Set(r.stops.map((s) => s.treeId)).size, 'tree')}
                      </Button>
                    )}
                  </div>
                </div>
                <ZoneDoubt />
                <CrossesDue />
                <NotServed round={r} />
                <Loaded of={plan}>{(p) => <RunSheet plan={p} />}</Loaded>
                <ChecksDue />
                {lots.data && <ShelfStrip lots={lots.data} />}
              </>
            )
          }
        </Loaded>
      )}
    </Loaded>
  );
}
