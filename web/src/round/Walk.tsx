import { Button } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { FieldHead } from '../kit/FieldHead';
import { Glyph } from '../kit/Glyph';
import { newId } from '../kit/ids';
import { useNightMode } from '../kit/night';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { voidPollination } from './DoneList';
import classes from './Walk.module.css';

type Stop = Schemas['RoundStop'];
type Sheet = Schemas['CropSheetView'];

interface StopProps {
  stop: Stop;
  sheet: Sheet | undefined;
  isFirst: boolean;
  isLast: boolean;
  next: () => void;
}

function StopCard({ stop, sheet, isFirst, isLast, next }: StopProps) {
  const { now } = useHere();
  const [id, setId] = useState(newId);
  const [count, setCount] = useState(0);
  const mark = sheet?.hand.marks[0];
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/pollinations/{id}', {
          params: { path: { id } },
          body: {
            treeId: stop.treeId,
            lotId: stop.lotId,
            flowers: count,
            doneAt: now.toISOString(),
            mark: mark?.name ?? '',
          },
        }),
      ),
    ['flowers'],
    (done) => {
      doneWithUndo(`${done.treeName}: ${plural(done.flowers, 'flower')} done.`, () => voidPollination(done));
      setId(newId());
      setCount(0);
      next();
    },
  );
  const wanted = sheet?.stages.filter((s) => stop.byStage.some((b) => b.stage === s.key)) ?? [];
  const error = form.errorFor('flowers', 'Flowers') ?? form.general;
  return (
    <>
      <section className={classes.card}>
        <div className={classes.where}>
          <b>{stop.treeName}</b> · {stop.block && `${stop.block}, `}row {stop.row}, place {stop.position}
        </div>
        <div className={classes.jar}>
          <span className={classes.code}>{stop.lotCode}</span>
          <span>
            {stop.pollenParent} jar
            <br />
            {isFirst || stop.cleanBefore.length > 0 ? 'with a clean brush' : 'same brush'}
          </span>
        </div>
        {wanted.map((s) => (
          <div key={s.key} className={classes.look}>
            <span className={classes.glyph}>
              <Glyph glyph={s.glyph} size={56} />
            </span>
            <span>
              <b>
                {stop.byStage.find((b) => b.stage === s.key)?.flowers} {s.name.toLowerCase()}
              </b>
              <br />
              {s.signs}
            </span>
          </div>
        ))}
        {sheet && (
          <p className={classes.mark}>
            {sheet.hand.strokes} {mark && `Mark: ${mark.how}.`}
          </p>
        )}
      </section>
      <div className={classes.pm}>
        <button type="button" aria-label="one less" onClick={() => setCount((c) => Math.max(0, c - 1))}>
          −
        </button>
        <div className={classes.middle}>
          <span className={classes.big} data-count>
            {count}
          </span>
          <span>of {plural(stop.flowers, 'flower')}</span>
        </div>
        <button type="button" aria-label="one more" onClick={() => setCount((c) => c + 1)}>
          +
        </button>
      </div>
      {error && (
        <p className={classes.error} role="alert">
          {error}
        </p>
      )}
      <footer className={classes.bar}>
        <Button size="lg" variant="outline" onClick={next} disabled={form.busy}>
          {isLast ? 'Skip, end' : 'Skip'}
        </Button>
        <Button
          size="lg"
          ml="auto"
          disabled={count === 0}
          loading={form.busy}
          onClick={() => form.submit(undefined)}
        >
          {count === 0 ? 'Count as you go' : `Done · ${plural(count, 'flower')}`}
        </Button>
      </footer>
    </>
  );
}

/** A step of its own: what to clean before another father's pollen is touched. */
function Clean({ stop, done }: { stop: Stop; done: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <b>Clean before {stop.pollenParent}</b>
        <ul className={classes.cautions}>
          {stop.cleanBefore.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
        <p>Then open jar {stop.lotCode}.</p>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={done}>
          All clean
        </Button>
      </footer>
    </>
  );
}

function Cautions({ cautions, go }: { cautions: string[]; go: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <b>Before you go</b>
        <ul className={classes.cautions}>
          {cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={go}>
          Go
        </Button>
      </footer>
    </>
  );
}

/** The plan as it was at the start is walked to its end; what others do meanwhile shows in the doses. */
function Walking({ stops, cautions, crops }: { stops: Stop[]; cautions: string[]; crops: Sheet[] }) {
  const [at, setAt] = useState(-1);
  const [night, toggleNight] = useNightMode();
  const stop = stops[at];
  const [cleaned, setCleaned] = useState(-1);
  const clean = !stop || stop.cleanBefore.length === 0 || cleaned === at;
  const over = at >= stops.length;
  return (
    <div className={classes.page}>
      <FieldHead
        back="/round"
        backLabel="Back to the round"
        title={
          over ? 'Round done' : stop ? `Stop ${at + 1} of ${stops.length}` : plural(stops.length, 'stop')
        }
      >
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? 'day' : 'night'}
        </button>
      </FieldHead>
      {at === -1 && <Cautions cautions={cautions} go={() => setAt(0)} />}
      {stop && !clean && <Clean stop={stop} done={() => setCleaned(at)} />}
      {stop && clean && (
        <StopCard
          key={at}
          stop={stop}
          sheet={crops.find((c) => c.key === stop.crop)}
          isFirst={at === 0}
          isLast={at === stops.length - 1}
          next={() => setAt((i) => i + 1)}
        />
      )}
      {over && (
        <div style={{ padding: 16 }}>
          <Empty
            title="That was the last stop"
            action={
              <Button component={Link} to="/round">
                See what was done
              </Button>
            }
          >
            Clean the brush, close the jars, and read tomorrow’s flowers when you can.
          </Empty>
        </div>
      )}
    </div>
  );
}

export function Walk() {
  const [search] = useSearchParams();
  const round = useQuery({
    ...queries.round(search.get('at') ?? undefined),
    queryKey: ['walk', search.get('at') ?? 'best'],
    staleTime: Infinity,
    gcTime: 0,
  });
  const crops = useQuery(queries.crops());
  const [started, setStarted] = useState<Schemas['Round']>();
  if (round.data && !started && !round.isFetching) setStarted(round.data);
  return (
    <Loaded of={crops}>
      {(c) => (
        <Loaded of={round}>
          {() =>
            started &&
            (started.stops.length === 0 ? (
              <Empty title="Nothing to walk" action={<Link to="/round">Back to the round</Link>}>
                At this hour no jar serves a flower that can take pollen.
              </Empty>
            ) : (
              <Walking stops={started.stops} cautions={started.cautions} crops={c} />
            ))
          }
        </Loaded>
      )}
    </Loaded>
  );
}
