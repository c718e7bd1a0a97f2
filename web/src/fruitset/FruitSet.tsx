import { Button, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { Counter } from '../kit/Counter';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { calendarDay, plural } from '../kit/time';
import { TimeField } from '../kit/TimeField';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import classes from './FruitSet.module.css';

type Row = Schemas['FruitSetRow'];

function What({ row }: { row: Row }) {
  const p = row.pollination;
  return (
    <span>
      <b>{p.treeName}</b>: {plural(p.flowers, 'flower')} with {p.lotCode} {p.pollenParent}
      <span className="small soft"> · {calendarDay(row.pollinatedOn)}</span>
      {p.mark && <span className="small soft"> · {p.mark}</span>}
    </span>
  );
}

function lastWords(row: Row): string | undefined {
  const last = row.checks.at(-1);
  return last && `last look: ${last.taken} taken, ${last.failed} failed, ${last.unknown} not yet known`;
}

function CheckForm({ row, close }: { row: Row; close: () => void }) {
  const { now, session } = useHere();
  const [id] = useState(newId);
  const [counts, setCounts] = useState({ taken: 0, failed: 0, unknown: 0 });
  const [ownTime, setOwnTime] = useState<Date>();
  const [note, setNote] = useState('');
  const p = row.pollination;
  const left = p.flowers - counts.taken - counts.failed - counts.unknown;
  const body = {
    pollinationId: p.id,
    checkedAt: (ownTime ?? now).toISOString(),
    ...counts,
    ...(note && { note }),
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/checks/{id}', { params: { path: { id } }, body })),
    ['taken', 'failed', 'unknown', 'checkedAt', 'note'],
    (check) => {
      doneWithUndo(`${p.treeName}: check written down.`, () =>
        answer(
          api.POST('/api/checks/{id}/void', {
            params: { path: { id: check.id } },
            body: { version: check.version, reason: 'undone right after saving' },
          }),
        ),
      );
      close();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/checks/${id}`,
        body,
        label: `${p.treeName}: check, ${counts.taken} taken, ${counts.failed} failed`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${p.treeName}: check.`);
        close();
      },
    },
  );
  const set = (key: keyof typeof counts) => (n: number) => setCounts((c) => ({ ...c, [key]: n }));
  const error =
    form.errorFor('taken', 'Taken') ??
    form.errorFor('failed', 'Failed') ??
    form.errorFor('unknown', 'Not yet known');
  return (
    <form
      className={classes.form}
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      {row.due && <p className="small">{row.due.lookFor}</p>}
      <div className={classes.counters}>
        <Counter label="taken" value={counts.taken} onChange={set('taken')} />
        <Counter label="failed" value={counts.failed} onChange={set('failed')} />
        <Counter label="not yet known" value={counts.unknown} onChange={set('unknown')} />
      </div>
      <p className={left < 0 ? 'warn' : 'soft small'}>
        {left < 0
          ? `${-left} more than the ${plural(p.flowers, 'flower')} that were done`
          : left === p.flowers
            ? `${plural(p.flowers, 'flower')} to look for`
            : left === 0
              ? `all ${plural(p.flowers, 'flower')} accounted for`
              : `${plural(left, 'flower')} of ${p.flowers} not found; they count neither way`}
      </p>
      {error && (
        <p className="note bad" role="alert">
          {error}
        </p>
      )}
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <TimeField
          label="When you looked"
          value={ownTime ?? now}
          onChange={setOwnTime}
          error={form.errorFor('checkedAt', 'Time')}
        />
        <TextInput
          label="Note"
          value={note}
          onChange={(e) => setNote(e.currentTarget.value)}
          error={form.errorFor('note', 'Note')}
          style={{ flex: 1, minWidth: 160 }}
        />
      </div>
      {form.general && <p className="note bad">{form.general}</p>}
      <div className="line">
        <Button type="submit" loading={form.busy}>
          Save the check
        </Button>
        <Button variant="subtle" onClick={close}>
          Not now
        </Button>
      </div>
    </form>
  );
}

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
      </span>
      {open && <CheckForm row={row} close={() => setOpen(false)} />}
    </li>
  );
}

function Section({ title, rows }: { title: string; rows: Row[] }) {
  if (rows.length === 0) return null;
  return (
    <section className="card">
      <h2>{title}</h2>
      <ul className={classes.list}>
        {rows.map((r) => (
          <CheckRow key={r.pollination.id} row={r} />
        ))}
      </ul>
    </section>
  );
}

export function FruitSet() {
  const fruitSet = useQuery(queries.fruitSet());
  return (
    <Loaded of={fruitSet}>
      {({ rows }) => {
        const due = rows.filter((r) => r.due?.now);
        const coming = rows.filter((r) => r.due && !r.due.now);
        const done = rows.filter((r) => !r.due);
        return (
          <>
            <h1>
              {due.length > 0
                ? `${plural(due.length, 'check')} due: look whether stalk and bulge are green.`
                : coming[0]
                  ? `Nothing to check today; next on ${calendarDay(coming[0].due!.on)}.`
                  : 'Nothing to check.'}
            </h1>
            {rows.length === 0 && (
              <Empty title="No pollinations yet">
                A week after a round the first look at its fruit comes up here.
              </Empty>
            )}
            <Section title="Due" rows={due} />
            <Section title="To come" rows={coming} />
            <Section title="Every look taken" rows={done} />
          </>
        );
      }}
    </Loaded>
  );
}
