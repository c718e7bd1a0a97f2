import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { Jar } from '../ui/Jar';
import { useHere } from '../ui/orchard-context';
import { plural } from '../format/time';
import classes from './Shelf.module.css';
import { inUseOrder, lotAge, lotState, lotWords, whereabouts } from './lot-words';

/** The jars that still hold something, in a row. */
export function ShelfStrip({ lots }: { lots: Schemas['LotView'][] }) {
  const { now, zone } = useHere();
  const held = inUseOrder(lots).filter((l) => lotState(l) !== 'empty');
  if (held.length === 0) return null;
  return (
    <section className={classes.strip} aria-label="Pollen shelf">
      {held.slice(0, 5).map((l) => (
        <Link
          key={l.id}
          to={`/pollen/jar/${l.id}`}
          className={`${classes.small} ${lotState(l) === 'good' ? '' : classes.bad}`}
        >
          <Jar
            fill={l.dosesLeft / l.dosesCollected}
            fresh={l.viability.share / l.viability.fresh}
            size={38}
          />
          <span>
            <b>{l.varietyName}</b> {l.code}
            <br />
            {plural(l.dosesLeft, 'dose')} · {lotAge(l, now)}, {whereabouts(l)}
            <br />
            <span className={classes.state}>{lotWords(l, now, zone)}</span>
          </span>
        </Link>
      ))}
    </section>
  );
}
