import { useElementSize } from '@mantine/hooks';
import type { Schemas } from '../api/api';
import { AsTable } from './AsTable';
import { decimal } from '../format/numbers';

const ROW = 40;
const TICKS = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20];

const times = (ratio: number): string =>
  ratio >= 10 || ratio < 0.1 ? ratio.toPrecision(2) : decimal(ratio, 2);

/** Odds against the usual class, on an axis where half and double lie equally far from 1. */
export function Odds({ of }: { of: Schemas['Causes'] }) {
  const { ref, width: all } = useElementSize();
  const low = Math.max(0.02, Math.min(0.5, ...of.effects.map((e) => e.oddsRatio.lower)));
  const high = Math.min(50, Math.max(2, ...of.effects.map((e) => e.oddsRatio.upper)));
  const names = all < 560 ? 0 : 300;
  const width = Math.max(60, all - names - 84);
  const x = (ratio: number) =>
    names +
    10 +
    ((Math.log(Math.min(high, Math.max(low, ratio))) - Math.log(low)) / (Math.log(high) - Math.log(low))) *
      width;
  const step = names === 0 ? ROW + 16 : ROW;
  const height = of.effects.length * step + 22;
  return (
    <div ref={ref}>
      {all > 0 && (
        <svg
          width={all}
          height={height}
          role="img"
          aria-label={`Odds against the most common: ${of.effects
            .map((e) => `${e.title} ${e.name} ${times(e.oddsRatio.value)} times those of ${e.usual}`)
            .join('; ')}`}
          fontFamily="var(--sans)"
          fontSize={14}
        >
          {TICKS.filter((t) => t >= low && t <= high).map((t) => (
            <g key={t}>
              <path
                d={`M${x(t)} 0V${height - 20}`}
                stroke={t === 1 ? 'var(--soft)' : 'var(--hair)'}
                strokeDasharray={t === 1 ? '3 3' : undefined}
              />
              <text x={x(t)} y={height - 4} textAnchor="middle" fill="var(--soft)" fontSize={12}>
                {t === 1 ? 'no difference' : `× ${t}`}
              </text>
            </g>
          ))}
          {of.effects.map((e, i) => {
            const y = i * step + step / 2 + (names === 0 ? 10 : 0);
            const sure = e.oddsRatio.lower > 1 || e.oddsRatio.upper < 1;
            return (
              <g key={`${e.factor} ${e.name}`}>
                <text
                  x={names === 0 ? 0 : names}
                  y={names === 0 ? y - 16 : y - 2}
                  textAnchor={names === 0 ? 'start' : 'end'}
                  fill="var(--ink)"
                >
                  {e.title.toLowerCase()}: <tspan fontWeight={700}>{e.name}</tspan>
                </text>
                {names > 0 && (
                  <text x={names} y={y + 14} textAnchor="end" fill="var(--soft)" fontSize={12}>
                    against {e.usual}
                  </text>
                )}
                <path
                  d={`M${x(e.oddsRatio.lower)} ${y}H${x(e.oddsRatio.upper)}`}
                  stroke="var(--leaf)"
                  strokeWidth={sure ? 6 : 3}
                  strokeDasharray={sure ? undefined : '4 3'}
                  opacity={0.5}
                />
                <circle
                  cx={x(e.oddsRatio.value)}
                  cy={y}
                  r={6.5}
                  fill={sure ? 'var(--leaf)' : 'var(--card)'}
                  stroke="var(--leaf)"
                  strokeWidth={2}
                />
                <text x={names + width + 20} y={y + 5} fill="var(--ink)" fontWeight={700}>
                  × {times(e.oddsRatio.value)}
                </text>
              </g>
            );
          })}
        </svg>
      )}
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
