import { Button } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../api/api';
import { FieldHead } from '../ui/FieldHead';
import { KeptLine } from '../offline/KeptLine';
import { useNightMode } from '../ui/night';
import { useOutbox } from '../offline/outbox';
import { Question } from '../form/Question';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { calendarDay } from '../format/time';
import { placeWords } from '../text/place-words';
import { Pictures } from '../photo/Pictures';
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
  oneMore,
} from './fruit-words';
import { useCheck } from './use-check';
import classes from './CheckWalk.module.css';
import { count, phrase, t } from '../text/text';

type Row = Schemas['FruitSetRow'];

/** How often one looks what others did meanwhile. */
const LOOK_MS = 5_000;

const KINDS = ['taken', 'failed', 'unknown'] as const;

/** What a look can find there. */
const kinds = (row: Row) =>
  mayHaveDropped(row) ? (['taken', 'failed', 'dropped', 'unknown'] as const) : KINDS;

/** One flower: one tap. */
function OneFlower({ check, row }: { check: ReturnType<typeof useCheck>; row: Row }) {
  return (
    <div className={classes.taps}>
      {kinds(row).map((key) => (
        <button
          key={key}
          type="button"
          className={classes[key]}
          disabled={check.form.busy}
          onClick={() => check.save({ ...NO_COUNTS, [key]: 1 })}
        >
          <b>{t(`found.${key}`)}</b>
          <span>{t(`found-sign.${key}`)}</span>
        </button>
      ))}
      <button type="button" disabled={check.form.busy} onClick={() => check.save({ ...NO_COUNTS, lost: 1 })}>
        <b>{t('check.mark-gone')}</b>
        <span>{t('check.cannot-know')}</span>
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
      {kinds(row).map((key) => (
        <div key={key} className={classes.row}>
          <button
            type="button"
            aria-label={t('do.one-less-of', { label: t(`found.${key}`) })}
            onClick={() => check.set(key)(Math.max(0, check.counts[key] - 1))}
          >
            −
          </button>
          <button
            type="button"
            className={classes.name}
            disabled={left <= 0}
            aria-label={t('check.all-left', { label: t(`found.${key}`) })}
            onClick={() => check.set(key)(check.counts[key] + Math.max(0, left))}
          >
            <b data-count={key}>{check.counts[key]}</b>
            <span>
              {t(`found.${key}`)} <i>{t(`found-sign.${key}`)}</i>
            </span>
          </button>
          <button
            type="button"
            aria-label={t('do.one-more-of', { label: t(`found.${key}`) })}
            onClick={() => check.setCounts(oneMore(check.counts, key, left))}
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
          <b>{p.treeName}</b> · {placeWords(row)}
        </div>
        <div className={classes.what}>{marks || t('check.no-mark')}</div>
        <p>
          {count('flower', p.flowers)} {doneWords(p)}, {calendarDay(row.pollinatedOn)}
        </p>
        <p className={classes.soft}>
          {row.due &&
            t('check.due', {
              name: phrase(row.due.name),
              day: row.due.day,
              what: phrase(row.due.lookFor),
            })}
        </p>
        {before && <p className={classes.soft}>{before}</p>}
        {p.flowers > 1 && <CheckDetails check={check} />}
        <Pictures pictures={check.pictures} change={check.setPictures} tree={check.tree} />
      </section>
      {check.error || check.general ? (
        <p className={classes.error} role="alert">
          {check.error ?? check.general}
        </p>
      ) : null}
      {p.flowers === 1 ? <OneFlower check={check} row={row} /> : <Several check={check} row={row} />}
      <footer className={classes.bar}>
        <Button size="lg" variant="outline" mr="auto" onClick={next} disabled={check.form.busy}>
          {last ? t('do.skip-end') : t('do.skip')}
        </Button>
        {p.flowers > 1 && (
          <>
            <span className={n > p.flowers ? classes.over : classes.left}>
              {n > p.flowers ? leftWords(p.flowers, check.counts) : t('check.n-of', { n, of: p.flowers })}
            </span>
            <Button size="lg" disabled={n === 0} loading={check.form.busy} onClick={() => check.save()}>
              {t('do.done')}
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
        <p>{t('check.somebody', { found: lastWords(row) })}</p>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={next}>
          {t('do.go-on')}
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
        backLabel={walk ? t('check.to-walk') : t('check.to-checks')}
        title={stop ? t('check.n', { n: at + 1, of: stops.length }) : t('check.all')}
      >
        <KeptLine className={classes.kept} short />
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? t('do.day') : t('do.night')}
        </button>
      </FieldHead>
      {stop && elsewhere && <Looked key={at} row={fresh} next={next} />}
      {stop && !elsewhere && <Card key={at} row={stop} last={at === stops.length - 1} next={next} />}
      {!stop && (
        <div style={{ padding: 16 }}>
          <Empty
            title={stops.length === 0 ? t('check.none-due') : t('check.last')}
            action={
              <div className="line" style={{ justifyContent: 'center' }}>
                {stops.length > 0 && (
                  <Button variant="outline" onClick={() => setAt(stops.length - 1)}>
                    {t('check.back-one')}
                  </Button>
                )}
                <Button component={Link} to={back}>
                  {walk ? t('check.to-walk') : t('check.to-list')}
                </Button>
              </div>
            }
          >
            {t('check.comes-back')}
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
