import { RecordForm } from '../form/RecordForm';
import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { inUnits, percent, type Units } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, LoadedAll, Problem } from '../ui/States';
import { calendarDay, plural, shortDay } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { CorrectEnd, EndFields } from './CorrectEnd';
import { ENDS, SHAPES } from './fruit-words';
import { FruitTabs } from './FruitTabs';
import classes from './FruitSet.module.css';

type One = Schemas['Fruit'];
type Source = Schemas['FruitSource'];
type End = Schemas['FruitEnd'];

const voidFruit = (fruit: One) =>
  voidRecord('/api/fruits/{id}/void', { id: fruit.id }, fruit.version, 'recorded by mistake');

/** Writes the next number on a fruit of these flowers. */
function NumberOne({ source, number }: { source: Source; number: number }) {
  const { now, session } = useHere();
  const [id, setId] = useState(newId);
  const body = {
    treeId: source.treeId,
    pollinationId: source.pollinationId,
    number,
    numberedAt: now.toISOString(),
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/fruits/{id}', { params: { path: { id } }, body })),
    [],
    (saved) => {
      doneWithUndo(`${saved.tree}: write ${saved.number} on the fruit.`, () => voidFruit(saved));
      setId(newId());
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/fruits/${id}`,
        body,
        label: `${source.tree}: fruit number ${number}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${source.tree}: number ${number}.`);
        setId(newId());
      },
    },
  );
  return (
    <>
      <Button variant="outline" size="sm" loading={form.busy} onClick={() => form.submit(undefined)}>
        Write {number} on one
      </Button>
      {form.general && <span className="warn small">{form.general}</span>}
    </>
  );
}

function SourceRow({ of, number }: { of: Source; number: number }) {
  return (
    <li className={classes.row} data-source={of.tree}>
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <span>
          <b>{of.tree}</b>: {of.from}
          <span className="small soft"> · {plural(of.unnumbered, 'fruit')} without a number</span>
        </span>
        <NumberOne source={of} number={number} />
      </div>
      <span className="small soft">
        {of.numberFrom &&
          `${of.numberNow ? 'large enough since' : 'large enough about'} ${calendarDay(of.numberFrom)}`}
        {of.ripeFrom && `, may be ripe from ${calendarDay(of.ripeFrom)}`}
      </span>
    </li>
  );
}

function Sources({ of }: { of: Schemas['Fruits'] }) {
  const open = of.sources.filter((s) => s.unnumbered > 0);
  if (open.length === 0) return null;
  const now = open.filter((s) => s.numberNow);
  const later = open.filter((s) => !s.numberNow);
  return (
    <section className="card noprint">
      <h2>{now.length > 0 ? 'Numbers to write now' : 'Numbers to write later'}</h2>
      <p className="small soft">
        At about three quarters of its size a fruit can carry a number in felt pen. Labels get lost and fruit
        falls; what is written on the fruit stays with it.
      </p>
      <ul className={classes.list}>
        {[...now, ...later].map((s) => (
          <SourceRow key={s.pollinationId} of={s} number={of.nextNumber} />
        ))}
      </ul>
    </section>
  );
}

/** Says how a fruit ended: a numbered one, one of known flowers, or one found under a tree. */
function EndForm({ of, trees }: { of: Schemas['Fruits']; trees: Schemas['TreeView'][] }) {
  const { now, session } = useHere();
  const [id, setId] = useState(newId);
  const [kind, setKind] = useState<End['kind']>('HARVESTED');
  const [which, setWhich] = useState('');
  const [treeId, setTreeId] = useState(trees[0]?.id ?? '');
  const [pollinationId, setPollinationId] = useState('');
  const [end, setEnd] = useState<Partial<End>>({});
  const hanging = of.fruits.filter((f) => !f.end && f.number !== undefined);
  const numbered = hanging.find((f) => f.id === which);
  const candidates = useQuery({
    ...queries.fallen(treeId, end.sepalsMissing),
    enabled: !numbered && treeId !== '',
  });
  const full = { ...end, kind, at: now.toISOString() };
  const source = pollinationId ? { pollinationId } : {};
  const again = () => {
    setId(newId());
    setWhich('');
    setPollinationId('');
    setEnd({});
  };
  const name = numbered ? `fruit ${numbered.number}` : (trees.find((t) => t.id === treeId)?.name ?? 'fruit');
  const form = useSubmit(
    (_: undefined, confirmed: string[]) =>
      numbered
        ? answer(
            api.PUT('/api/fruits/{id}/end', {
              params: { path: { id: numbered.id } },
              body: { end: full, confirmed },
            }),
          )
        : answer(
            api.PUT('/api/fruits/{id}', {
              params: { path: { id } },
              body: { treeId, ...source, end: full, confirmed },
            }),
          ),
    ['end.weightG', 'end.lengthMm', 'end.widthMm', 'end.seeds', 'end.emptySeeds', 'end.kind'],
    (saved) => {
      doneWithUndo(`${saved.tree}: ${ENDS[kind]}.`, () => voidFruit(saved));
      again();
    },
    {
      write: () => ({
        method: 'PUT',
        path: numbered ? `/api/fruits/${numbered.id}/end` : `/api/fruits/${id}`,
        body: numbered
          ? { end: full, confirmed: ['more-seeds-than-ovules'] }
          : { treeId, ...source, end: full, confirmed: ['more-seeds-than-ovules'] },
        label: `${name}: ${ENDS[kind]}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${name}: ${ENDS[kind]}.`);
        again();
      },
    },
  );
  return (
    <RecordForm
      form={form}
      save="Save the fruit"
      disabled={!numbered && !treeId}
      className={`card form noprint ${classes.wide}`}
    >
      <h2>A fruit is down</h2>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <SegmentedControl
          aria-label="What became of it"
          data={[
            { value: 'HARVESTED', label: 'Harvested' },
            { value: 'FALLEN', label: 'Found fallen' },
            { value: 'TAKEN_OFF', label: 'Thinned' },
          ]}
          value={kind}
          onChange={(v) => setKind(v)}
        />
        <NativeSelect
          label="Number on it"
          data={[
            { value: '', label: 'none' },
            ...hanging.map((f) => ({ value: f.id, label: `${f.number} · ${f.tree}` })),
          ]}
          value={which}
          onChange={(e) => setWhich(e.currentTarget.value)}
        />
        {!numbered && (
          <NativeSelect
            label="Tree"
            data={trees.map((t) => ({ value: t.id, label: t.name }))}
            value={treeId}
            onChange={(e) => {
              setTreeId(e.currentTarget.value);
              setPollinationId('');
            }}
          />
        )}
      </div>
      {numbered ? (
        <p className="soft">
          Number {numbered.number}: {numbered.from}.
        </p>
      ) : (
        <NativeSelect
          label="Which flowers was it from?"
          description={
            candidates.data && candidates.data.length > 0
              ? 'Every fruit that still hangs there is as likely as another; “sepals” below narrows it down.'
              : 'No flowers of this tree are known to hold fruit without a number.'
          }
          data={[
            { value: '', label: 'nobody knows' },
            ...(candidates.data ?? []).map((c) => ({
              value: c.pollinationId,
              label: `${c.from}: ${percent(c.share)}`,
            })),
          ]}
          value={pollinationId}
          onChange={(e) => setPollinationId(e.currentTarget.value)}
        />
      )}
      <EndFields end={end} change={(part) => setEnd((e) => ({ ...e, ...part }))} errorFor={form.errorFor} />
      <Problem>{form.errorFor('end.kind', 'What became of it')}</Problem>
    </RecordForm>
  );
}

function endWords(end: End, zone: string, units: Units): string {
  const parts = [`${ENDS[end.kind]} ${shortDay(new Date(end.at), zone)}`];
  if (end.weightG !== undefined) parts.push(inUnits('weight', end.weightG, units));
  if (end.seeds !== undefined)
    parts.push(
      `${plural(end.seeds, 'seed')}${end.emptySeeds !== undefined ? `, ${end.emptySeeds} empty` : ''}`,
    );
  if (end.shape && end.shape !== 'WHOLE') parts.push(SHAPES.find((s) => s.value === end.shape)!.label);
  if (end.sepalsMissing) parts.push('sepals missing');
  if (end.taste !== undefined) parts.push(`taste ${end.taste} of 5`);
  if (end.note) parts.push(end.note);
  return parts.join(' · ');
}

/** The list of numbers, to be printed and carried. */
function Numbers({ of }: { of: Schemas['Fruits'] }) {
  const { zone, orchard } = useHere();
  const [correcting, setCorrecting] = useState<One>();
  if (of.fruits.length === 0) return null;
  return (
    <section className="card">
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <h2>Fruit of {of.year}</h2>
        <Button className="noprint" variant="outline" onClick={() => window.print()}>
          Print the list
        </Button>
      </div>
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th className="num">Number</th>
              <th>Tree</th>
              <th>From</th>
              <th>What became of it</th>
              <th className="noprint" />
            </tr>
          </thead>
          <tbody>
            {of.fruits.map((f) => (
              <tr key={f.id} data-fruit={f.number ?? ''}>
                <td className="num">
                  <b className="figure">{f.number ?? '–'}</b>
                  {f.year !== of.year && <span className="small soft"> of {f.year}</span>}
                </td>
                <td>{f.tree}</td>
                <td>{f.from}</td>
                <td className="small">
                  {f.end
                    ? endWords(f.end, zone, orchard.units)
                    : `hangs; numbered ${shortDay(new Date(f.numberedAt!), zone)}`}
                </td>
                <td className="num noprint">
                  {f.end && (
                    <Button
                      size="compact-sm"
                      variant="subtle"
                      aria-label={`Change fruit ${f.number ?? `of ${f.tree}`}`}
                      onClick={() => setCorrecting(f)}
                    >
                      {f.end.seeds === undefined ? 'Count seeds' : 'Change'}
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {correcting?.end && (
        <CorrectEnd fruit={{ ...correcting, end: correcting.end }} close={() => setCorrecting(undefined)} />
      )}
    </section>
  );
}

/** Single fruits: numbered, harvested, found fallen. */
export function Fruit() {
  const fruits = useQuery(queries.fruits());
  const trees = useQuery(queries.trees());
  return (
    <>
      <FruitTabs />
      <LoadedAll of={[trees, fruits]}>
        {(t, f) => {
          const hanging = f.sources.reduce((n, s) => n + s.hanging, 0);
          const picked = f.fruits.filter((x) => x.end?.kind === 'HARVESTED').length;
          return (
            <>
              <h1>
                {hanging === 0 && picked === 0
                  ? 'No fruit is known to hang yet.'
                  : `${plural(hanging, 'fruit')} ${hanging === 1 ? 'hangs' : 'hang'} by the latest checks${picked > 0 ? `, ${picked} harvested` : ''}.`}
              </h1>
              {t.length === 0 && <Empty title="No trees yet">Fruit needs a tree first.</Empty>}
              <Sources of={f} />
              {t.length > 0 && <EndForm of={f} trees={t} />}
              <Numbers of={f} />
              {f.fruits.length > 0 && <SaveCsv tables={['fruits']} />}
            </>
          );
        }}
      </LoadedAll>
    </>
  );
}
