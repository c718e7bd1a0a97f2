import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import { Button, Modal, NativeSelect, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { TimeField } from '../form/TimeField';
import { said } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { inUseOrder, lotState } from '../pollen/lot-words';
import { MarkFields, useMarking } from '../walk/Marks';
import { voidPollination } from './DoneList';
import { count, t } from '../text/text';

type Treatment = NonNullable<Schemas['PollinationHow']['treatment']>;

const TREATMENTS: Treatment[] = ['HAND', 'NATURE', 'BAGGED'];

/** Anything that no visit planned: an impulse flower, one left to nature to be watched, another jar, or yesterday evening's. */
export function RecordPollination({ tree, close }: { tree?: string | undefined; close: () => void }) {
  const trees = useQuery(queries.standing());
  return (
    <Modal opened onClose={close} title={t('record.title')}>
      {trees.data && <Form trees={trees.data} tree={tree ?? trees.data[0]?.id ?? ''} close={close} />}
    </Modal>
  );
}

function Form({
  trees,
  tree: first,
  close,
}: {
  trees: Schemas['TreeView'][];
  tree: string;
  close: () => void;
}) {
  const { now, zone, session } = useHere();
  const { data: lots = [] } = useQuery(queries.lots());
  const { data: crops = [] } = useQuery(queries.crops());
  const [id] = useState(newId);
  const [treeId, setTree] = useState(first);
  const [treatment, setTreatment] = useState<Treatment>('HAND');
  const [lot, setLot] = useState<string>();
  const [flowers, setFlowers] = useState<number | string>('');
  const [at, setAt] = useState<Date>();
  const tree = trees.find((t) => t.id === treeId);
  const sheet = crops.find((c) => c.key === tree?.crop);
  const marking = useMarking(sheet);
  const jars = inUseOrder(lots).filter((l) => lotState(l) !== 'empty');
  const jar = lot ?? (sheet?.hand.flowerToFlower ? '' : (jars[0]?.id ?? ''));
  const body: Schemas['PollinationRequest'] = {
    treeId,
    ...(treatment === 'HAND' && jar && { lotId: jar }),
    flowers: Number(flowers),
    doneAt: (at ?? now).toISOString(),
    ...marking.body,
    how: { treatment },
  };
  const words = `${tree?.name ?? ''}: ${count('flower', Number(flowers))}`;
  const form = useSubmit(
    () => answer(api.PUT('/api/pollinations/{id}', { params: { path: { id } }, body })),
    ['treeId', 'lotId', 'flowers', 'doneAt', 'tag'],
    (saved) => {
      doneWithUndo(t('record.saved', { what: words, at: said(new Date(saved.doneAt), now, zone) }), () =>
        voidPollination(saved),
      );
      close();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/pollinations/${id}`,
        body: { ...body },
        label: words,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${words}.`);
        close();
      },
    },
  );
  return (
    <RecordForm form={form} save={t('record.write')} cancel={close} disabled={!(Number(flowers) > 0)}>
      <NativeSelect
        label={t('account.col-tree')}
        data={trees.map(({ id: value, name: label }) => ({ value, label }))}
        value={treeId}
        onChange={(e) => setTree(e.currentTarget.value)}
        error={form.errorFor('treeId', t('account.col-tree'))}
      />
      <SegmentedControl
        aria-label={t('record.what')}
        fullWidth
        value={treatment}
        onChange={(v) => setTreatment(v)}
        data={TREATMENTS.map((value) => ({ value, label: t(`treatment.${value}`) }))}
      />
      {treatment === 'HAND' && (
        <NativeSelect
          label={t('record.jar')}
          data={[
            ...(sheet?.hand.flowerToFlower ? [{ value: '', label: t('pollen.own') }] : []),
            ...jars.map((l) => ({
              value: l.id,
              label: `${l.code} ${l.varietyName}, ${count('dose', l.dosesLeft)}`,
            })),
          ]}
          value={jar}
          onChange={(e) => setLot(e.currentTarget.value)}
          error={form.errorFor('lotId', t('record.jar'))}
        />
      )}
      {treatment !== 'HAND' && (
        <p className="small soft">
          {treatment === 'BAGGED' && `${t('record.bagged')} `}
          {t('record.tag-them')}
        </p>
      )}
      <NumberField
        name="flowers"
        label={t('field.flowers')}
        min={1}
        max={20_000}
        value={flowers}
        set={setFlowers}
        data-autofocus
      />
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <TimeField
          label={t('record.when')}
          value={at ?? now}
          onChange={setAt}
          error={form.errorFor('doneAt', t('field.time'))}
        />
        {at && (
          <Button variant="subtle" onClick={() => setAt(undefined)}>
            {t('do.now')}
          </Button>
        )}
      </div>
      {sheet && <MarkFields sheet={sheet} of={marking} error={form.errorFor('tag', t('field.number'))} />}
    </RecordForm>
  );
}
