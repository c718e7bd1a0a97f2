import { useElementSize } from '@mantine/hooks';
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import type { Schemas } from '../api/api';
import { percent } from '../format/numbers';
import { AxisBottom, AxisLeft } from '../charts/Axis';
import { AsTable } from './AsTable';
import classes from './Findings.module.css';

type Curve = Schemas['RetentionCurve'];

const HEIGHT = 230;
const LEFT = 44;
const BOTTOM = 26;
/** Told apart by the stroke first, by colour second. */
const STROKES = ['', '9 4', '2 4', '12 4 2 4', '5 3', '1 3'];
const COLOURS = ['var(--leaf)', 'var(--take)', 'var(--give)', 'var(--night)', 'var(--warn)', 'var(--soft)'];

/** 1 until the first loss, then a step down at each. */
const path = (curve: Curve, x: (day: number) => number, y: (share: number) => number): string =>
  line<{ day: number; share: number }>()
    .digits(1)
    .curve(curveStepAfter)
    .x((p) => x(p.day))
    .y((p) => y(p.share))([
    { day: 0, share: 1 },
    ...curve.steps,
    { day: curve.lastDay, share: curve.steps.at(-1)?.share ?? 1 },
  ]) ?? '';

/** Labels beside their curves' ends, moved apart where they would lie on one another. */
function labelled(curves: Curve[], y: (share: number) => number) {
  const ends = curves
    .map((c, i) => ({ c, i, at: y(c.steps.at(-1)?.share ?? 1) }))
    .sort((a, b) => a.at - b.at);
  ends.forEach((e, k) => {
    const before = ends[k - 1];
    if (before && e.at < before.at + 17) e.at = before.at + 17;
  });
  return ends;
}

/** What of each class still holds, day by day. */
export function Curves({ of }: { of: Schemas['Retention'] }) {
  const { ref, width: all } = useElementSize();
  const last = Math.max(1, ...of.curves.map((c) => c.lastDay));
  const labels = all < 560 ? 0 : 200;
  const width = Math.max(80, all - LEFT - labels - 12);
  const x = scaleLinear([0, last], [LEFT, LEFT + width]);
  const y = scaleLinear([0, 1], [HEIGHT - BOTTOM, 10]);
  const every = [1, 2, 5, 7, 10, 14, 20, 30, 60, 90].find((d) => (width / last) * d >= 44) ?? 120;
  const days = Array.from({ length: Math.floor(last / every) + 1 }, (_, i) => i * every);
  return (
    <div ref={ref}>
      {all > 0 && (
        <svg
          width={all}
          height={HEIGHT}
          role="img"
          aria-label={`What still holds by ${of.title.toLowerCase()}: ${of.curves
            .map((c) => `${c.name} ${percent(c.steps.at(-1)?.share ?? 1)} after ${c.lastDay} days`)
            .join('; ')}`}
          fontFamily="var(--sans)"
          fontSize={13}
        >
          <AxisLeft
            ticks={y.ticks(4).map((t) => ({ at: y(t), label: percent(t) }))}
            left={LEFT}
            right={LEFT + width}
          />
          <AxisBottom ticks={days.map((d) => ({ at: x(d), label: d === 0 ? 'day 0' : d }))} height={HEIGHT} />
          {of.curves.map((c, i) => (
            <g key={c.level} stroke={COLOURS[i]} fill="none">
              <path d={path(c, x, y)} strokeWidth={2.6} strokeDasharray={STROKES[i]} />
              {c.steps
                .filter((s) => s.lower !== undefined)
                .map((s) => (
                  <path
                    key={s.day}
                    d={`M${x(s.day) + (i - 2) * 3} ${y(s.lower!)}V${y(s.upper!)}`}
                    strokeWidth={1.4}
                    opacity={0.55}
                  />
                ))}
            </g>
          ))}
          {labels > 0 &&
            labelled(of.curves, y).map(({ c, i, at }) => (
              <g key={c.level}>
                <path
                  d={`M${LEFT + width + 6} ${at}h20`}
                  stroke={COLOURS[i]}
                  strokeWidth={2.6}
                  strokeDasharray={STROKES[i]}
                />
                <text x={LEFT + width + 32} y={at + 4} fill="var(--ink)">
                  {c.name}
                </text>
              </g>
            ))}
        </svg>
      )}
      {labels === 0 && (
        <ul className={classes.legend}>
          {of.curves.map((c, i) => (
            <li key={c.level}>
              <svg width={34} height={10} aria-hidden="true">
                <path d="M0 5H34" stroke={COLOURS[i]} strokeWidth={2.6} strokeDasharray={STROKES[i]} />
              </svg>
              {c.name}
            </li>
          ))}
        </ul>
      )}
      <AsTable words={[of.title]} figures={['Day', 'Followed until then', 'Still holds', '95 % interval']}>
        {of.curves.flatMap((c) =>
          c.steps.length === 0
            ? [
                <tr key={c.level}>
                  <td>{c.name}</td>
                  <td className="num">{c.lastDay}</td>
                  <td className="num">{c.followed}</td>
                  <td className="num">{percent(1)}</td>
                  <td className="num">none lost</td>
                </tr>,
              ]
            : c.steps.map((s) => (
                <tr key={`${c.level} ${s.day}`}>
                  <td>{c.name}</td>
                  <td className="num">{s.day}</td>
                  <td className="num">{s.atRisk}</td>
                  <td className="num">{percent(s.share)}</td>
                  <td className="num">
                    {s.lower === undefined ? '–' : `${percent(s.lower)} to ${percent(s.upper!)}`}
                  </td>
                </tr>
              )),
        )}
      </AsTable>
    </div>
  );
}
