import { useElementSize } from '@mantine/hooks';
import { useId } from 'react';
import type { Schemas } from '../api/api';
import { percent } from '../format/numbers';
import { AsTable } from './AsTable';

interface Row {
  name: string;
  rate?: Schemas['SetRate'] | undefined;
  few?: boolean;
  undecided?: number;
}

const ROW = 34;

/** Width that the names take beside their bars; 0 where there is no room, and they stand above them. */
function besideBars(all: number, longest: number): number {
  if (all >= 520) return Math.min(230, Math.max(120, longest));
  return all >= 400 && longest < all * 0.28 ? longest + 8 : 0;
}

/** Shares on one axis from 0 to 100 %, each a point with its interval; hatched where the flowers are few. The table says the same. */
export function IntervalRows({ rows, label }: { rows: Row[]; label: string }) {
  const id = useId();
  const { ref, width: all } = useElementSize();
  const names = besideBars(all, Math.max(...rows.map((r) => r.name.length * 7.4)));
  const figures = 112;
  const width = Math.max(60, all - names - figures - 24);
  const step = names === 0 ? ROW + 16 : ROW;
  const x = (share: number) => names + 10 + share * width;
  const height = rows.length * step + 22;
  return (
    <div ref={ref}>
      {all > 0 && (
        <svg
          width={all}
          height={height}
          role="img"
          aria-label={`${label}: ${rows
            .map((r) =>
              r.rate
                ? `${r.name} ${percent(r.rate.share)}, between ${percent(r.rate.lower)} and ${percent(r.rate.upper)}`
                : `${r.name} not decided`,
            )
            .join('; ')}`}
          fontFamily="var(--sans)"
          fontSize={14}
        >
          <defs>
            <pattern id={id} width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width={6} height={6} fill="var(--leaf-pale)" />
              <path d="M0 0V6" stroke="var(--leaf)" strokeWidth={2.4} />
            </pattern>
          </defs>
          {[0, 0.25, 0.5, 0.75, 1].map((t) => (
            <g key={t}>
              <path d={`M${x(t)} 0V${height - 20}`} stroke="var(--hair)" />
              <text x={x(t)} y={height - 4} textAnchor="middle" fill="var(--soft)" fontSize={12}>
                {t * 100}
                {t === 1 ? ' %' : ''}
              </text>
            </g>
          ))}
          {rows.map((r, i) => {
            const y = i * step + step / 2 + (names === 0 ? 8 : 0);
            return (
              <g key={r.name}>
                <text
                  x={names === 0 ? 0 : names}
                  y={names === 0 ? y - 15 : y + 5}
                  textAnchor={names === 0 ? 'start' : 'end'}
                  fill="var(--ink)"
                >
                  {r.name}
                </text>
                {r.rate ? (
                  <>
                    <rect
                      x={x(r.rate.lower)}
                      y={y - 5}
                      width={Math.max(2, (r.rate.upper - r.rate.lower) * width)}
                      height={10}
                      rx={5}
                      fill={r.few ? `url(#${id})` : 'var(--leaf)'}
                      opacity={r.few ? 1 : 0.4}
                    />
                    <circle cx={x(r.rate.share)} cy={y} r={6.5} fill="var(--leaf)" />
                    <text x={names + width + 22} y={y + 5} fill="var(--ink)">
                      <tspan fontWeight={700}>{percent(r.rate.share)}</tspan>
                      <tspan fill="var(--soft)" fontSize={13}>
                        {' '}
                        of {r.rate.decided}
                      </tspan>
                    </text>
                  </>
                ) : (
                  <text x={x(0) + 4} y={y + 5} fill="var(--soft)">
                    not decided yet
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      )}
      <AsTable words={[label]} figures={['Set', 'Share', '95 % interval', 'Not yet known']}>
        {rows.map((r) => (
          <tr key={r.name}>
            <td>
              {r.name}
              {r.few && r.rate && <span className="soft"> (few)</span>}
            </td>
            <td className="num">{r.rate ? `${r.rate.taken} of ${r.rate.decided}` : '–'}</td>
            <td className="num">{r.rate ? percent(r.rate.share) : '–'}</td>
            <td className="num">{r.rate ? `${percent(r.rate.lower)} to ${percent(r.rate.upper)}` : '–'}</td>
            <td className="num">{r.undecided ?? 0}</td>
          </tr>
        ))}
      </AsTable>
    </div>
  );
}
