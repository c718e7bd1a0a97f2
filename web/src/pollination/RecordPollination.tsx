import { Button, Modal, NativeSelect, NumberInput, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { Question } from '../kit/Question';
import { queries } from '../kit/queries';
import { TimeField } from '../kit/TimeField';
import { plural, said } from '../kit/time';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { inUseOrder, lotState } from '../pollen/lot-words';
import { MarkFields, useMarking } from '../walk/Marks';
import { voidPollination } from './DoneList';

type Treatment = NonNullable<Schemas['PollinationHow']['treatment']>;

const TREATMENTS: { value: Treatment; label: string }[] = [
  { value: 'HAND', label: 'By hand' },
  { value: 'NATURE', label: 'Left to nature' },
  { value: 'BAGGED', label: 'Bagged' },
];

const FLOWER_TO_FLOWER = 'from flower to flower';

/** Anything that no visit planned: an impulse flower, one left to nature to be watched, another jar, or yesterday evening's. */
export function RecordPollination({ tree, close }: { tree?: string | undefined; close: () => void }) {
  const trees = useQuery(queries.trees());
  return (
    <Modal opened onClose={close} title="Write down other flowers">
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
  const words = `${tree?.name ?? ''}: ${plural(Number(flowers), 'flower')}`;
  const form = useSubmit(
    () => answer(api.PUT('/api/pollinations/{id}', { params: { path: { id } }, body })),
    ['treeId', 'lotId', 'flowers', 'doneAt', 'tag'],
    (saved) => {
      doneWithUndo(`${words} written down, ${said(new Date(saved.doneAt), now, zone)}.`, () =>
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
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      <NativeSelect
        label="Tree"
        data={trees.map((t) => ({ value: t.id, label: t.name }))}
        value={treeId}
        onChange={(e) => setTree(e.currentTarget.value)}
        error={form.errorFor('treeId', 'Tree')}
      />
      <SegmentedControl
        aria-label="What was done"
        fullWidth
        value={treatment}
        onChange={(v) => setTreatment(v)}
        data={TREATMENTS}
      />
      {treatment === 'HAND' && (
        <NativeSelect
          label="Jar"
          data={[
            ...(sheet?.hand.flowerToFlower ? [{ value: '', label: FLOWER_TO_FLOWER }] : []),
            ...jars.map((l) => ({
              value: l.id,
              label: `${l.code} ${l.varietyName}, ${plural(l.dosesLeft, 'dose')}`,
            })),
          ]}
          value={jar}
          onChange={(e) => setLot(e.currentTarget.value)}
          error={form.errorFor('lotId', 'Jar')}
        />
      )}
      {treatment !== 'HAND' && (
        <p className="small soft">
          {treatment === 'BAGGED' ? 'Bagged against visitors, without pollen. ' : ''}Tag them: they are looked
          at beside the others, and show what your hands add.
        </p>
      )}
      <NumberInput
        label="Flowers"
        min={1}
        max={20_000}
        value={flowers}
        onChange={setFlowers}
        error={form.errorFor('flowers', 'Flowers')}
        data-autofocus
      />
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <TimeField label="When" value={at ?? now} onChange={setAt} error={form.errorFor('doneAt', 'It')} />
        {at && (
          <Button variant="subtle" onClick={() => setAt(undefined)}>
            Now
          </Button>
        )}
      </div>
      {sheet && <MarkFields sheet={sheet} of={marking} error={form.errorFor('tag', 'The number')} />}
      <Question question={form.question} />
      {form.general && (
        <p className="note bad" role="alert">
          {form.general}
        </p>
      )}
      <div className="line">
        <Button type="submit" loading={form.busy} disabled={!(Number(flowers) > 0)}>
          Write down
        </Button>
        <Button variant="outline" onClick={close}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
