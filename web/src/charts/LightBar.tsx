import { useElementSize } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/api';
import { temperature } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { clock, longDay } from '../format/time';
import { through } from './through';
import { nights, ticks, timeAxis } from './time-axis';
import { t } from '../text/text';

const HEIGHT = 62;

function temperatureLine(light: Schemas['Light'], x: (at: number) => number): string {
  const low = Math.min(...light.celsius);
  const high = Math.max(...light.celsius, low + 4);
  const start = Date.parse(light.from);
  return through(
    light.celsius,
    (_, i) => x(start + i * light.stepMinutes * 60_000),
    (c) => 46 - ((c - low) / (high - low)) * 16,
  );
}

/** Words that stay legible over day and night alike. */
function Label({ x, align, text }: { x: number; align: 'start' | 'end'; text: string }) {
  const width = text.length * 6.4 + 14;
  return (
    <g>
      <rect x={align === 'start' ? x : x - width} y={4} width={width} height={20} rx={4} fill="#1f2a26" />
      <text x={align === 'start' ? x + width / 2 : x - width / 2} y={18} textAnchor="middle" fill="#fff">
        {text}
      </text>
    </g>
  );
}

/** The coming day over every page: light and dark, temperature, and the hours that matter. */
export function LightBar({ visits = [] }: { visits?: { at: string; until: string }[] | undefined }) {
  const { zone, now, orchard } = useHere();
  const { ref, width } = useElementSize();
  const { data: light } = useQuery(queries.light(24));
  if (!light) return <div ref={ref} style={{ height: HEIGHT, background: '#fdf6df' }} />;
  const axis = timeAxis(light.from, light.until, Math.max(width, 1));
  const sun = light.suns.find((s) => s.sunset && Date.parse(s.sunset) > axis.from);
  const rise = light.suns.find((s) => s.sunrise && Date.parse(s.sunrise) > axis.from);
  const sunset = sun?.sunset;
  const said = [
    sunset && t('light.sunset', { clock: clock(new Date(sunset), zone) }),
    sun?.dusk && t('light.dark', { clock: clock(new Date(sun.dusk), zone) }),
    rise?.sunrise && t('light.sunrise', { clock: clock(new Date(rise.sunrise), zone) }),
  ].filter(Boolean);
  const dark = nights(axis, light.suns);
  const inDark = (at: number) => dark.some(([a, b]) => at >= a && at <= b);
  const wide = width >= 700;
  const nowWords = `${clock(now, zone)}, ${temperature(light.celsius[0]!, orchard.units)}`;
  return (
    <div
      ref={ref}
      className="noprint"
      style={{
        height: HEIGHT,
        background: '#fdf6df',
        borderBottom: '1px solid var(--line)',
        overflow: 'hidden',
      }}
      role="img"
      aria-label={`${longDay(now, zone)}, ${clock(now, zone)}, ${temperature(light.celsius[0]!, orchard.units)}; ${said.join(', ')}${visits.map((v) => t('light.visit', { clock: clock(new Date(v.at), zone) })).join('')}`}
    >
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          style={{ display: 'block' }}
          fontFamily="var(--sans)"
          fontSize={13}
        >
          {dark.map(([a, b]) => (
            <rect key={a} x={axis.x(a)} width={axis.x(b) - axis.x(a)} height={HEIGHT} fill="#25324a" />
          ))}
          {light.suns.map(
            (s) =>
              s.sunset &&
              s.dusk && (
                <rect
                  key={s.date}
                  x={axis.x(s.sunset)}
                  width={axis.x(s.dusk) - axis.x(s.sunset)}
                  height={HEIGHT}
                  fill="#c9a27a"
                />
              ),
          )}
          {visits.map((v) => (
            <rect
              key={v.at}
              x={axis.x(v.at)}
              width={Math.max(2, axis.x(v.until) - axis.x(v.at))}
              y={0}
              height={HEIGHT}
              fill={inDark(Date.parse(v.at)) ? '#cfe3d6' : '#2c5746'}
              opacity={0.2}
            />
          ))}
          <path d={temperatureLine(light, axis.x)} fill="none" stroke="#b5482a" strokeWidth={2} />
          {visits.map((v, i) => (
            <g key={v.at} transform={`translate(${axis.x(v.at)} 26)`} data-flag={i + 1}>
              <rect width={22} height={18} rx={4} fill={inDark(Date.parse(v.at)) ? '#e7b33f' : '#2c5746'} />
              <text
                x={11}
                y={13.5}
                textAnchor="middle"
                fontWeight={700}
                fill={inDark(Date.parse(v.at)) ? '#22302b' : '#fff'}
              >
                {i + 1}
              </text>
            </g>
          ))}
          {ticks(axis, wide ? 3 : 6, zone).map((at) => (
            <g key={at}>
              <path d={`M${axis.x(at)} 50V${HEIGHT}`} stroke="#b9b096" />
              <text x={axis.x(at) + 4} y={58} fill={inDark(at + 25 * 60_000) ? '#d5deeb' : '#5f5945'}>
                {clock(new Date(at), zone)}
              </text>
            </g>
          ))}
          <rect x={0} y={0} width={3} height={HEIGHT} fill="#1f2a26" />
          <Label
            x={8}
            align="start"
            text={wide ? t('light.now', { day: longDay(now, zone), now: nowWords }) : nowWords}
          />
          {wide && <Label x={width - 8} align="end" text={said.join(' · ')} />}
        </svg>
      )}
    </div>
  );
}
