import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { clock, plural, said } from '../kit/time';
import { Why } from '../kit/Why';

/** Trees whose reading would change the next visit most. */
export function ReadNext({ trees }: { trees: Schemas['ReadNext'][] }) {
  const { now, zone } = useHere();
  if (trees.length === 0) return null;
  return (
    <section className="note" data-card="read-next">
      <b>Read these before you go:</b>
      {trees.map((t) => (
        <div key={t.treeId}>
          <Link to={`/bloom/read/${t.treeId}`} state={{ from: '/' }}>
            {t.tree}
          </Link>
          : last read {said(new Date(t.readAt), now, zone)}; {t.low} to {t.high} of its flowers{' '}
          {t.sheds ? 'shed' : 'take pollen'} at {clock(new Date(t.visit), zone)}, and{' '}
          {plural(t.decides, 'flower')} of the plan {t.decides === 1 ? 'rests' : 'rest'} on it.{' '}
          <Why
            label={`reading ${t.tree}`}
            because={
              <p>
                A visit is made ready for the flowers that are foreseen; those beyond find no pollen and no
                place in the walk. The doubt about this tree costs {t.fruits.toFixed(1)} fruits on average
                more than it would right after a reading.
              </p>
            }
          >
            {t.fruits.toFixed(1)} fruits
          </Why>
        </div>
      ))}
    </section>
  );
}
