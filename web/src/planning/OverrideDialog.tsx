import { Button, Modal } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { aboutFruits, decimal } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { TimeField } from '../form/TimeField';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { overrideWords } from './plan-words';

type Request = Schemas['PlanOverrideRequest'];

/** What is asked about, with the tree's name for the words. */
export interface Asked {
  request: Request;
  tree?: string;
}

export const takeBackOverride = (id: string, version: number) =>
  voidRecord('/api/plan-overrides/{id}/void', { id }, version, 'removed');

/** What it would cost, from the plan made anew with it. */
function Cost({ of }: { of: Request }) {
  const cost = useQuery({
    queryKey: ['plan', 'override-cost', of],
    queryFn: () => answer(api.POST('/api/plan-overrides/cost', { body: of })),
  });
  if (cost.isPending) return <p className="soft">Planning with it…</p>;
  if (!cost.data) return <p className="warn">{cost.error?.message}</p>;
  const { now, then, cost: lost } = cost.data;
  return (
    <p data-card="cost">
      {lost < 0.05 ? (
        <b>Costs no fruit.</b>
      ) : (
        <>
          <b>Costs about {aboutFruits(lost)}</b>:{' '}
          <span className="soft">
            {decimal(then, 1)} in place of {decimal(now, 1)} to be expected over ten days.
          </span>
        </>
      )}
    </p>
  );
}

/** Asks before the plan is overridden, and says what it costs. */
export function OverrideDialog({ asked, close }: { asked: Asked | undefined; close: () => void }) {
  return (
    <Modal opened={asked !== undefined} onClose={close} title={asked && `${overrideTitle(asked)}?`}>
      {asked && <Question asked={asked} close={close} />}
    </Modal>
  );
}

const TITLES: Record<Request['kind'], (tree?: string) => string> = {
  SKIP_DAYS: () => 'Skip this day',
  SKIP_TREE: (tree) => `Not ${tree} this week`,
  SKIP_VISIT: () => 'Skip this visit',
  VISIT_AT: () => 'Go at another hour',
};

const overrideTitle = (of: Asked): string => TITLES[of.request.kind](of.tree);

function Question({ asked, close }: { asked: Asked; close: () => void }) {
  const { now, zone } = useHere();
  const [at, setAt] = useState(asked.request.visitAt);
  const movable = asked.request.kind === 'VISIT_AT';
  const of: Request = at ? { ...asked.request, visitAt: at } : asked.request;
  const save = useSubmit(
    () => answer(api.PUT('/api/plan-overrides/{id}', { params: { path: { id: newId() } }, body: of })),
    ['visitAt'],
    (made) => {
      close();
      doneWithUndo(`${overrideWords(made, now, zone)}.`, () => takeBackOverride(made.id, made.version));
    },
  );
  return (
    <div className="stack">
      <p>{overrideWords({ ...of, tree: asked.tree }, now, zone)}.</p>
      {at && movable && (
        <TimeField
          label="Hour of the visit"
          value={new Date(at)}
          onChange={(d) => setAt(d.toISOString())}
          error={save.errorFor('visitAt', 'It')}
        />
      )}
      <Cost of={of} />
      {save.general && <p className="note bad">{save.general}</p>}
      <div className="line">
        <Button onClick={() => save.submit(undefined)} loading={save.busy}>
          {of.kind === 'VISIT_AT' ? 'Go at this hour' : 'Skip'}
        </Button>
        <Button variant="outline" onClick={close}>
          Leave the plan as it is
        </Button>
      </div>
    </div>
  );
}
