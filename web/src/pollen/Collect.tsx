import { Button, NumberInput, Radio, Select, Stack, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { pollenWords } from '../bloom/bloom-words';
import { answer, api, type Schemas } from '../kit/api';
import { Counter } from '../kit/Counter';
import { newId } from '../kit/ids';
import { basisWord, flowers } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Question } from '../kit/Question';
import { Empty, Loaded } from '../kit/States';
import { plural, span } from '../kit/time';
import { TimeField } from '../kit/TimeField';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import classes from './Collect.module.css';
import { Gather } from './Gather';
import { STORAGE, WAYS } from './lot-words';
import type { Asked } from './collect-asked';
import { PollenTabs } from './PollenTabs';
import { dosesOf } from './doses';
import { voidLot } from './void-lot';

type Storage = Schemas['LotRequest']['storage'];
type Way = NonNullable<Schemas['LotRequest']['way']>;

/** The variety with most flowers giving pollen now. */
function mostGiving(bloom: Schemas['Bloom']): string | undefined {
  const totals = new Map<string, number>();
  for (const t of bloom.trees)
    totals.set(t.varietyId, (totals.get(t.varietyId) ?? 0) + (t.shedding.mean[0] ?? 0));
  return [...totals].sort((a, b) => b[1] - a[1])[0]?.[0];
}

