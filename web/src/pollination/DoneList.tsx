import { Button } from '@mantine/core';
import { type Schemas, voidRecord } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { said } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { phrase, t } from '../text/text';

type Done = Schemas['PollinationView'];

export const voidPollination = (p: Pick<Done, 'id' | 'version'>) =>
  voidRecord('/api/pollinations/{id}/void', { id: p.id }, p.version, 'recorded by mistake');

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
        {t('done.line', {
          flowers: done.flowers,
          again: done.again ? 'yes' : 'no',
          jar: done.lotCode,
          father: done.pollenParent,
        })}
        {done.mark && <span className="soft"> · {phrase(done.mark)}</span>}
        {undo.general && <p className="small warn">{undo.general}</p>}
      </td>
      <td className="num">
        <Button
          size="compact-sm"
          variant="subtle"
          loading={undo.busy}
          onClick={() => undo.submit(undefined)}
          aria-label={t('done.undo', { tree: done.treeName })}
        >
          {t('do.undo')}
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
      <h2>{t('done.title', { n: flowers })}</h2>
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
