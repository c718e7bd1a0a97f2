import { Button } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../kit/api';
import { FieldHead } from '../kit/FieldHead';
import { KeptLine } from '../kit/KeptLine';
import { useNightMode } from '../kit/night';
import { useOutbox } from '../kit/outbox';
import { Question } from '../kit/Question';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { calendarDay, plural } from '../kit/time';
import { CheckDetails } from './CheckDetails';
import {
  counted,
  doneWords,
  lastWords,
  leftWords,
  looksWaiting,
  markWords,
  mayHaveDropped,
  NO_COUNTS,
} from './fruit-words';
import { useCheck } from './use-check';
import classes from './CheckWalk.module.css';

type Row = Schemas['FruitSetRow'];

/** How often one looks what others did meanwhile. */
const LOOK_MS = 5_000;

const KINDS = [
  ['taken', 'set', 'holds: green, or swelling'],
  ['failed', 'failed', 'browning, shrivelled or gone'],
  ['unknown', 'not yet known', 'too early: do not pull'],
] as const;
const DROPPED = ['dropped', 'dropped', 'held last time, fell by itself'] as const;

/** What a look can find there. */
const kinds = (row: Row) => (mayHaveDropped(row) ? [...KINDS.slice(0, 2), DROPPED, KINDS[2]] : KINDS);

/** One flower: one tap. */
function OneFlower({ check, row }: { check: ReturnType<typeof useCheck>; row: Row }) {
  return (
    <div className={classes.taps}>
      {kinds(row).map(([key, name, sign]) => (
        <button
          key={key}
          type="button"
          className={classes[key]}
          disabled={check.form.busy}
          onClick={() => check.save({ ...NO_COUNTS, [key]: 1 })}
        >
          <b>{name}</b>
          <span>{sign}</span>
        </button>
      ))}
      <button type="button" disabled={check.form.busy} onClick={() => check.save({ ...NO_COUNTS, lost: 1 })}>
        <b>mark gone</b>
        <span>cannot be known</span>
      </button>
    </div>
  );
}

/** Several flowers: three rows with large plus and minus; a row's name takes the rest. */
function Several({ check, row }: { check: ReturnType<typeof useCheck>; row: Row }) {
  const { flowers } = row.pollination;
  const left = flowers - counted(check.counts);
  return (
    <div className={classes.rows}>
      {kinds(row).map(([key, name, sign]) => (
        <div key={key} className={classes.row}>
          <button
            type="button"
            aria-label={`${name}: one less`}
            onClick={() => check.set(key)(Math.max(0, check.counts[key] - 1))}
          >
            −
          </button>
          <button
            type="button"
            className={classes.name}
            disabled={left <= 0}
            aria-label={`${name}: all that are left`}
            onClick={() => check.set(key)(check.counts[key] + Math.max(0, left))}
          >
            <b data-count={key}>{check.counts[key]}</b>
            <span>
              {name} <i>{sign}</i>
            </span>
          </button>
          <button
            type="button"
            aria-label={`${name}: one more`}
            onClick={() => check.set(key)(check.counts[key] + 1)}
          >
            +
          </button>
        </div>
      ))}
    </div>
  );
}

