import { Button } from '@mantine/core';
import { answer, api, type Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { plural, said } from '../kit/time';
import { useSubmit } from '../kit/use-submit';

type Done = Schemas['PollinationView'];

export const voidPollination = (p: Pick<Done, 'id' | 'version'>) =>
  answer(
    api.POST('/api/pollinations/{id}/void', {
      params: { path: { id: p.id } },
      body: { version: p.version, reason: 'recorded by mistake' },
    }),
  );

function DoneRow({ done }: { done: Done }) {
  const { now, zone } = useHere();
  const undo = useSubmit(
    () => voidPollination(done),
    [],
    () => undefined,
  );
  return (
    <tr>
      <td>{said(new Date(done.doneAt), now, zone)}</td>
      <td>
        <b>{done.treeName}</b>
      </td>
      <td>
        {plural(done.flowers, 'flower')} {done.again && 'once more '}with {done.lotCode} {done.pollenParent}
        {done.mark && <span className="soft"> · {done.mark}</span>}
        {undo.general && <p className="small warn">{undo.general}</p>}
      </td>
      <td className="num">
        <Button
          size="compact-sm"
          variant="subtle"
          loading={undo.busy}
          onClick={() => undo.submit(undefined)}
          aria-label={`Undo ${done.treeName}`}
        >
          Undo
        </Button>
      </td>
    </tr>
  );
}

/** What was done in this round, by anybody. */
export function DoneList({ done }: { done: Done[] }) {
  if (done.length === 0) return null;
  const flowers = done.filter((d) => !d.again).reduce((n, d) => n + d.flowers, 0);
  return (
    <section className="card">
      <h2>Done in the last 12 hours: {plural(flowers, 'flower')}</h2>
      <table className="plain">
        <tbody>
          {done.map((d) => (
            <DoneRow key={d.id} done={d} />
          ))}
        </tbody>
      </table>
    </section>
  );
}
