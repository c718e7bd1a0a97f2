import type { Schemas } from '../kit/api';
import { basisWord, percent, percentRange } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { dayAndClock, span } from '../kit/time';
import { STORAGE } from './lot-words';

/** What a jar's viability was reckoned from. */
export function LotWhy({ lot }: { lot: Schemas['LotView'] }) {
  const { zone } = useHere();
  const v = lot.viability;
  return (
    <>
      <p>
        Collected {dayAndClock(new Date(lot.collectedAt), zone)}, {span(v.hours)} ago, and kept{' '}
        {STORAGE[lot.storage]}. There it halves every {span(v.halfLifeHours)} ({basisWord(v.halfLifeBasis)}).
      </p>
      <p>
        {v.spoiled
          ? 'Damp pollen shut in a cold jar moulds by the next day, whatever the halving says.'
          : `${percent(v.fresh)} when fresh × ½ to the power of ${(v.hours / v.halfLifeHours).toFixed(2)} = ${percent(v.share)}.`}
      </p>
      {!v.spoiled && (
        <p>
          Eight times in ten it lies within {percentRange(v.low, v.high)}: how well it germinated when fresh
          and how fast it fades are both doubtful.
        </p>
      )}
      <p>An estimate. A germination test tells better.</p>
    </>
  );
}
