import { useElementSize } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { PhasePatterns } from '../charts/PhasePatterns';
import { queries } from '../api/queries';
import { RibbonAxis } from '../charts/Ribbon';
import { plural, said } from '../format/time';
import { half } from '../charts/shapes';
import { apart, nights, timeAxis } from '../charts/time-axis';

const HEIGHT = 150;
const TOP = 22;

/** So wide is a day’s name on the axis, px. */
const LABEL = 58;

/** Female flowers above the line, male ones below, and where the rounds lie. */
export function PlanChart({ plan }: { plan: Schemas['Plan'] }) {
  const { now, zone } = useHere();
  const { ref, width } = useElementSize();
  const id = useId().replace(/\W/g, '');
  const from = plan.moments[0]!;
  const until = plan.moments.at(-1)!;
  const hours = Math.round((Date.parse(until) - Date.parse(from)) / 3_600_000);
  const { data: light } = useQuery(queries.light(hours));
  const axis = timeAxis(from, until, Math.max(1, width));
  const most = Math.max(1, ...plan.receptive, ...plan.shedding);
  const middle = TOP + (HEIGHT - TOP) / 2;
  const scale = (HEIGHT - TOP) / 2 / most;
  const x = (i: number) => axis.x(plan.moments[i]!);
  const numbers = apart(
    plan.rounds.map((r) => Math.max(axis.x(r.at), 10)),
    plan.rounds.length > 9 ? 21 : 17,
    width - 10,
  );
  const every = hours > 72 ? 24 * Math.ceil((LABEL * hours) / 24 / Math.max(1, width)) : 12;
  const words = plan.rounds
    .map((r) => `${said(new Date(r.at), now, zone)}: ${plural(r.flowers, 'flower')}`)
    .join('; ');
  return (
    <div>
      <div ref={ref} style={{ height: HEIGHT }}>
        {width > 0 && (
          <svg
            width={width}
            height={HEIGHT}
            role="img"
            aria-label={`Flowers over the days, at most ${Math.round(most)}; visits: ${words || 'none'}`}
            fontFamily="var(--sans)"
            fontSize={13}
            style={{ display: 'block' }}
          >
            <PhasePatterns id={id} />
            {nights(axis, light?.suns ?? []).map(([a, b]) => (
              <rect
                key={a}
                x={axis.x(a)}
                width={axis.x(b) - axis.x(a)}
                y={TOP}
                height={HEIGHT - TOP}
                fill="var(--night-wash)"
              />
            ))}
            <path
              d={half(plan.receptive, x, middle, scale, 1)}
              fill={`url(#${id}t)`}
              stroke="var(--take)"
              strokeWidth={1.3}
            />
            <path
              d={half(plan.shedding, x, middle, scale, -1)}
              fill={`url(#${id}g)`}
              stroke="var(--give-line)"
              strokeWidth={1.3}
            />
            <path d={`M0 ${middle}H${width}`} stroke="var(--ink)" />
            {plan.rounds.map((r, i) => (
              <g key={r.at}>
                <path d={`M${axis.x(r.at)} ${TOP}V${HEIGHT}`} stroke="var(--ink)" strokeWidth={2} />
                <text x={numbers[i]} y={15} textAnchor="middle" fontWeight={700} fill="var(--ink)">
                  {i + 1}
                </text>
              </g>
            ))}
          </svg>
        )}
      </div>
      <RibbonAxis from={from} until={until} zone={zone} every={every} />
      <p className="small soft">
        above the line: can be pollinated; below: shedding pollen; numbered lines: the visits
      </p>
    </div>
  );
}
