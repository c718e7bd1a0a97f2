import { RecordForm } from '../form/RecordForm';
import { Autocomplete, NativeSelect, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { Counter } from '../form/Counter';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, LoadedAll, Problem } from '../ui/States';
import { dayAndClock, plural } from '../format/time';
import { TimeField } from '../form/TimeField';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { FruitTabs } from './FruitTabs';
import classes from './FruitSet.module.css';

type Limb = Schemas['Limb'];

const voidCount = (count: Schemas['LimbCount']) =>
  voidRecord('/api/limb-counts/{id}/void', { id: count.id }, count.version, 'recorded by mistake');

function CountForm({ trees, limbs }: { trees: Schemas['TreeView'][]; limbs: Limb[] }) {
  const { now, session } = useHere();
  const [id, setId] = useState(newId);
  const [treeId, setTreeId] = useState(limbs[0]?.treeId ?? trees[0]?.id ?? '');
  const [limb, setLimb] = useState('');
  const [fruits, setFruits] = useState(0);
  const [takenOff, setTakenOff] = useState(0);
  const [ownTime, setOwnTime] = useState<Date>();
  const [note, setNote] = useState('');
  const ofTree = limbs.filter((l) => l.treeId === treeId);
  const before = ofTree.find((l) => l.limb.toLowerCase() === limb.trim().toLowerCase());
  const body = {
    treeId,
    limb,
    countedAt: (ownTime ?? now).toISOString(),
    fruits,
    takenOff,
    ...(note && { note }),
  };
  const name = trees.find((t) => t.id === treeId)?.name ?? '';
  const again = () => {
    setId(newId());
    setLimb('');
    setFruits(0);
    setTakenOff(0);
    setNote('');
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/limb-counts/{id}', { params: { path: { id } }, body })),
    ['treeId', 'limb', 'countedAt', 'fruits', 'takenOff', 'note'],
    (saved) => {
      const written = saved.counts.find((c) => c.id === id)!;
      doneWithUndo(`${saved.tree}, ${saved.limb}: ${written.say}`, () => voidCount(written));
      again();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/limb-counts/${id}`,
        body,
        label: `${name}, ${limb}: ${plural(fruits, 'fruit')}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${name}, ${limb}: ${plural(fruits, 'fruit')}.`);
        again();
      },
    },
  );
  return (
    <RecordForm
      form={form}
      save="Save the count"
      className={`card form ${classes.wide}`}
      disabled={!limb.trim() || !treeId}
    >
      <h2>Count a limb</h2>
      <div className="line" style={{ alignItems: 'flex-start' }}>
        <NativeSelect
          label="Tree"
          data={trees.map((t) => ({ value: t.id, label: t.name }))}
          value={treeId}
          onChange={(e) => setTreeId(e.currentTarget.value)}
          error={form.errorFor('treeId', 'Tree')}
        />
        <Autocomplete
          label="Limb"
          placeholder="such as “east limb”, or “whole tree”"
          data={ofTree.map((l) => l.limb)}
          value={limb}
          onChange={setLimb}
          error={form.errorFor('limb', 'Limb')}
          style={{ flex: 1, minWidth: 200 }}
        />
      </div>
      <div className={classes.counters}>
        <Counter label="fruits now" value={fruits} onChange={setFruits} most={1_000_000} />
        <Counter label="thinned, picked or fallen since" value={takenOff} onChange={setTakenOff} />
      </div>
      {before && (
        <p className="soft">
          Before: <b>{before.now}</b> on{' '}
          {dayAndClock(new Date(before.counts[0]!.countedAt), session.orchard.zone)}. The new count takes its
          place.
        </p>
      )}
      <Problem>
        {form.errorFor('fruits', 'Fruits') ?? form.errorFor('takenOff', 'Thinned, picked or fallen')}
      </Problem>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <TimeField
          label="When you counted"
          value={ownTime ?? now}
          onChange={setOwnTime}
          error={form.errorFor('countedAt', 'Time')}
        />
        <TextInput
          label="Note"
          value={note}
          onChange={(e) => setNote(e.currentTarget.value)}
          style={{ flex: 1, minWidth: 160 }}
        />
      </div>
    </RecordForm>
  );
}

function LimbCard({ limb }: { limb: Limb }) {
  const { zone } = useHere();
  return (
    <li className={classes.row} data-limb={limb.limb}>
      <div className="line" style={{ justifyContent: 'space-between', alignItems: 'baseline' }}>
        <span>
          <b>{limb.tree}</b>, {limb.limb}
        </span>
        <span>
          <span className={classes.tally}>{limb.now}</span> {limb.now === 1 ? 'fruit' : 'fruits'}
        </span>
      </div>
      <ol className="small soft" style={{ margin: '4px 0 0', paddingLeft: 0, listStyle: 'none' }}>
        {limb.counts.map((c) => (
          <li key={c.id}>
            {dayAndClock(new Date(c.countedAt), zone)}: {c.fruits}.{' '}
            <span className={c.kind === 'MORE_THAN_DONE' ? 'warn' : undefined}>{c.say}</span>
            {c.note && ` ${c.note}`}
          </li>
        ))}
      </ol>
    </li>
  );
}

/** Whole limbs counted, for who does not tag flowers. */
export function Limbs() {
  const limbs = useQuery(queries.limbs());
  const trees = useQuery(queries.standing());
  return (
    <>
      <FruitTabs />
      <LoadedAll of={[trees, limbs]}>
        {(t, l) => (
          <>
            <h1>
              {l.length === 0
                ? 'No tags? Count whole limbs.'
                : `${plural(
                    l.reduce((n, x) => n + x.now, 0),
                    'fruit',
                  )} on ${plural(l.length, 'limb')}, each counted once.`}
            </h1>
            <CountForm trees={t} limbs={l} />
            {l.length === 0 ? (
              <Empty title="No limb counted yet">
                Give a limb a name and count its fruit. The next count takes the place of the one before, and
                says what lies between them.
              </Empty>
            ) : (
              <section className="card">
                <h2>Limbs</h2>
                <ul className={classes.list}>
                  {l.map((x) => (
                    <LimbCard key={`${x.treeId} ${x.limb}`} limb={x} />
                  ))}
                </ul>
                <SaveCsv tables={['limb-counts']} />
              </section>
            )}
          </>
        )}
      </LoadedAll>
    </>
  );
}
