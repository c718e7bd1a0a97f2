import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { calendarDate, plural } from '../format/time';
import { FruitTabs } from '../fruitset/FruitTabs';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { useAddress } from '../ui/use-address';
import { parents } from './seed-words';
import { SeedlingLabels } from './SeedlingLabels';
import { grows, STATES, where } from './seedling-words';

type Row = Schemas['SeedlingRow'];

/** Rows drawn at once: more are asked for. */
const PAGE = 100;

const firstFruit = (row: Row): string =>
  row.fruitedOn ? calendarDate(row.fruitedOn) : row.fruitFrom ? `about ${row.fruitFrom.slice(0, 4)}` : '–';

function Table({ rows }: { rows: Row[] }) {
  const [shown, setShown] = useState(PAGE);
  return (
    <>
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>Number</th>
              <th>Mother × father</th>
              <th>Where it is</th>
              <th>First fruit</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, shown).map((r) => (
              <tr key={r.id} className={grows(r) ? undefined : 'soft'}>
                <td style={{ whiteSpace: 'nowrap' }}>
                  <Link to={`/fruit-set/seedlings/${r.id}`}>{r.number}</Link> <b>{r.variety}</b>
                </td>
                <td>{parents({ ...r, tree: r.mother })}</td>
                <td>
                  {r.state === 'SELECTED' && <b>selected, </b>}
                  {where(r)}
                  {r.graftedOn && grows(r) && ', grafted'}
                  {r.endedOn && `, ${calendarDate(r.endedOn)}`}
                </td>
                <td>{firstFruit(r)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length > shown && (
        <Button variant="subtle" onClick={() => setShown((n) => n + PAGE)}>
          Show {Math.min(PAGE, rows.length - shown)} more of {rows.length}
        </Button>
      )}
    </>
  );
}

const CHOICES = [
  { value: 'here', label: 'still here' },
  { value: 'SELECTED', label: 'selected' },
  { value: 'named', label: 'named' },
  { value: 'gone', label: 'no longer here' },
  { value: 'all', label: 'all' },
];

function fits(row: Row, state: string, text: string): boolean {
  const of =
    state === 'all' ||
    (state === 'here' && grows(row)) ||
    (state === 'gone' && !grows(row)) ||
    (state === 'named' && row.variety !== undefined) ||
    (grows(row) && state === row.state);
  const said = [row.number, row.mother, row.father, row.variety, row.place, row.lot, STATES[row.state]];
  return of && said.some((s) => s?.toLowerCase().includes(text.trim().toLowerCase()));
}

/** Seedlings with numbers of their own. */
export function Seedlings() {
  const all = useQuery(queries.seedlings());
  const [{ state, text }, set] = useAddress(
    { state: 'here', text: '' },
    { state: CHOICES.map((c) => c.value) },
  );
  return (
    <>
      <FruitTabs />
      <Loaded of={all}>
        {(rows) => {
          const found = rows.filter((r) => fits(r, state, text));
          const here = rows.filter(grows).length;
          return (
            <>
              <h1>
                {rows.length === 0
                  ? 'No seedling has a number yet'
                  : `${plural(here, 'numbered seedling')} ${here === 1 ? 'grows' : 'grow'} here`}
              </h1>
              {rows.length === 0 ? (
                <Empty title="Numbers are given on the page of a seed lot">
                  Open a lot under <Link to="/fruit-set/seeds">Seeds and seedlings</Link> once its seedlings
                  are up, and give them numbers there.
                </Empty>
              ) : (
                <section className="card stack">
                  <div className="line noprint" style={{ alignItems: 'flex-end' }}>
                    <NativeSelect
                      label="Which"
                      data={CHOICES}
                      value={state}
                      onChange={(e) => set({ state: e.currentTarget.value })}
                    />
                    <TextInput
                      label="Number, parent or place"
                      value={text}
                      onChange={(e) => set({ text: e.currentTarget.value })}
                    />
                  </div>
                  {found.length === 0 ? (
                    <p className="soft">None is like that.</p>
                  ) : (
                    <Table key={state + text} rows={found} />
                  )}
                </section>
              )}
              {found.length > 0 && <SeedlingLabels of={found} />}
              {rows.length > 0 && <SaveCsv tables={['seedlings', 'seedling-steps', 'scores']} />}
            </>
          );
        }}
      </Loaded>
    </>
  );
}
