import type { Schemas } from '../api/api';
import { basisWord, decimal, percent, percentRange } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { dayAndClock, span } from '../format/time';
import { whereabouts } from './lot-words';

/** What a jar's viability is worked out from. */
export function LotWhy({ lot }: { lot: Schemas['LotView'] }) {
  const { zone } = useHere();
  const v = lot.viability;
  const began = v.tested ? 'Tested' : lot.parts.length > 0 ? 'Blended' : 'Collected';
  return (
    <>
      <p>
        {began} {dayAndClock(new Date(v.fromAt), zone)} with {percent(v.from)} alive
        {v.tested ? '' : lot.parts.length > 0 ? ', the mean of its parts' : ', as the crop sheet has it'}. Now{' '}
        {whereabouts(lot)}; there it halves every {span(v.halfLifeHours)} ({basisWord(v.halfLifeBasis)}).
      </p>
      <p>
        {v.spoiled
          ? 'Damp pollen shut in a cold jar moulds by the next day, whatever the halving says.'
          : `Since then it has halved ${decimal(v.halvings, 2)} times, over all the places it was kept: ${percent(v.from)} × ½ to the power of ${decimal(v.halvings, 2)} = ${percent(v.share)}.`}
      </p>
      {!v.spoiled && (
        <p>
          Eight times in ten it lies within {percentRange(v.low, v.high)}:{' '}
          {v.tested
            ? 'a test counts only some of the grains, and how fast it fades is doubtful.'
            : 'how well it germinated when fresh and how fast it fades are both doubtful.'}
        </p>
      )}
      {!v.tested && <p>An estimate. A germination test tells better.</p>}
    </>
  );
}