function CollectForm({ bloom, crops }: { bloom: Schemas['Bloom']; crops: Schemas['CropSheetView'][] }) {
  const { now, zone } = useHere();
  const navigate = useNavigate();
  const asked = useLocation().state as Asked | null;
  const [id] = useState(newId);
  const [variety, setVariety] = useState(() =>
    bloom.trees.some((t) => t.varietyId === asked?.varietyId) ? asked!.varietyId : mostGiving(bloom)!,
  );
  const [taken, setTaken] = useState<Record<string, number>>({});
  const [ownTime, setOwnTime] = useState<Date>();
  const [storage, setStorage] = useState<Storage>('ROOM');
  const [chosenWay, setWay] = useState<Way>();
  const [doses, setDoses] = useState<number | string>('');
  const [note, setNote] = useState('');
  const trees = bloom.trees.filter((t) => t.varietyId === variety);
  const sheet = crops.find((c) => c.key === trees[0]?.crop);
  const way = chosenWay && sheet?.collect.includes(chosenWay) ? chosenWay : sheet?.collect[0];
  const { data: varietiesKnown = [] } = useQuery(queries.varieties());
  const small = varietiesKnown.find((v) => v.id === variety)?.breeding.smallFlowered ?? false;
  const sources = trees
    .map((t) => ({ treeId: t.treeId, flowers: taken[t.treeId] ?? 0 }))
    .filter((s) => s.flowers > 0);
  const picked = sources.reduce((n, s) => n + s.flowers, 0);
  // The yield of the gathering plan, which knows of small flowers.
  const { data: plan } = useQuery(queries.gathering(variety, 20));
  const each = plan?.dosesPerFlower ?? sheet?.dosesPerFlower.value ?? 0;
  const expected = dosesOf(picked, each);
  const at = ownTime ?? now;
  const form = useSubmit(
    (_: void, confirmed) =>
      answer(
        api.PUT('/api/lots/{id}', {
          params: { path: { id } },
          body: {
            sources,
            collectedAt: at.toISOString(),
            storage,
            confirmed,
            ...(way && { way }),
            ...(doses !== '' && { doses: Number(doses) }),
            ...(note && { note }),
          },
        }),
      ),
    ['sources', 'collectedAt', 'storage', 'way', 'doses', 'note'],
    (lot) => {
      doneWithUndo(`${lot.code}: ${plural(lot.dosesLeft, 'dose')} on the shelf.`, () =>
        voidLot(lot, 'undone right after saving'),
      );
      void navigate(asked?.back ?? '/pollen');
    },
  );
  const varieties = [...new Map(bloom.trees.map((t) => [t.varietyId, t.varietyName]))];
  return (
    <div className={classes.collect}>
      <form
        className="card stack"
        onSubmit={(e) => {
          e.preventDefault();
          form.submit();
        }}
      >
        <Select
          label="Pollen parent: one jar, one variety"
          data={varieties.map(([value, label]) => ({ value, label }))}
          value={variety}
          onChange={(v) => setVariety(v!)}
          allowDeselect={false}
          maw={340}
        />
        {sheet && sheet.collect.length > 1 && (
          <Select
            label="How"
            data={sheet.collect.map((value) => ({ value, label: WAYS[value] }))}
            value={way ?? null}
            onChange={(v) => setWay(v as Way)}
            allowDeselect={false}
            maw={340}
            error={form.errorFor('way', 'How')}
          />
        )}
        <div>
          <b>Flowers collected from each tree</b>
          {asked?.varietyId === variety && (
            <p className="small">
              The visit asks for {plural(asked.flowers, 'male flower')}; write down what was really taken.
            </p>
          )}
          {trees.map((t) => (
            <div
              key={t.treeId}
              className="line"
              style={{
                borderTop: '1px solid var(--hair)',
                padding: '8px 0',
                justifyContent: 'space-between',
              }}
            >
              <span>
                <b>{t.treeName}</b>
                <br />
                <span className="small soft">
                  {t.reading
                    ? `${flowers(t.shedding.mean[0] ?? 0)} shedding now; ${pollenWords(t, now, zone)}`
                    : 'not read yet'}
                </span>
              </span>
              <Counter
                label={`flowers of ${t.treeName}`}
                heading="flowers"
                value={taken[t.treeId] ?? 0}
                onChange={(n) => setTaken((all) => ({ ...all, [t.treeId]: n }))}
              />
            </div>
          ))}
          {form.errorFor('sources', 'Flowers') && (
            <p className="warn">{form.errorFor('sources', 'Flowers')}</p>
          )}
        </div>
        <div className="form">
          <NumberInput
            label="Doses"
            description={
              sheet &&
              `Left empty: about ${Number(each.toFixed(2))} from a ${small ? 'small ' : ''}flower${picked > 0 ? `, so ${plural(expected, 'dose')}` : ''} (${basisWord(sheet.dosesPerFlower.basis)})`
            }
            placeholder={picked > 0 ? String(expected) : ''}
            min={1}
            value={doses}
            onChange={setDoses}
            error={form.errorFor('doses', 'Doses')}
          />
          <TimeField
            label="Collected"
            value={at}
            onChange={setOwnTime}
            error={form.errorFor('collectedAt', 'Time')}
          />
        </div>
        <Radio.Group
          label="Kept"
          value={storage}
          onChange={(v) => setStorage(v)}
          error={form.errorFor('storage', 'Storage')}
        >
          <Stack gap={8} mt={4}>
            {sheet?.keeping.map((k) => (
              <Radio
                key={k.storage}
                value={k.storage}
                label={`${STORAGE[k.storage]}: halves every ${span(k.halfLifeHours.value)}${k.spoilsAfterHours ? `, mould likely after ${span(k.spoilsAfterHours.value)}` : ''}`}
              />
            ))}
          </Stack>
        </Radio.Group>
        <TextInput
          label="Note"
          value={note}
          onChange={(e) => setNote(e.currentTarget.value)}
          error={form.errorFor('note', 'Note')}
        />
        {form.general && (
          <p className="note bad" role="alert">
            {form.general}
          </p>
        )}
        <div className="line">
          <Button type="submit" size="lg" loading={form.busy}>
            Put on the shelf
          </Button>
          <span className="small soft">
            Desiccant out of reach of children; a mask against dust and mould.
          </span>
        </div>
        <Question question={form.question} />
      </form>
      <Gather
        key={variety}
        variety={variety}
        balloons={way === 'BALLOON'}
        asked={asked?.varietyId === variety ? asked.doses : 20}
      />
    </div>
  );
}

export function Collect() {
  const bloom = useQuery(queries.bloom(24));
  const crops = useQuery(queries.crops());
  return (
    <Loaded of={bloom}>
      {(b) => (
        <Loaded of={crops}>
          {(c) => (
            <>
              <PollenTabs />
              <h1>Collect pollen: from flowers that shed, powder not crumbs, one variety to a jar</h1>
              {b.trees.length === 0 ? (
                <Empty title="No trees yet">Add varieties and trees under Orchard first.</Empty>
              ) : (
                <CollectForm bloom={b} crops={c} />
              )}
            </>
          )}
        </Loaded>
      )}
    </Loaded>
  );
}
