import { scaleLog } from 'd3-scale';
import type { Schemas } from '../api/api';
import { IntervalPlot } from '../charts/IntervalPlot';
import { AsTable } from './AsTable';
import { decimal } from '../format/numbers';

const TICKS = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20];

const times = (ratio: number): string =>
  ratio >= 10 || ratio < 0.1 ? ratio.toPrecision(2) : decimal(ratio, 2);

/** Odds against the usual class, on an axis where half and double lie equally far from 1. */
export function Odds({ of }: { of: Schemas['Causes'] }) {
  const low = Math.max(0.02, Math.min(0.5, ...of.effects.map((e) => e.oddsRatio.lower)));
  const high = Math.min(50, Math.max(2, ...of.effects.map((e) => e.oddsRatio.upper)));
  const said = of.effects
    .map((e) => `${e.title} ${e.name} ${times(e.oddsRatio.value)} times those of ${e.usual}`)
    .join('; ');
  return (
    <div>
      <IntervalPlot
        label={`Odds against the most common: ${said}`}
        widestName={300}
        scale={(width) => scaleLog([low, high], [0, width]).clamp(true)}
        ticks={TICKS.filter((t) => t >= low && t <= high).map((t) => ({
          value: t,
          label: t === 1 ? 'no difference' : `× ${t}`,
          marked: t === 1,
        }))}
        rows={of.effects.map((e) => ({
          key: `${e.factor} ${e.name}`,
          of: e.title.toLowerCase(),
          name: e.name,
          against: `against ${e.usual}`,
          range: e.oddsRatio,
          weak: e.oddsRatio.lower <= 1 && e.oddsRatio.upper >= 1,
          figure: <tspan fontWeight={700}>× {times(e.oddsRatio.value)}</tspan>,
        }))}
      />
      <AsTable words={['Cause', 'Against']} figures={['Flowers', 'Odds ratio', '95 % interval']}>
        {of.effects.map((e) => (
          <tr key={`${e.factor} ${e.name}`}>
            <td>
              {e.title}: {e.name}
            </td>
            <td>{e.usual}</td>
            <td className="num">{e.flowers}</td>
            <td className="num">{times(e.oddsRatio.value)}</td>
            <td className="num">
              {times(e.oddsRatio.lower)} to {times(e.oddsRatio.upper)}
            </td>
          </tr>
        ))}
      </AsTable>
    </div>
  );
}
