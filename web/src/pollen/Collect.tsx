import { RecordForm } from '../form/RecordForm';
import { NumberField, TextField } from '../form/fields';
import { Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { pollenWords } from '../bloom/bloom-words';
import { answer, api, type Schemas } from '../api/api';
import { Counter } from '../form/Counter';
import { newId } from '../api/ids';
import { basisWord, flowers, rounded } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Empty, LoadedAll } from '../ui/States';
import { TimeField } from '../form/TimeField';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import classes from './Collect.module.css';
import { Gather } from './Gather';
import { methodWords } from './lot-words';
import { StorageField, type Storage } from './StorageField';
import type { Asked } from './collect-asked';
import { PollenTabs } from './PollenTabs';
import { dosesOf } from './doses';
import { voidLot } from './void-lot';
import { t } from '../text/text';

type Method = NonNullable<Schemas['LotRequest']['method']>;

/** The variety with most flowers giving pollen now. */
function mostGiving(bloom: Schemas['Bloom']): string | undefined {
  const totals = new Map<string, number>();
  for (const t of bloom.trees)
    totals.set(t.varietyId, (totals.get(t.varietyId) ?? 0) + (t.shedding.mean[0] ?? 0));
  return [...totals].sort((a, b) => b[1] - a[1])[0]?.[0];
}

interface SourceProps {
  from: Schemas['Bloom']['trees'][number];
  taken: number;
  take: (flowers: number) => void;
}

function SourceRow({ from, taken, take }: SourceProps) {
  const { now, zone } = useHere();
  return (
    <div
      className="line"
      style={{
        borderTop: '1px solid var(--hair)',
        padding: '8px 0',
        justifyContent: 'space-between',
      }}
    >
      <span>
        <b>{from.treeName}</b>
        <br />
        <span className="small soft">
          {from.reading
            ? t('collect.shedding-now', {
                n: flowers(from.shedding.mean[0] ?? 0),
                when: pollenWords(from, now, zone),
              })
            : t('bloom.not-read')}
        </span>
      </span>
      <Counter
        label={t('walk.flowers-of', { tree: from.treeName })}
        heading={t('collect.flowers')}
        value={taken}
        onChange={take}
      />
    </div>
  );
}

function CollectForm({ bloom, crops }: { bloom: Schemas['Bloom']; crops: Schemas['CropSheetView'][] }) {
  const { now } = useHere();
  const navigate = useNavigate();
  const asked = useLocation().state as Asked | null;
  const [id] = useState(newId);
  const [variety, setVariety] = useState(() =>
    bloom.trees.some((t) => t.varietyId === asked?.varietyId) ? asked!.varietyId : mostGiving(bloom)!,
  );
  const [taken, setTaken] = useState<Record<string, number>>({});
  const [ownTime, setOwnTime] = useState<Date>();
  const [storage, setStorage] = useState<Storage>('ROOM');
  const [chosenMethod, setMethod] = useState<Method>();
  const [doses, setDoses] = useState<number | string>('');
  const [note, setNote] = useState('');
  const trees = bloom.trees.filter((t) => t.varietyId === variety);
  const sheet = crops.find((c) => c.key === trees[0]?.crop);
  const method = chosenMethod && sheet?.collect.includes(chosenMethod) ? chosenMethod : sheet?.collect[0];
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
            ...(method && { method }),
            ...(doses !== '' && { doses: Number(doses) }),
            ...(note && { note }),
          },
        }),
      ),
    ['sources', 'collectedAt', 'storage', 'method', 'doses', 'note'],
    (lot) => {
      doneWithUndo(t('collect.on-shelf', { code: lot.code, n: lot.dosesLeft }), () =>
        voidLot(lot, 'undone right after saving'),
      );
      void navigate(asked?.back ?? '/pollen');
    },
  );
  const varieties = [...new Map(bloom.trees.map((t) => [t.varietyId, t.varietyName]))];
  return (
    <div className={classes.collect}>
      <RecordForm
        form={form}
        save={t('collect.put')}
        size="lg"
        className="card stack"
        beside={<span className="small soft">{t('collect.caution')}</span>}
      >
        <Select
          label={t('collect.father')}
          data={varieties.map(([value, label]) => ({ value, label }))}
          value={variety}
          onChange={(v) => setVariety(v!)}
          allowDeselect={false}
          maw={340}
        />
        {sheet && sheet.collect.length > 1 && (
          <Select
            label={t('collect.how')}
            data={sheet.collect.map((value) => ({ value, label: methodWords(value) }))}
            value={method ?? null}
            onChange={(v) => setMethod(v as Method)}
            allowDeselect={false}
            maw={340}
            error={form.errorFor('method', t('collect.how'))}
          />
        )}
        <div>
          <b>{t('collect.from-each')}</b>
          {asked?.varietyId === variety && (
            <p className="small">{t('collect.asked', { n: asked.flowers })}</p>
          )}
          {trees.map((from) => (
            <SourceRow
              key={from.treeId}
              from={from}
              taken={taken[from.treeId] ?? 0}
              take={(n) => setTaken((all) => ({ ...all, [from.treeId]: n }))}
            />
          ))}
          {form.errorFor('sources', t('field.flowers')) && (
            <p className="warn">{form.errorFor('sources', t('field.flowers'))}</p>
          )}
        </div>
        <div className="form">
          <NumberField
            name="doses"
            label={t('field.doses')}
            description={
              sheet &&
              t('collect.left-empty', {
                each: rounded(each),
                small: small ? 'yes' : 'no',
                expected: picked > 0 ? expected : 0,
                basis: basisWord(sheet.dosesPerFlower.basis),
              })
            }
            placeholder={picked > 0 ? String(expected) : ''}
            min={1}
            value={doses}
            set={setDoses}
          />
          <TimeField
            label={t('collect.when')}
            value={at}
            onChange={setOwnTime}
            error={form.errorFor('collectedAt', t('field.time'))}
          />
        </div>
        {sheet && (
          <StorageField
            sheet={sheet}
            value={storage}
            onChange={setStorage}
            error={form.errorFor('storage', t('collect.kept'))}
          />
        )}
        <TextField
          name="note"
          label={t('field.note-label')}
          value={note}
          set={setNote}
          named={t('field.note')}
        />
      </RecordForm>
      <Gather
        key={variety}
        variety={variety}
        balloons={method === 'BALLOON'}
        asked={asked?.varietyId === variety ? asked.doses : 20}
      />
    </div>
  );
}

export function Collect() {
  const bloom = useQuery(queries.bloom(24));
  const crops = useQuery(queries.crops());
  return (
    <LoadedAll of={[bloom, crops]}>
      {(b, c) => (
        <>
          <PollenTabs />
          <h1>{t('collect.title')}</h1>
          {b.trees.length === 0 ? (
            <Empty title={t('collect.no-trees')}>{t('collect.add-first')}</Empty>
          ) : (
            <CollectForm bloom={b} crops={c} />
          )}
        </>
      )}
    </LoadedAll>
  );
}
