import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { decimal } from '../format/numbers';
import { clock, said } from '../format/time';
import { Why } from '../ui/Why';
import { rich, t } from '../text/text';

/** Trees whose reading would change the next visit most. */
export function ReadNext({ trees }: { trees: Schemas['ReadNext'][] }) {
  const { now, zone } = useHere();
  if (trees.length === 0) return null;
  return (
    <section className="note" data-card="read-next">
      <b>{t('read.title')}</b>
      {trees.map((of) => (
        <div key={of.treeId}>
          {rich('read.tree', {
            tree: (
              <Link to={`/bloom/read/${of.treeId}`} state={{ from: '/' }}>
                {of.tree}
              </Link>
            ),
            read: said(new Date(of.readAt), now, zone),
            low: of.low,
            high: of.high,
            sheds: of.sheds ? 'yes' : 'no',
            at: clock(new Date(of.visit), zone),
            decides: of.decides,
          })}{' '}
          <Why
            label={t('read.reading', { tree: of.tree })}
            because={<p>{t('read.why', { fruits: decimal(of.fruits, 1) })}</p>}
          >
            {t('number.about-fruits', { n: decimal(of.fruits, 1) })}
          </Why>
        </div>
      ))}
    </section>
  );
}
