import { Button } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { useSubmit } from '../kit/use-submit';

/** Begins a walk with the stops as they stand, for oneself and whoever helps; without an hour the next visit's. */
export function StartWalking({ at, paper = false }: { at?: string | undefined; paper?: boolean }) {
  const navigate = useNavigate();
  const [id] = useState(newId);
  const start = useSubmit<'walk' | 'paper', Schemas['Walk']>(
    () => answer(api.PUT('/api/walks/{id}', { params: { path: { id } }, body: at ? { at } : {} })),
    [],
    (walk, where) => void navigate(`/round/${where}/${walk.id}`),
  );
  const wrong = start.errorFor('at', 'It') ?? start.general;
  return (
    <>
      {wrong && <span className="warn">{wrong}</span>}
      {paper && (
        <Button variant="outline" disabled={start.busy} onClick={() => start.submit('paper')}>
          On paper
        </Button>
      )}
      <Button loading={start.busy} onClick={() => start.submit('walk')}>
        Start walking
      </Button>
    </>
  );
}
