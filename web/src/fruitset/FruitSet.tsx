import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { Counter } from '../form/Counter';
import { TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded, Problem } from '../ui/States';
import { calendarDay, plural } from '../format/time';
import { TimeField } from '../form/TimeField';
import { Pictures } from '../photo/Pictures';
import { CheckDetails } from './CheckDetails';
import { counted, doneWords, lastWords, leftWords, markWords, mayHaveDropped } from './fruit-words';
import { FruitTabs } from './FruitTabs';
import { useCheck } from './use-check';
import classes from './FruitSet.module.css';

type Row = Schemas['FruitSetRow'];

function What({ row }: { row: Row }) {
  const p = row.pollination;
  const marks = markWords(p);
  return (
    <span>
      <b>{p.treeName}</b>: {plural(p.flowers, 'flower')} {doneWords(p)}
      <span className="small soft">
        {' '}
        · {calendarDay(row.pollinatedOn)}
        {marks && ` · ${marks}`}
      </span>
    </span>
  );
}

function CheckForm({ row, close }: { row: Row; close: () => void }) {
  const check = useCheck(row, close);
  const { flowers } = row.pollination;
  return (
    <RecordForm
      form={{ ...check.form, general: check.general }}
      of={check.counts}
      save="Save the check"
      cancel={close}
      className={classes.form}
    >
      {row.due && <p className="small">{row.due.lookFor}</p>}
      <div className={classes.counters}>
        <Counter label="set" value={check.counts.taken} onChange={check.set('taken')} />
        <Counter label="failed" value={check.counts.failed} onChange={check.set('failed')} />
        {mayHaveDropped(row) && (
          <Counter label="dropped since" value={check.counts.dropped} onChange={check.set('dropped')} />
        )}
        <Counter label="not yet known" value={check.counts.unknown} onChange={check.set('unknown')} />
      </div>
      <p className={counted(check.counts) > flowers ? 'warn' : 'soft small'}>
        {leftWords(flowers, check.counts)}
      </p>
      <CheckDetails check={check} />
      <Pictures pictures={check.pictures} change={check.setPictures} tree={check.tree} />
      <Problem>{check.error}</Problem>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <TimeField
          label="When you checked"
          value={check.at}
          onChange={check.setAt}
          error={check.form.errorFor('checkedAt', 'Time')}
        />
        <TextField
          name="note"
          label="Note"
          value={check.note}
          set={check.setNote}
          style={{ flex: 1, minWidth: 160 }}
        />
      </div>
    </RecordForm>
  );
}

/** Bagged flowers and those left to nature are meant to show what fails without a hand. */
const failedByHand = (row: Row) =>
  row.pollination.how.treatment === 'HAND' && (row.checks.at(-1)?.failed ?? 0) > 0;

function CheckRow({ row }: { row: Row }) {
  const [open, setOpen] = useState(false);
  const words = lastWords(row);
  return (
    <li className={classes.row} data-tree={row.pollination.treeName}>
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <What row={row} />
        {!open && (
          <Button
            size="sm"
            variant={row.due?.now ? 'filled' : 'outline'}
            onClick={() => setOpen(true)}
            aria-label={`Check ${row.pollination.treeName}`}
          >
            Check
          </Button>
        )}
      </div>
      <span className="small soft">
        {row.due &&
          `${row.due.name}, day ${row.due.day}: ${row.due.now ? 'due since' : 'due'} ${calendarDay(row.due.on)}`}
        {row.due && words && ' · '}
        {words}
        {failedByHand(row) && (
          <>
            {' · '}
            <Link to={`/findings/why?crop=${row.pollination.crop}&kind=TREE&key=${row.pollination.treeId}`}>
              Why did some fail?
            </Link>
          </>
        )}
      </span>
      {open && <CheckForm row={row} close={() => setOpen(false)} />}
    </li>
  );
}

/** So many rows are shown before one asks for the others. */
const FIRST = 8;

function Section({
  title,
  rows,
  most = rows.length,
  children,
}: {
  title: string;
  rows: Row[];
  most?: number;
  children?: React.ReactNode;
}) {
  const [all, setAll] = useState(false);
  if (rows.length === 0) return null;
  const shown = all ? rows : rows.slice(0, most);
  return (
    <section className="card">
      <h2>{title}</h2>
      {children}
      <ul className={classes.list}>
        {shown.map((r) => (
          <CheckRow key={r.pollination.id} row={r} />
        ))}
      </ul>
      {shown.length < rows.length && (
        <Button variant="subtle" onClick={() => setAll(true)}>
          Show all {rows.length}
        </Button>
      )}
    </section>
  );
}

export function FruitSet() {
  const fruitSet = useQuery(queries.fruitSet());
  return (
    <>
      <FruitTabs />
      <Loaded of={fruitSet}>
        {({ rows, due: inAll, waiting }) => {
          const due = rows.filter((r) => r.due?.now);
          const coming = rows.filter((r) => r.due && !r.due.now);
          const done = rows.filter((r) => !r.due);
          return (
            <>
              <div className="say">
                <h1>
                  {inAll > 0
                    ? `${plural(inAll, 'check')} due: see which flowers set.`
                    : coming[0]
                      ? `Nothing to check today; next on ${calendarDay(coming[0].due!.on)}.`
                      : 'Nothing to check.'}
                </h1>
                {due.length > 0 && (
                  <div className="do">
                    <Button component={Link} to="/fruit-set/walk">
                      Walk them
                    </Button>
                  </div>
                )}
              </div>
              {waiting > 0 && (
                <p className="note">
                  {plural(waiting, 'record')} {waiting === 1 ? 'is' : 'are'} still being worked out; their
                  checks come up here as soon as that is done.
                </p>
              )}
              {rows.length === 0 && (
                <Empty title="No pollinations yet">
                  A week after a visit the first check of its fruit comes up here.
                </Empty>
              )}
              <Section title="Due" rows={due}>
                {inAll > due.length && (
                  <p className="small soft">
                    {due.length} of {inAll}, the most urgent; the others follow.
                  </p>
                )}
              </Section>
              <Section title="To come" rows={coming} most={FIRST} />
              <Section title="Every check" rows={done} most={FIRST} />
              {rows.length > 0 && <SaveCsv tables={['pollinations', 'checks']} />}
            </>
          );
        }}
      </Loaded>
    </>
  );
}
