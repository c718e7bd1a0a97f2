import { Button, Checkbox, MultiSelect, NumberInput, Select } from '@mantine/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { useSubmit } from '../form/use-submit';
import { calendarDay, plural } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { Empty, Loaded } from '../ui/States';
import { doneWithUndo } from '../ui/undo';
import { useAddress } from '../ui/use-address';
import { Verdict } from '../ui/Verdict';
import { Why } from '../ui/Why';
import { MatesTabs } from './MatesTabs';

type Row = Schemas['CrossOfTable'];
type Group = Schemas['MatesGroup'];

const keyOf = (r: Pick<Row, 'motherId' | 'fatherId'>) => `${r.motherId} ${r.fatherId}`;

/** How the pollen gets there. */
function pollenWords(r: Row): string {
  switch (r.kind) {
    case 'FRESH':
      return `fresh, ${calendarDay(r.freshFrom!)} to ${calendarDay(r.freshUntil!)}`;
    case 'KEEP':
      return r.doses === undefined ? 'no storage carries it' : `stored ${plural(r.keepDays, 'day')}`;
    case 'LAST_YEARS':
      return r.doses === undefined
        ? 'no storage carries it'
        : `of this year for the next, ${plural(r.keepDays, 'day')}`;
    case 'NEVER':
      return 'never: no such flowers';
    default:
      return 'bloom not known';
  }
}

/** Crosses whose steps are due come before new ones. */
function DueFirst() {
  const { now } = useHere();
  const { data } = useQuery(queries.controlledCrosses());
  const due =
    data?.controlledCrosses.filter((c) => c.begun && !c.over && c.due.some((d) => new Date(d.from) <= now))
      .length ?? 0;
  if (due === 0) return null;
  return (
    <p className="note">
      <b>{plural(due, 'cross', 'crosses')}</b> that you began {due === 1 ? 'has a step' : 'have steps'} due:{' '}
      <Link to="/round/crosses">do these first</Link>.
    </p>
  );
}

function CrossRow({ row, turn }: { row: Row; turn: () => void }) {
  return (
    <tr className={row.possible ? undefined : 'soft'}>
      <td>
        <Checkbox
          aria-label={`${row.father} on ${row.mother}`}
          checked={row.meant}
          disabled={!row.possible}
          onChange={turn}
        />
      </td>
      <td>
        <b>{row.mother}</b> <span className="small soft">{plural(row.trees, 'tree')}</span>
      </td>
      <td>{row.father}</td>
      <td>
        <Why label={`${row.father} on ${row.mother}`} because={<p>{row.why}</p>}>
          <Verdict of={row.verdict} />
        </Why>
      </td>
      <td>
        {row.motherFrom ? `${calendarDay(row.motherFrom)} to ${calendarDay(row.motherUntil!)}` : 'not known'}
      </td>
      <td>{pollenWords(row)}</td>
      <td className="num">{row.doses ?? '–'}</td>
      <td>
        {row.wanted !== undefined ? `wanted, ${plural(row.wanted, 'flower')}` : row.trees === 0 && 'no tree'}
      </td>
    </tr>
  );
}

