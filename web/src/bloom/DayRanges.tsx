import { useElementSize } from '@mantine/hooks';
import { scaleLinear } from 'd3-scale';
import { useId } from 'react';
import type { Schemas } from '../api/api';
import { AxisLeft } from '../charts/Axis';
import { temperature, type Units } from '../format/numbers';
import { calendarDay } from '../format/time';

type Day = Schemas['WeatherDay'];

const HEIGHT = 170;
const LEFT = 44;

/** A bar for each day from its lowest to its highest; the fill says where it comes from. */
export function DayRanges({ days, today, units }: { days: Day[]; today: string; units: Units }) {
  const id = useId();
  const { ref, width } = useElementSize();
  const low = Math.floor(Math.min(...days.map((d) => d.minimumC)) / 5) * 5;
  const high = Math.ceil(Math.max(...days.map((d) => d.maximumC)) / 5) * 5;
  const y = scaleLinear([low, high], [HEIGHT - 32, 8]);
  const step = (width - LEFT) / days.length;
  const every = step > 46 ? 1 : step > 22 ? 3 : 7;
  const fills: Record<Day['source'], string> = {
    MEASURED: 'var(--leaf)',
    BRIDGED: 'var(--leaf)',
    DAILY: `url(#${id}days)`,
    FORECAST: `url(#${id}forecast)`,
    USUAL: 'none',
  };
  const lines = Array.from({ length: (high - low) / 5 + 1 }, (_, i) => low + i * 5);
  const used = [...new Set(days.map((d) => d.source))];
  const names: Record<Day['source'], string> = {
    MEASURED: 'measured',
    BRIDGED: 'measured',
    DAILY: 'days of a file',
    FORECAST: 'typed forecast',
    USUAL: 'typical day',
  };
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Lowest and highest temperature of ${days.length} days`}
          fontFamily="var(--sans)"
          fontSize={13}
        >
          <defs>
            <pattern
              id={`${id}days`}
              width={6}
              height={6}
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width={6} height={6} fill="var(--leaf-pale)" />
              <path d="M0 0V6" stroke="var(--leaf)" strokeWidth={3} />
            </pattern>
            <pattern id={`${id}forecast`} width={6} height={6} patternUnits="userSpaceOnUse">
              <rect width={6} height={6} fill="var(--leaf-pale)" />
              <circle cx={3} cy={3} r={1.4} fill="var(--leaf)" />
            </pattern>
          </defs>
          <AxisLeft
            ticks={lines.map((c) => ({ at: y(c), label: temperature(c, units) }))}
            left={LEFT}
            right={width}
          />
          {days.map((d, i) => (
            <g key={d.date}>
              {d.date === today && (
                <rect
                  x={LEFT + i * step}
                  width={step}
                  y={0}
                  height={HEIGHT - 22}
                  fill="var(--sun)"
                  opacity={0.25}
                />
              )}
              <rect
                x={LEFT + i * step + step * 0.22}
                width={step * 0.56}
                y={y(d.maximumC)}
                height={Math.max(2, y(d.minimumC) - y(d.maximumC))}
                rx={3}
                fill={fills[d.source]}
                stroke="var(--leaf)"
                strokeDasharray={d.source === 'USUAL' ? '3 3' : undefined}
              >
                <title>
                  {`${calendarDay(d.date)}: ${temperature(d.minimumC, units)} to ${temperature(d.maximumC, units)}, ${names[d.source]}`}
                </title>
              </rect>
              {(d.date === today ||
                (i % every === 0 &&
                  Math.abs(days.findIndex((x) => x.date === today) - i) >= (every > 1 ? 2 : 1))) && (
                <text
                  x={LEFT + (i + 0.5) * step}
                  y={HEIGHT - 6}
                  textAnchor="middle"
                  fill="var(--soft)"
                  fontWeight={d.date === today ? 700 : 400}
                >
                  {d.date === today ? 'today' : calendarDay(d.date).slice(4)}
                </text>
              )}
            </g>
          ))}
        </svg>
      )}
      <div className="line small soft">
        {used
          .filter((s) => s !== 'BRIDGED' || !used.includes('MEASURED'))
          .map((s) => (
            <span key={s} className="line" style={{ gap: 6 }}>
              <svg width={16} height={14} aria-hidden="true">
                <rect
                  x={1}
                  y={1}
                  width={14}
                  height={12}
                  rx={3}
                  fill={fills[s]}
                  stroke="var(--leaf)"
                  strokeDasharray={s === 'USUAL' ? '3 3' : undefined}
                />
              </svg>
              {names[s]}
            </span>
          ))}
      </div>
    </div>
  );
}
