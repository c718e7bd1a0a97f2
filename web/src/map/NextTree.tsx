import { t } from '../text/text';
import { bearing, compassPoint, distance, spotOf, type MapTree, type Spot } from './map-state';
import classes from './Map.module.css';

/** So near one stands at it, metres: phones do not know better. */
const AT_IT = 4;

/** Which way to the tree that is next, and how far; for somebody who walks with the phone in the hand. */
export function NextTree({ from, to }: { from: Spot; to: MapTree }) {
  const metres = distance(from, spotOf(to));
  const degrees = bearing(from, spotOf(to));
  return (
    <p className={classes.next} role="status">
      <svg viewBox="-12 -12 24 24" width={30} height={30} aria-hidden>
        <path d="M0 -10L7 8L0 4L-7 8Z" fill="currentColor" transform={`rotate(${degrees})`} />
      </svg>
      {metres <= AT_IT
        ? t('map.at-it', { tree: to.tree })
        : t('map.next', {
            tree: to.tree,
            metres: Math.round(metres),
            direction: t(`compass.${compassPoint(degrees)}`),
          })}
    </p>
  );
}
