import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Board } from '../bloom/Board';
import { byMostToDo } from '../bloom/bloom-words';
import type { Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { Why } from '../kit/Why';
import { ShelfStrip } from '../pollen/ShelfStrip';
import { dueNow, STEP } from '../round/cross-words';
import { todayWords } from './today-words';

function Sentence({ bloom, round }: { bloom: Schemas['Bloom']; round: Schemas['Round'] }) {
  const { now, zone } = useHere();
  const { data: crops = [] } = useQuery(queries.crops());
  const words = todayWords(bloom, round, crops, now, zone);
  if (!bloom.trees.some((t) => t.reading)) {
    return <h1>No tree has been read lately. Read one, and you will see here what to do this evening.</h1>;
  }
  if (!words) {
    return (
      <h1>
        {bloom.takingNow >= 0.5
          ? `About ${plural(Math.round(bloom.takingNow), 'flower')} can take pollen, but there is no pollen in the coming day, on the shelf or on the trees.`
          : 'No flower is expected to take pollen in the coming day.'}
      </h1>
    );
  }
  return (
    <h1>
      {words.when}{' '}
      <Why
        because={
          <>
            <p>
              Expected flowers that can take pollen at {words.from}, added over{' '}
              {plural(bloom.trees.filter((t) => t.reading).length, 'tree')} that have been read:{' '}
              {round.bestHours!.flowersAtStart.toFixed(1)}.
            </p>
            <p>Each tree’s own reckoning opens at the end of its ribbon.</p>
          </>
        }
      >
        <span className="take">{plural(words.taking, 'flower')} can take pollen</span>
      </Why>
      ; go between{' '}
      <Why
        because={
          <>
            <p>
              From {words.from}, when there are flowers to take pollen and{' '}
              {round.bestHours!.pollenOnShelf ? 'there is pollen on the shelf' : 'the first anthers open'},
              until {round.bestHours!.endsWithDark ? 'it is dark' : 'half of those flowers are past it'}.
            </p>
            <p>The rule is ours; many growers walk from four to seven in the afternoon.</p>
          </>
        }
      >
        {words.from} and {words.until}
      </Why>
      .{' '}
      {words.gather && (
        <>
          <span className="give">Gather from {words.gather.tree}</span> first, {words.gather.words}.
        </>
      )}
    </h1>
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

/** What to do this evening, in five seconds. */
export function Today() {
  const bloom = useQuery(queries.bloom(48));
  const round = useQuery(queries.round());
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
                    {r.stops.length > 0 && (
                      <Button component={Link} to="/round">
                        The round · {plural(new Set(r.stops.map((s) => s.treeId)).size, 'tree')}
                      </Button>
                    )}
                  </div>
                </div>
                <ZoneDoubt />
                <CrossesDue />
                <Board bloom={b} rows={byMostToDo(b.trees)} title="Next 48 hours" />
                {lots.data && <ShelfStrip lots={lots.data} />}
              </>
            )
          }
        </Loaded>
      )}
    </Loaded>
  );
}
