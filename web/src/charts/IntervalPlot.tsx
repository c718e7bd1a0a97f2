import { useElementSize } from '@mantine/hooks';
import { useId, type ReactNode } from 'react';
import { AxisBottom } from './Axis';

export interface Interval {
  key: string;
  name: string;
  /** Before the name, less strong. */
  of?: string;
  /** Under the name. */
  against?: string;
  /** Nothing to draw where it is missing; `instead` is said. */
  range?: { lower: number; value: number; upper: number };
  instead?: string;
  /** Few flowers, or not told from chance: drawn hatched. */
  weak?: boolean;
  figure?: ReactNode;
}

interface Props {
  label: string;
  rows: Interval[];
  /** The scale for a width in px; its domain holds every interval. */
  scale: (width: number) => (value: number) => number;
  ticks: { value: number; label: string; marked?: boolean }[];
  /** So wide may names be beside their bars, px. */
  widestName: number;
}

const ROW = 36;
const ROW_UNDER_NAME = 52;
const FIGURES = 112;
const FOOT = 22;

/** Width of the names beside their bars; 0 where there is no room, and they stand above them. */
function besideBars(all: number, longest: number, widest: number): number {
  if (all >= 520) return Math.min(widest, Math.max(120, longest));
  return all >= 400 && longest < all * 0.28 ? longest + 8 : 0;
}

const lettersOf = (r: Interval) =>
  Math.max(r.name.length + (r.of ? r.of.length + 2 : 0), (r.against ?? '').length);

function Name({ row, names, y }: { row: Interval; names: number; y: number }) {
  return (
    <>
      <text
        x={names}
        y={names === 0 ? y - 15 : row.against ? y - 2 : y + 5}
        textAnchor={names === 0 ? 'start' : 'end'}
        fill="var(--ink)"
      >
        {row.of && `${row.of}: `}
        {row.of ? <tspan fontWeight={700}>{row.name}</tspan> : row.name}
      </text>
      {names > 0 && row.against && (
        <text x={names} y={y + 14} textAnchor="end" fill="var(--soft)" fontSize={12.5}>
          {row.against}
        </text>
      )}
    </>
  );
}

/** Values on one axis, each a point with its interval. */
export function IntervalPlot({ label, rows, scale, ticks, widestName }: Props) {
  const id = useId();
  const { ref, width: all } = useElementSize();
  const names = besideBars(all, Math.max(...rows.map((r) => lettersOf(r) * 7.4)), widestName);
  const width = Math.max(60, all - names - FIGURES - 24);
  const step = names === 0 ? ROW_UNDER_NAME : ROW;
  const onScale = scale(width);
  const x = (value: number) => names + 10 + onScale(value);
  const height = rows.length * step + FOOT;
  return (
    <div ref={ref}>
      {all > 0 && (
        <svg width={all} height={height} role="img" aria-label={label} fontFamily="var(--sans)" fontSize={14}>
          <defs>
            <pattern id={id} width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width={6} height={6} fill="var(--leaf-pale)" />
              <path d="M0 0V6" stroke="var(--leaf)" strokeWidth={2.4} />
            </pattern>
          </defs>
          <AxisBottom ticks={ticks.map((t) => ({ ...t, at: x(t.value) }))} height={height} top={0} />
          {rows.map((r, i) => {
            const y = i * step + step / 2 + (names === 0 ? 8 : 0);
            return (
              <g key={r.key}>
                <Name row={r} names={names} y={y} />
                {r.range ? (
                  <>
                    <rect
                      x={x(r.range.lower)}
                      y={y - 5}
                      width={Math.max(2, x(r.range.upper) - x(r.range.lower))}
                      height={10}
                      rx={5}
                      fill={r.weak ? `url(#${id})` : 'var(--leaf)'}
                      opacity={r.weak ? 1 : 0.4}
                    />
                    <circle cx={x(r.range.value)} cy={y} r={6.5} fill="var(--leaf)" />
                    <text x={names + width + 22} y={y + 5} fill="var(--ink)">
                      {r.figure}
                    </text>
                  </>
                ) : (
                  <text x={names + 14} y={y + 5} fill="var(--soft)">
                    {r.instead}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      )}
    </div>
  );
}
