import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { client } from '../api/client';
import { useOutbox } from '../offline/outbox';
import { queries } from '../api/queries';
import { sayDone } from '../ui/undo';
import classes from './Walk.module.css';
import { t } from '../text/text';

/** Once all that was done is with the server, the rest of a walk is planned anew with what its jars really hold. */
export function PlannedAnew({ walk }: { walk: Schemas['Walk'] }) {
  const waits = useOutbox().some((w) => w.refused === undefined);
  const { mutate, isPending, isError } = useMutation({
    mutationKey: ['plan anew', walk.id],
    mutationFn: () => answer(api.POST('/api/walks/{id}/plan-anew', { params: { path: { id: walk.id } } })),
    onSuccess: (anew) => {
      client.setQueryData(queries.walk(walk.id).queryKey, anew);
      sayDone(t('walk.planned-anew'));
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
      {isPending ? t('walk.planning-anew') : isError || waits ? t('walk.by-phone') : ''}
    </p>
  );
}
