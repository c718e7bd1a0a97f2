import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { client } from '../kit/client';
import { useOutbox } from '../kit/outbox';
import { queries } from '../kit/queries';
import { sayDone } from '../kit/undo';
import classes from './Walk.module.css';

/** Once all that was done is with the server, the rest of a walk is planned anew with what its jars really hold. */
export function PlannedAnew({ walk }: { walk: Schemas['Walk'] }) {
  const waits = useOutbox().some((w) => w.refused === undefined);
  const { mutate, isPending, isError } = useMutation({
    mutationKey: ['plan anew', walk.id],
    mutationFn: () => answer(api.POST('/api/walks/{id}/plan-anew', { params: { path: { id: walk.id } } })),
    onSuccess: (anew) => {
      client.setQueryData(queries.walk(walk.id).queryKey, anew);
      sayDone('The rest of the walk is planned anew with what the jar holds.');
    },
  });
  const due = walk.stale && !waits;
  useEffect(() => {
    if (due) mutate();
    // Asked again only when the walk has changed: an answer that fails is no reason to ask without end.
  }, [due, walk.version, mutate]);
  if (!walk.stale) return null;
  return (
    <p className={classes.anew} role="status">
      {isPending
        ? 'Planning the rest anew …'
        : isError || waits
          ? 'Worked out on this phone. The rest is planned anew once the server has what you collected.'
          : ''}
    </p>
  );
}
