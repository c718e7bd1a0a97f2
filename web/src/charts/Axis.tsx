import type { ReactNode } from 'react';

interface Tick {
  at: number;
  label: ReactNode;
  /** The line that the others are judged by. */
  marked?: boolean;
}

const LABEL = { fill: 'var(--soft)', fontSize: 12.5 } as const;

/** Lines across a chart, each with its value at their left end. */
export function AxisLeft({ ticks, left, right }: { ticks: Tick[]; left: number; right: number }) {
  return ticks.map(({ at, label }) => (
    <g key={at}>
      <path d={`M${left} ${at}H${right}`} stroke="var(--hair)" />
      <text x={left - 6} y={at + 4} textAnchor="end" {...LABEL}>
        {label}
      </text>
    </g>
  ));
}

/** Values under a chart, with lines up to `top` where one is given. */
export function AxisBottom({ ticks, height, top }: { ticks: Tick[]; height: number; top?: number }) {
  return ticks.map(({ at, label, marked }) => (
    <g key={at}>
      {top !== undefined && (
        <path
          d={`M${at} ${top}V${height - 20}`}
          stroke={marked ? 'var(--soft)' : 'var(--hair)'}
          strokeDasharray={marked ? '3 3' : undefined}
        />
      )}
      <text x={at} y={height - 4} textAnchor="middle" {...LABEL}>
        {label}
      </text>
    </g>
  ));
}
