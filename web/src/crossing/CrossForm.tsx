import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import { Button, NativeSelect, Switch } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';

type Wanted = Schemas['WantedCross'];
type Visits = Schemas['ControlledCross']['visits'];

export const VISITS: Record<Visits, string> = {
  TWICE: 'as early as it is receptive, and once more a day later',
  AT_ONCE: 'at once, one visit',
  WHEN_RIPE: 'days later, when the stigma is ripe',
};

/** Begins a cross on a tree of the requested mother. */
export function CrossForm({ wanted, close }: { wanted: Wanted; close: () => void }) {
  const { data: trees = [] } = useQuery(queries.standing());
  const mothers = trees.filter((t) => t.varietyId === wanted.motherId);
  const [id] = useState(newId);
  const [tree, setTree] = useState<string>();
  const [planned, setPlanned] = useState<number | string>(Math.max(1, Math.min(wanted.more, 12)));
  const [bag, setBag] = useState(true);
  const [emasculate, setEmasculate] = useState(true);
  const { data: crops = [] } = useQuery(queries.crops());
  const sheet = crops.find((c) => c.key === mothers[0]?.crop);
  const [visits, setVisits] = useState<Visits>('TWICE');
  const treeId = tree ?? mothers[0]?.id;
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/crosses/{id}', {
          params: { path: { id } },
          body: {
            treeId: treeId ?? '',
            fatherId: wanted.fatherId,
            crossRequestId: wanted.crossRequestId,
            planned: Number(planned),
            bag,
            visits,
            ...(!emasculate && { emasculate }),
          },
        }),
      ),
    ['planned', 'treeId'],
    (made) => {
      doneWithUndo(`Cross ${made.label} is begun: ${plural(made.flowers, 'flower')} of ${made.tree}.`, () =>
        voidRecord('/api/crosses/{id}/void', { id }, made.version, 'undone right after saving'),
      );
      close();
    },
  );
  if (mothers.length === 0)
    return (
      <p className="line">
        <span>
          No tree of {wanted.mother} stands in the <Link to="/orchard">orchard</Link> yet.
        </span>
        <Button variant="subtle" onClick={close}>
          Cancel
        </Button>
      </p>
    );
  return (
    <RecordForm form={form} save="Begin, with the next number" cancel={close} disabled={!treeId}>
      <div className="form">
        <div className="two">
          <NativeSelect
            label="Tree"
            data={mothers.map((t) => ({ value: t.id, label: t.name }))}
            value={treeId}
            onChange={(e) => setTree(e.currentTarget.value)}
            error={form.errorFor('treeId', 'The tree')}
          />
          <NumberField name="planned" label="Flowers" min={1} value={planned} set={setPlanned} />
          <NativeSelect
            label="Pollen is given"
            data={(Object.keys(VISITS) as Visits[]).map((value) => ({ value, label: VISITS[value] }))}
            value={visits}
            onChange={(e) => setVisits(e.currentTarget.value as Visits)}
          />
          <Switch
            label="bagged"
            description="a stray visit spoils a cross"
            checked={bag}
            onChange={(e) => setBag(e.currentTarget.checked)}
            mt={24}
          />
          {sheet?.cross?.emasculate && (
            <Switch
              label="its own pollen removed"
              description="Off: bagged in bud and pollinated when ripe, for varieties that do not serve themselves."
              checked={emasculate}
              onChange={(e) => setEmasculate(e.currentTarget.checked)}
            />
          )}
        </div>
      </div>
    </RecordForm>
  );
}
