import { useElementSize } from '@mantine/hooks';
import { useId, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Schemas } from '../api/api';
import { counts } from '../format/numbers';
import { PhasePatterns } from './PhasePatterns';
import { said } from '../format/time';
import { half } from './shapes';
import { through } from './through';
import { nights, ticks, timeAxis } from './time-axis';
import { locale } from '../text/locale';

type Count = Schemas['FlowerCount'];

interface Props {
  row: Schemas['BloomRow'];
  from: string;
  until: string;
  stepMinutes: number;
  suns: Schemas['SunDay'][];
  zone: string;
  /** Flowers at the full height of one half. */
  most: number;
  height?: number;
  every?: number;
}

const means = (counts: Count[]) => counts.map((c) => c.mean);

const between = (c: Count) => (c.low === c.high ? `${c.low}` : `${c.low} to ${c.high}`);

/**
 * One tree's flowers over time: above the line female flowers (rings), below it male ones (dots), a thin
 * edge where 8 times in 10 the true number stays within. Point, tap or use the arrow keys for the numbers.
 */
export function Ribbon({ row, from, until, stepMinutes, suns, zone, most, height = 62, every = 6 }: Props) {
  const id = useId();
  const { ref, width } = useElementSize();
  const [at, setAt] = useState<number>();
  const axis = timeAxis(from, until, Math.max(width, 1));
  const middle = height / 2;
  const scale = (middle - 3) / Math.max(most, 1);
  const x = (i: number) => axis.x(axis.from + i * stepMinutes * 60_000);
  const receptive = counts(row.receptive);
  const shedding = counts(row.shedding);
  const last = receptive.length - 1;
  const point = (e: PointerEvent<HTMLDivElement>) => {
    const left = e.clientX - e.currentTarget.getBoundingClientRect().left;
    setAt(Math.min(last, Math.max(0, Math.round((left / width) * last))));
  };
  const keys = (e: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, PageDown: 12, PageUp: -12 }[e.key];
    if (step === undefined) return;
    e.preventDefault();
    setAt((i) => Math.min(last, Math.max(0, (i ?? 0) + step)));
  };
  const shown =
    at === undefined
      ? undefined
      : `${said(new Date(axis.from + at * stepMinutes * 60_000), new Date(from), zone)}: ${between(receptive[at]!)} female, ${between(shedding[at]!)} male`;
  return (
    <div
      ref={ref}
      style={{ position: 'relative', height, touchAction: 'pan-y' }}
      tabIndex={0}
      role="slider"
      aria-label={`${row.treeName} over time`}
      aria-valuemin={0}
      aria-valuemax={last}
      aria-valuenow={at ?? 0}
      aria-valuetext={shown ?? 'arrow keys read the numbers'}
      onPointerMove={point}
      onPointerDown={point}
      onPointerLeave={() => setAt(undefined)}
      onBlur={() => setAt(undefined)}
      onKeyDown={keys}
    >
      {width > 0 && (
        <svg width={width} height={height} style={{ display: 'block' }} aria-hidden="true">
          <PhasePatterns id={id} />
          {nights(axis, suns).map(([a, b]) => (
            <rect
              key={a}
              x={axis.x(a)}
              width={axis.x(b) - axis.x(a)}
              height={height}
              fill="var(--night-wash)"
            />
          ))}
          {ticks(axis, every, zone).map((t) => (
            <path key={t} d={`M${axis.x(t)} 0V${height}`} stroke="var(--hair)" />
          ))}
          <path
            d={half(means(receptive), x, middle, scale, 1)}
            fill={`url(#${id}t)`}
            stroke="var(--take)"
            strokeWidth={1.3}
          />
          <path
            d={half(means(shedding), x, middle, scale, -1)}
            fill={`url(#${id}g)`}
            stroke="var(--give-line)"
            strokeWidth={1.3}
          />
          <path
            d={through(
              receptive,
              (_, i) => x(i),
              (c) => middle - c.high * scale,
            )}
            fill="none"
            stroke="var(--take)"
            strokeWidth={0.8}
            opacity={0.6}
          />
          <path
            d={through(
              shedding,
              (_, i) => x(i),
              (c) => middle + c.high * scale,
            )}
            fill="none"
            stroke="var(--give-line)"
            strokeWidth={0.8}
            opacity={0.7}
          />
          <path d={`M0 ${middle}H${width}`} stroke="var(--ink)" />
          {at !== undefined && <path d={`M${x(at)} 0V${height}`} stroke="var(--ink)" strokeWidth={1.5} />}
        </svg>
      )}
      {shown && (
        <span
          style={{
            position: 'absolute',
            top: -4,
            left: Math.min(Math.max(0, x(at!) - 90), Math.max(0, width - 210)),
            background: 'var(--ink)',
            color: 'var(--card)',
            borderRadius: 5,
            padding: '2px 8px',
            fontSize: 13.5,
            whiteSpace: 'nowrap',
            pointerEvents: 'none',
            zIndex: 3,
          }}
        >
          {shown}
        </span>
      )}
    </div>
  );
}

/** The hours under or over a stack of ribbons. */
export function RibbonAxis({
  from,
  until,
  zone,
  every,
}: {
  from: string;
  until: string;
  zone: string;
  every: number;
}) {
  const { ref, width } = useElementSize();
  const axis = timeAxis(from, until, Math.max(width, 1));
  return (
    <div ref={ref} style={{ height: 20 }} aria-hidden="true">
      {width > 0 && (
        <svg width={width} height={20} style={{ display: 'block' }} fontFamily="var(--sans)" fontSize={13}>
          {ticks(axis, every, zone).map((t) => (
            <text
              key={t}
              x={axis.x(t)}
              y={14}
              textAnchor={axis.x(t) < 24 ? 'start' : axis.x(t) > width - 24 ? 'end' : 'middle'}
              fill="var(--soft)"
            >
              {axisLabel(new Date(t), zone)}
            </text>
          ))}
        </svg>
      )}
    </div>
  );
}

function axisLabel(at: Date, zone: string): string {
  const hour = new Intl.DateTimeFormat(locale(), {
    timeZone: zone,
    hour: '2-digit',
    hourCycle: 'h23',
  }).format(at);
  if (hour !== '00') return `${hour}:00`;
  return new Intl.DateTimeFormat(locale(), { timeZone: zone, weekday: 'short', day: 'numeric' }).format(at);
}