function Fathers({ of }: { of: Schemas['ManyCrosses'] }) {
  return (
    <div className="scroll">
      <table className="plain">
        <thead>
          <tr>
            <th>Father</th>
            <th className="num">Crosses</th>
            <th className="num">Flowers</th>
            <th className="num">Doses they take</th>
            <th className="num">Good doses on the shelf</th>
            <th className="num">Male flowers to collect in all</th>
          </tr>
        </thead>
        <tbody>
          {of.fathers.map((f) => (
            <tr key={f.fatherId}>
              <td>
                <b>{f.father}</b>
              </td>
              <td className="num">{f.crosses}</td>
              <td className="num">{f.flowers}</td>
              <td className="num">{f.doses}</td>
              <td className="num">{f.stored}</td>
              <td className="num">{f.maleFlowers}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Table({ request }: { request: Schemas['ManyCrossesRequest'] }) {
  const [turned, setTurned] = useState<Record<string, boolean>>({});
  const those = (on: boolean) =>
    Object.keys(turned)
      .filter((k) => turned[k] === on)
      .map((k) => {
        const [motherId, fatherId] = k.split(' ');
        return { motherId: motherId!, fatherId: fatherId! };
      });
  const body = { ...request, leftOut: those(false), also: those(true) };
  const table = useQuery({ ...queries.manyCrosses(body), placeholderData: keepPreviousData });
  const ask = useSubmit(
    (crosses: Schemas['WantedCrossOfMany'][]) =>
      answer(api.POST('/api/cross-requests', { body: { crosses } })),
    [],
    (_, crosses) =>
      doneWithUndo(`${plural(crosses.length, 'cross is', 'crosses are')} wanted; the plan does them.`, () =>
        answer(
          api.POST('/api/cross-requests/void', {
            body: { ids: crosses.map((c) => c.id), reason: 'undone right after saving' },
          }),
        ),
      ),
  );
  return (
    <Loaded of={table}>
      {(t) => (
        <>
          <section className="card stack">
            <h2>
              {plural(request.mothers.length, 'mother')} × {plural(request.fathers.length, 'father')}: {t.fit}{' '}
              of {t.pairs} fit
            </h2>
            {t.meant > 0 && <Fathers of={t} />}
            <div className="line">
              <Button
                disabled={t.meant === 0}
                loading={ask.busy}
                onClick={() =>
                  ask.submit(
                    t.rows
                      .filter((r) => r.meant)
                      .map((r) => ({
                        id: newId(),
                        motherId: r.motherId,
                        fatherId: r.fatherId,
                        flowers: request.flowers,
                      })),
                  )
                }
              >
                {t.meant === 0 ? 'Nothing to begin' : `Begin ${plural(t.meant, 'cross', 'crosses')}`}
              </Button>
              <span className="small soft">
                {t.meant === 0 &&
                  t.rows.some((r) => r.possible) &&
                  'None is sure to meet; tick those you mean. '}
                They stand under <Link to="/mates/wanted">crosses wanted</Link>, and visits do them as flowers
                and pollen meet.
              </span>
            </div>
            {ask.general && (
              <p className="warn" role="alert">
                {ask.general}
              </p>
            )}
          </section>
          {t.rows.length > 0 && (
            <section className="card">
              <div className="scroll">
                <table className="plain">
                  <thead>
                    <tr>
                      <th />
                      <th>Mother</th>
                      <th>Father</th>
                      <th>Fits</th>
                      <th>Mother in bloom</th>
                      <th>Pollen</th>
                      <th className="num">Doses</th>
                      <th />
                    </tr>
                  </thead>
                  <tbody>
                    {t.rows.map((r) => (
                      <CrossRow
                        key={keyOf(r)}
                        row={r}
                        turn={() => setTurned((all) => ({ ...all, [keyOf(r)]: !r.meant }))}
                      />
                    ))}
                  </tbody>
                </table>
              </div>
            </section>
          )}
        </>
      )}
    </Loaded>
  );
}

const options = (parties: Schemas['MatesParty'][]) =>
  parties.map((p) => ({ value: p.varietyId, label: p.name }));

function Choice({ groups }: { groups: Group[] }) {
  const [{ crop, mothers, fathers, flowers }, choose] = useAddress({
    crop: groups[0]!.name,
    mothers: '',
    fathers: '',
    flowers: '20',
  });
  const group = groups.find((g) => g.name === crop) ?? groups[0]!;
  const withTrees = group.mothers.filter((m) => m.trees > 0).map((m) => m.varietyId);
  const chosen = (ids: string, parties: Schemas['MatesParty'][]) =>
    ids.split(',').filter((id) => parties.some((p) => p.varietyId === id));
  const chosenMothers = mothers === '' ? withTrees : chosen(mothers, group.mothers);
  const chosenFathers = chosen(fathers, group.fathers);
  const each = Number(flowers);
  return (
    <>
      <section className="card form" style={{ maxWidth: 'none' }}>
        <div className="two">
          {groups.length > 1 && (
            <Select
              label="Crop"
              data={groups.map((g) => g.name)}
              value={group.name}
              onChange={(c) => c && choose({ crop: c, mothers: '', fathers: '' })}
              allowDeselect={false}
            />
          )}
          <NumberInput
            label="Flowers of each cross"
            min={1}
            max={20000}
            value={each}
            onChange={(n) => choose({ flowers: String(n || 1) })}
          />
          <MultiSelect
            label="Mothers"
            description={mothers === '' ? 'all that have a tree' : undefined}
            data={options(group.mothers)}
            value={chosenMothers}
            onChange={(ids) => choose({ mothers: ids.join(',') })}
            searchable
            clearable
            limit={60}
          />
          <MultiSelect
            label="Fathers"
            description={chosenFathers.length === 0 ? 'whose pollen: choose one or several' : undefined}
            data={options(group.fathers)}
            value={chosenFathers}
            onChange={(ids) => choose({ fathers: ids.join(',') })}
            searchable
            clearable
            limit={60}
          />
        </div>
      </section>
      {chosenMothers.length > 0 && chosenFathers.length > 0 && each >= 1 ? (
        <Table
          key={`${chosenMothers.join()} ${chosenFathers.join()}`}
          request={{ mothers: chosenMothers, fathers: chosenFathers, flowers: each }}
        />
      ) : (
        <Empty title="Choose a father">
          The table then says which mothers his pollen fits, when each is in bloom, whether fresh pollen will
          do, and how many male flowers all of it takes.
        </Empty>
      )}
    </>
  );
}

/** Mothers against fathers: all crosses of a season planned at once. */
export function ManyCrosses() {
  const mates = useQuery(queries.mates());
  return (
    <>
      <MatesTabs />
      <h1>Many crosses at once</h1>
      <DueFirst />
      <Loaded of={mates}>
        {(m) =>
          m.groups.length === 0 ? (
            <Empty title="No variety yet">Add varieties under Orchard; then this shows who fits whom.</Empty>
          ) : (
            <Choice groups={m.groups} />
          )
        }
      </Loaded>
    </>
  );
}
