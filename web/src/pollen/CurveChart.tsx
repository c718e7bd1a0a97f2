import { useElementSize } from '@mantine/hooks';
import type { Schemas } from '../api/api';
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
  const x = (at: number) => LEFT + ((at - from) / (until - from)) * (width - LEFT - RIGHT);
  const y = (share: number) => TOP + (1 - share) * (HEIGHT - TOP - BOTTOM);
  const path = (of: (p: (typeof points)[number]) => number) =>
    points.map((p) => `${x(Date.parse(p.at)).toFixed(1)} ${y(of(p)).toFixed(1)}`);
  const band = `M${path((p) => p.high).join('L')}L${path((p) => p.low)
    .reverse()
    .join('L')}Z`;
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
          {[0, 0.25, 0.5, 0.75, 1].map((s) => (
            <g key={s}>
              <path d={`M${LEFT} ${y(s)}H${width - RIGHT}`} stroke="var(--hair)" />
              <text x={LEFT - 6} y={y(s) + 4} textAnchor="end" fill="var(--soft)">
                {percent(s)}
              </text>
            </g>
          ))}
          <path d={band} fill="var(--give-mid)" opacity={0.6} />
          <path d={`M${path((p) => p.share).join('L')}`} fill="none" stroke="var(--give)" strokeWidth={2.4} />
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
          {Array.from({ length: ticks }, (_, i) => from + ((i + 0.5) / ticks) * (until - from)).map((at) => (
            <text key={at} x={x(at)} y={HEIGHT - 10} textAnchor="middle" fill="var(--soft)">
              {until - from > 3 * 86_400_000 ? shortDay(new Date(at), zone) : dayAndClock(new Date(at), zone)}
            </text>
          ))}
        </svg>
      )}
      <p className="small soft">
        line: expected share of living grains; band: where it lies eight times in ten
        {story.tests.length > 0 && '; rings: what was believed after each test'}
      </p>
    </div>
  );
}
