import { Button, Modal } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { refresh } from '../api/client';
import { dayOfYearAndClock, plural } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { kindName } from './kinds';
import { Problem } from '../ui/States';

type Run = Schemas['ImportRun'];

const what = (run: Run) =>
  [
    run.written > 0 && `${run.written} written`,
    run.changed > 0 && `${run.changed} changed`,
    run.lines > run.written + run.changed && `${run.lines - run.written - run.changed} were there`,
  ]
    .filter(Boolean)
    .join(', ');

/** Files that were imported, the latest first; each can be undone as a whole. */
export function ImportRuns() {
  const { orchard } = useHere();
  const client = useQueryClient();
  const runs = useQuery({ queryKey: ['imports'], queryFn: () => answer(api.GET('/api/imports')) });
  const [asked, setAsked] = useState<Run>();
  const undo = useMutation({
    mutationFn: (run: Run) =>
      voidRecord('/api/imports/{id}/void', { id: run.id }, run.version, `Import of ${run.fileName} undone`),
    onSuccess: () => refresh(client),
  });
  const undone = undo.isSuccess && (
    <p className="note" role="status">
      {undo.variables.fileName} was undone.
    </p>
  );
  if (!runs.data?.length) return undone;
  return (
    <section className="card">
      <header>
        <h2>Imported before</h2>
      </header>
      {undone}
      {undo.error && <Problem>It was not undone: {undo.error.message}</Problem>}
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>When</th>
              <th>File</th>
              <th>What</th>
              <th>Records</th>
              <th>By</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {runs.data.map((run) => (
              <tr key={run.id}>
                <td>{dayOfYearAndClock(new Date(run.at), new Date(orchard.now), orchard.zone)}</td>
                <td>{run.fileName}</td>
                <td>{kindName(run.kind)}</td>
                <td>{what(run)}</td>
                <td>{run.by}</td>
                <td className="num">
                  <Button size="compact-sm" variant="subtle" onClick={() => setAsked(run)}>
                    Undo
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Modal
        opened={asked !== undefined}
        onClose={() => setAsked(undefined)}
        title="Undo this import?"
        centered
      >
        {asked && (
          <>
            <p>
              {asked.fileName}: {plural(asked.written, 'record')} it wrote{' '}
              {asked.written === 1 ? 'is' : 'are'} removed
              {asked.changed > 0 &&
                `, ${plural(asked.changed, 'record')} it changed ${asked.changed === 1 ? 'is' : 'are'} put back`}
              .
            </p>
            <div className="line" style={{ marginTop: 18, justifyContent: 'flex-end' }}>
              <Button variant="outline" onClick={() => setAsked(undefined)}>
                Keep it
              </Button>
              <Button
                onClick={() => {
                  undo.mutate(asked);
                  setAsked(undefined);
                }}
              >
                Undo the import
              </Button>
            </div>
          </>
        )}
      </Modal>
    </section>
  );
}
