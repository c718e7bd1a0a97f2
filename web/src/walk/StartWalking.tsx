import { Button } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { useSubmit } from '../form/use-submit';
import { t } from '../text/text';

/** Begins a walk with the stops as they stand, for oneself and whoever helps; without an hour the next visit's. */
export function StartWalking({ at, paper = false }: { at?: string | undefined; paper?: boolean }) {
  const navigate = useNavigate();
  const [id] = useState(newId);
  const start = useSubmit<'walk' | 'paper', Schemas['Walk']>(
    () => answer(api.PUT('/api/walks/{id}', { params: { path: { id } }, body: at ? { at } : {} })),
    [],
    (walk, where) => void navigate(`/round/${where}/${walk.id}`),
  );
  const wrong = start.errorFor('at', t('field.time')) ?? start.general;
  return (
    <>
      {wrong && <span className="warn">{wrong}</span>}
      {paper && (
        <Button variant="outline" disabled={start.busy} onClick={() => start.submit('paper')}>
          {t('walk.on-paper')}
        </Button>
      )}
      <Button loading={start.busy} onClick={() => start.submit('walk')}>
        {t('walk.start')}
      </Button>
    </>
  );
}
