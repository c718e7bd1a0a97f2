import { useElementSize } from '@mantine/hooks';
import { scaleLinear, scaleTime } from 'd3-scale';
import type { Schemas } from '../api/api';
import { AxisBottom, AxisLeft } from '../charts/Axis';
import { band } from '../charts/shapes';
import { through } from '../charts/through';
import { percent } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { dayAndClock, shortDay } from '../format/time';

const HEIGHT = 210;
const LEFT = 46;
const RIGHT = 12;
const TOP = 10;
const BOTTOM = 34;

/** What is alive in a jar over time, with its interval, the tests, now, and the least that is worth using. */
export function CurveChart({ story }: { story: Schemas['LotStory'] }) {
  const { now, zone } = useHere();
  const { ref, width } = useElementSize();
  const points = story.course;
  const from = Date.parse(points[0]!.at);
  const until = Math.max(Date.parse(points.at(-1)!.at), now.getTime());
  const x = scaleTime([from, until], [LEFT, width - RIGHT]);
  const y = scaleLinear([0, 1], [HEIGHT - BOTTOM, TOP]);
  const xOf = (p: Schemas['ViabilityPoint']) => x(Date.parse(p.at));
  const good = story.lot.viability.goodUntil;
  const ticks = Math.max(2, Math.floor(width / 170));
  const share = story.lot.viability.share;
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Share alive over time: ${percent(share)} now${good ? `, good enough until ${dayAndClock(new Date(good), zone)}` : ', too little alive to use'}`}
          fontFamily="var(--sans)"
          fontSize={13}
        >
          <AxisLeft
            ticks={y.ticks(4).map((share) => ({ at: y(share), label: percent(share) }))}
            left={LEFT}
            right={width - RIGHT}
          />
          <path
            d={band(
              points,
              xOf,
              (p) => y(p.low),
              (p) => y(p.high),
            )}
            fill="var(--give-mid)"
            opacity={0.6}
          />
          <path
            d={through(points, xOf, (p) => y(p.share))}
            fill="none"
            stroke="var(--give)"
            strokeWidth={2.4}
          />
          <path
            d={`M${LEFT} ${y(story.usefulFrom)}H${width - RIGHT}`}
            stroke="var(--warn)"
            strokeDasharray="6 4"
          />
          <text x={width - RIGHT} y={y(story.usefulFrom) - 5} textAnchor="end" fill="var(--warn)">
            least that is good enough
          </text>
          <path d={`M${x(now.getTime())} ${TOP}V${HEIGHT - BOTTOM}`} stroke="var(--ink)" />
          <text
            x={Math.min(x(now.getTime()) + 5, width - 40)}
            y={TOP + 12}
            fill="var(--ink)"
            fontWeight={700}
          >
            now
          </text>
          {story.tests.map((t) => (
            <g key={t.id}>
              <circle
                cx={x(Date.parse(t.at))}
                cy={y(t.after)}
                r={5.5}
                fill="var(--card)"
                stroke="var(--give)"
                strokeWidth={2.4}
              />
              <text x={x(Date.parse(t.at)) + 9} y={y(t.after) - 8} fill="var(--give)">
                test
              </text>
            </g>
          ))}
          <AxisBottom
            ticks={Array.from({ length: ticks }, (_, i) => from + ((i + 0.5) / ticks) * (until - from)).map(
              (at) => ({
                at: x(at),
                label:
                  until - from > 3 * 86_400_000
                    ? shortDay(new Date(at), zone)
                    : dayAndClock(new Date(at), zone),
              }),
            )}
            height={HEIGHT - 6}
          />
        </svg>
      )}
      <p className="small soft">
        line: expected share of living grains; band: where it lies eight times in ten
        {story.tests.length > 0 && '; rings: what was believed after each test'}
      </p>
    </div>
  );
}
