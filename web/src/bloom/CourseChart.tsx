import { useCropName } from '../crop/crop-name';
import { useElementSize } from '@mantine/hooks';
import { scaleLinear } from 'd3-scale';
import { useId } from 'react';
import type { Schemas } from '../api/api';
import { half } from '../charts/shapes';
import { PhasePatterns } from '../charts/PhasePatterns';
import { calendarDay } from '../format/time';
import classes from './Season.module.css';
import { locale } from '../text/locale';

type Variety = Schemas['SeasonVariety'];
const DAY = 86_400_000;
const HEIGHT = 54;
const time = (date: string) => Date.parse(`${date}T00:00:00Z`);
const iso = (at: number) => new Date(at).toISOString().slice(0, 10);

/** The first and last day on which at least a tenth of the best day is there. */
function counting(course: NonNullable<Variety['course']>, shares: number[]): string {
  const days = shares.map((s, i) => (s >= 0.1 ? i : -1)).filter((i) => i >= 0);
  if (days.length === 0) return 'never';
  const at = (i: number) => calendarDay(iso(time(course.from) + i * DAY));
  return `${at(days[0]!)} to ${at(days.at(-1)!)}`;
}

/** Each variety's season on one axis of days: above the line what is female, below what is male. */
export function CourseChart({ season }: { season: Schemas['Season'] }) {
  const cropName = useCropName();
  const id = useId();
  const { ref, width: all } = useElementSize();
  const shown = season.varieties.filter((v) => v.course);
  if (shown.length === 0)
    return <p className="soft">No variety has two years of dates, or a beginning this year, to draw from.</p>;
  const from = Math.min(...shown.map((v) => time(v.course!.from))) - 2 * DAY;
  const until =
    Math.max(...shown.map((v) => time(v.course!.from) + v.course!.receptive.length * DAY)) + 2 * DAY;
  const width = Math.max(1, all - (all < 620 ? 100 : 164));
  const x = scaleLinear([from, until], [0, width]);
  const dayOf = (v: Variety) => (i: number) => x(time(v.course!.from) + (i + 0.5) * DAY);
  const months: number[] = [];
  for (let at = from; at <= until; at += DAY) if (iso(at).endsWith('-01')) months.push(at);
  const rows = [...shown].sort((a, b) => a.course!.from.localeCompare(b.course!.from));
  return (
    <div ref={ref}>
      {all > 0 && (
        <>
          <div className={classes.course} style={{ borderTop: 0 }}>
            <span />
            <svg width={width} height={18} fontFamily="var(--sans)" fontSize={13} aria-hidden="true">
              {months.map((m) => (
                <text key={m} x={x(m) + 3} y={13} fill="var(--soft)">
                  {new Intl.DateTimeFormat(locale(), {
                    month: all < 620 ? 'narrow' : 'long',
                    timeZone: 'UTC',
                  }).format(m)}
                </text>
              ))}
            </svg>
          </div>
          {rows.map((v) => (
            <div key={v.varietyId} className={classes.course}>
              <span>
                <b>{v.name}</b>
                <div className="small soft">
                  {v.recorded ? cropName(v.crop) : `${cropName(v.crop)}, foreseen`}
                </div>
              </span>
              <svg
                width={width}
                height={HEIGHT}
                role="img"
                aria-label={`${v.name}: female ${counting(v.course!, v.course!.receptive)}, male ${counting(v.course!, v.course!.shedding)}`}
              >
                <PhasePatterns id={id} />
                {months.map((m) => (
                  <path key={m} d={`M${x(m)} 0V${HEIGHT}`} stroke="var(--hair)" />
                ))}
                <path
                  d={half(v.course!.receptive, dayOf(v), HEIGHT / 2, HEIGHT / 2 - 3, 1)}
                  fill={`url(#${id}t)`}
                  stroke="var(--take)"
                  strokeWidth={1.2}
                />
                <path
                  d={half(v.course!.shedding, dayOf(v), HEIGHT / 2, HEIGHT / 2 - 3, -1)}
                  fill={`url(#${id}g)`}
                  stroke="var(--give-line)"
                  strokeWidth={1.2}
                />
                <path d={`M0 ${HEIGHT / 2}H${width}`} stroke="var(--ink)" />
                <path
                  d={`M${x(time(season.today) + DAY / 2)} 0V${HEIGHT}`}
                  stroke="var(--ink)"
                  strokeWidth={1.5}
                  strokeDasharray="4 3"
                />
              </svg>
            </div>
          ))}
          <p className="small soft">dashed: today, {calendarDay(season.today)}</p>
          <details>
            <summary className="small">The same in words</summary>
            <ul className="small">
              {rows.map((v) => (
                <li key={v.varietyId}>
                  {v.name}: female {counting(v.course!, v.course!.receptive)}; male{' '}
                  {counting(v.course!, v.course!.shedding)}
                </li>
              ))}
            </ul>
          </details>
        </>
      )}
    </div>
  );
}