function Card({ row, last, next }: { row: Row; last: boolean; next: () => void }) {
  const check = useCheck(row, next);
  const p = row.pollination;
  const n = counted(check.counts);
  const marks = markWords(p);
  const before = lastWords(row);
  return (
    <>
      <section className={classes.card} data-tree={p.treeName}>
        <div className={classes.where}>
          <b>{p.treeName}</b> · {row.block && `${row.block}, `}row {row.row}, place {row.position}
        </div>
        <div className={classes.what}>{marks || 'no mark written down'}</div>
        <p>
          {plural(p.flowers, 'flower')} {doneWords(p)}, {calendarDay(row.pollinatedOn)}
        </p>
        <p className={classes.soft}>
          {row.due?.name}, day {row.due?.day}: {row.due?.lookFor}
        </p>
        {before && <p className={classes.soft}>{before}</p>}
        {p.flowers > 1 && <CheckDetails check={check} />}
      </section>
      {check.error || check.general ? (
        <p className={classes.error} role="alert">
          {check.error ?? check.general}
        </p>
      ) : null}
      {p.flowers === 1 ? <OneFlower check={check} row={row} /> : <Several check={check} row={row} />}
      <footer className={classes.bar}>
        <Button size="lg" variant="outline" mr="auto" onClick={next} disabled={check.form.busy}>
          {last ? 'Skip, end' : 'Skip'}
        </Button>
        {p.flowers > 1 && (
          <>
            <span className={n > p.flowers ? classes.over : classes.left}>
              {n > p.flowers ? leftWords(p.flowers, check.counts) : `${n} of ${p.flowers}`}
            </span>
            <Button size="lg" disabled={n === 0} loading={check.form.busy} onClick={() => check.save()}>
              Done
            </Button>
          </>
        )}
      </footer>
      <Question question={check.form.question} />
    </>
  );
}

/** Somebody was here meanwhile: what they found, and on. */
function Looked({ row, next }: { row: Row; next: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <div className={classes.where}>
          <b>{row.pollination.treeName}</b>
        </div>
        <p>Somebody has checked here already; {lastWords(row)}.</p>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={next}>
          Go on
        </Button>
      </footer>
    </>
  );
}

/** @param walk the visit from which one came, to go back to */
function Walking({ start, now, walk }: { start: Row[]; now: Row[]; walk: string | null }) {
  const waiting = looksWaiting(useOutbox());
  // The way stays as it was when one set out, whatever others do meanwhile.
  const [stops] = useState(() => start.filter((r) => !waiting.has(r.pollination.id)));
  const [at, setAt] = useState(0);
  const [night, toggleNight] = useNightMode();
  const stop = stops[at];
  const fresh = now.find((r) => r.pollination.id === stop?.pollination.id);
  const elsewhere = stop && fresh && fresh.checks.length > stop.checks.length;
  const next = () => setAt(at + 1);
  const back = walk ? `/round/walk/${walk}` : '/fruit-set';
  return (
    <div className={classes.page}>
      <FieldHead
        back={back}
        backLabel={walk ? 'Back to the walk' : 'Back to the checks'}
        title={stop ? `Check ${at + 1} of ${stops.length}` : 'All checked'}
      >
        <KeptLine className={classes.kept} />
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? 'day' : 'night'}
        </button>
      </FieldHead>
      {stop && elsewhere && <Looked key={at} row={fresh} next={next} />}
      {stop && !elsewhere && <Card key={at} row={stop} last={at === stops.length - 1} next={next} />}
      {!stop && (
        <div style={{ padding: 16 }}>
          <Empty
            title={stops.length === 0 ? 'No check is due now' : 'That was the last one'}
            action={
              <div className="line" style={{ justifyContent: 'center' }}>
                {stops.length > 0 && (
                  <Button variant="outline" onClick={() => setAt(stops.length - 1)}>
                    Back one
                  </Button>
                )}
                <Button component={Link} to={back}>
                  {walk ? 'Back to the walk' : 'To the list'}
                </Button>
              </div>
            }
          >
            What is not yet known comes back by itself.
          </Empty>
        </div>
      )}
    </div>
  );
}

/** The looks that are due, tree after tree, under the trees; those of one tree where the address names it. */
export function CheckWalk() {
  const [asked] = useSearchParams();
  const tree = asked.get('tree');
  const walk = asked.get('walk');
  const fruitSet = useQuery({ ...queries.fruitSet(), refetchInterval: LOOK_MS });
  return (
    <Loaded of={fruitSet}>
      {({ rows }) => (
        <Walking
          start={rows.filter((r) => r.due?.now && (!tree || r.pollination.treeId === tree))}
          now={rows}
          walk={walk}
        />
      )}
    </Loaded>
  );
}
