import { useElementSize } from '@mantine/hooks';
import { scaleLinear } from 'd3-scale';
import type { Schemas } from '../api/api';
import { AxisBottom } from '../charts/Axis';
import { through } from '../charts/through';
import { calendarDay } from '../format/time';
import { decimal } from '../format/numbers';

const HEIGHT = 120;
const SIDE = 50;

/** Chill and heat week by week, each on its own scale. */
export function WeekChart({ weeks }: { weeks: Schemas['WinterWeek'][] }) {
  const { ref, width } = useElementSize();
  if (weeks.length < 2)
    return <p className="small soft">The season has only begun; in two weeks there is a line here.</p>;
  const chill = Math.max(1, ...weeks.map((w) => w.chillPortions));
  const heat = Math.max(1, ...weeks.map((w) => w.growingDegreeHours));
  const x = scaleLinear([0, weeks.length - 1], [SIDE, width - SIDE]);
  const y = scaleLinear([0, 1], [HEIGHT - 26, 8]);
  const path = (of: (w: Schemas['WinterWeek']) => number) =>
    through(
      weeks,
      (_, i) => x(i),
      (w) => y(of(w)),
    );
  const every = Math.ceil(weeks.length / Math.max(2, Math.floor(width / 110)));
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Chill portions rise to ${decimal(chill, 1)}, growing degree hours to ${Math.round(heat)} by ${calendarDay(weeks.at(-1)!.until)}`}
          fontFamily="var(--sans)"
          fontSize={13}
        >
          <path d={`M${SIDE} ${y(0)}H${width - SIDE}`} stroke="var(--line)" />
          <path d={path((w) => w.chillPortions / chill)} fill="none" stroke="#25324a" strokeWidth={2.2} />
          <path
            d={path((w) => w.growingDegreeHours / heat)}
            fill="none"
            stroke="#b5482a"
            strokeWidth={2.2}
            strokeDasharray="7 4"
          />
          <text x={SIDE - 6} y={y(1) + 4} textAnchor="end" fill="#25324a">
            {decimal(chill, 0)}
          </text>
          <text x={width - SIDE + 6} y={y(1) + 4} fill="#b5482a">
            {decimal(heat, 0)}
          </text>
          <AxisBottom
            ticks={weeks.flatMap((w, i) =>
              i % every === 0 ? [{ at: x(i), label: calendarDay(w.until).slice(4) }] : [],
            )}
            height={HEIGHT}
          />
        </svg>
      )}
      <p className="small soft">
        line, left scale: chill portions; dashes, right scale: growing degree hours
      </p>
    </div>
  );
}
