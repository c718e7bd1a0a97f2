import type { ReactElement } from 'react';
import type { Schemas } from '../api/api';

type GlyphData = Schemas['FlowerGlyph'];
interface Drawing {
  g: GlyphData;
}

const CENTRE = 36;
const p = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
const rad = (degrees: number) => (degrees * Math.PI) / 180;
/** A point some way from another, 0° being down and 90° to the right. */
const away = (x: number, y: number, degrees: number, length: number): [number, number] => [
  x + Math.sin(rad(degrees)) * length,
  y + Math.cos(rad(degrees)) * length,
];
const line = (g: GlyphData) => ({
  fill: g.petal,
  stroke: g.edge,
  strokeWidth: 1.6,
  strokeLinejoin: 'round' as const,
});

/** A petal: a leaf shape from one point to another, as wide as wanted. */
function leaf(x: number, y: number, degrees: number, length: number, width: number): string {
  const tip = away(x, y, degrees, length);
  const [mx, my] = away(x, y, degrees, length * 0.55);
  const a = away(mx, my, degrees + 90, width);
  const b = away(mx, my, degrees - 90, width);
  return `M${p(x, y)}Q${p(...a)} ${p(...tip)}Q${p(...b)} ${p(x, y)}Z`;
}

/** Loose grains that fall. */
function Dust({
  x,
  y,
  w,
  h,
  colour = '#d99a10',
}: {
  x: number;
  y: number;
  w: number;
  h: number;
  colour?: string;
}) {
  return Array.from({ length: 9 }, (_, i) => (
    <circle key={i} cx={x + ((i * 17) % w)} cy={y + ((i * 11) % h)} r={1.7} fill={colour} />
  ));
}

/** The ball of pistils and anthers in the middle of the custard apples and their kin. */
function Dome({ g, y = 22 }: { g: GlyphData; y?: number }) {
  const loose = g.dome === 'loose';
  const bare = g.dome === 'bare';
  return (
    <>
      <circle
        cx={CENTRE}
        cy={y}
        r={loose ? 10.5 : 8.5}
        fill={loose ? '#efdc9b' : bare ? '#c9b48a' : '#f6f2df'}
        stroke="#a8935a"
        strokeWidth={1.4}
        strokeDasharray={loose ? '2.4 2' : undefined}
      />
      <circle cx={CENTRE} cy={y + 2} r={4} fill={loose ? '#b39a62' : bare ? '#7d6339' : '#8fae63'} />
    </>
  );
}

/** Three narrow petals hanging round a dome. */
function Annona({ g }: Drawing) {
  if (g.spread === 0)
    return (
      <>
        <path d="M36 16C24 22 27 48 36 56C45 48 48 22 36 16Z" {...line(g)} />
        <path d="M36 18V54" stroke={g.edge} strokeWidth={1.1} />
      </>
    );
  const petal = (degrees: number) => leaf(CENTRE, 15, degrees, 45, 10);
  return (
    <>
      <path d={petal(-g.spread * 62)} {...line(g)} />
      <path d={petal(g.spread * 62)} {...line(g)} />
      {g.dome !== 'hidden' && <Dome g={g} />}
      <path d={petal(0)} {...line(g)} opacity={g.dome === 'hidden' ? 1 : 0.82} />
      {g.dust && <Dust x={24} y={36} w={26} h={26} />}
    </>
  );
}

/** Broad petals that nod like a cup, the ball of anthers under it. */
function Cup({ g }: Drawing) {
  const open = 8 + g.spread * 24;
  const lip = 50 - g.spread * 14;
  return (
    <>
      {g.dome !== 'hidden' && (
        <g transform="translate(0 20)">
          <Dome g={g} y={24} />
        </g>
      )}
      {g.spread > 0.1 && (
        <path
          d={`M36 14C${p(30 - open, 18)} ${p(34 - open, lip - 6)} ${p(36 - open, lip)}Q${p(30 - open * 0.3, lip - 4)} 36 30Z`}
          {...line(g)}
        />
      )}
      {g.spread > 0.1 && (
        <path
          d={`M36 14C${p(42 + open, 18)} ${p(38 + open, lip - 6)} ${p(36 + open, lip)}Q${p(42 + open * 0.3, lip - 4)} 36 30Z`}
          {...line(g)}
        />
      )}
      <path
        d={`M36 13C${p(22, 18)} ${p(24, 36)} ${p(36, g.spread > 0.1 ? 42 - g.spread * 6 : 40)}C${p(48, 36)} ${p(50, 18)} 36 13Z`}
        {...line(g)}
      />
      <path d="M31 18Q28 26 30 34M41 18Q44 26 42 34" stroke={g.edge} strokeWidth={1.2} fill="none" />
      {g.dust && <Dust x={25} y={50} w={24} h={16} colour="#cdbf83" />}
    </>
  );
}

/** Three thick outer petals, three inner ones over the ball; at the end only the ball is left. */
function Heart({ g }: Drawing) {
  if (g.spread >= 1)
    return (
      <>
        <Dome g={g} y={24} />
        <path d={leaf(14, 62, 80, 18, 8)} {...line(g)} opacity={0.75} />
        <path d={leaf(42, 66, 100, 18, 8)} {...line(g)} opacity={0.75} />
        {g.dust && <Dust x={25} y={38} w={23} h={14} />}
      </>
    );
  const out = g.spread * 44;
  return (
    <>
      {g.spread > 0.3 && <path d={leaf(CENTRE, 15, -out, 40, 17)} {...line(g)} />}
      {g.spread > 0.3 && <path d={leaf(CENTRE, 15, out, 40, 17)} {...line(g)} />}
      <path
        d="M36 14C14 20 20 46 36 58C52 46 58 20 36 14Z"
        {...line(g)}
        fill={g.spread > 0.3 ? g.accent : g.petal}
      />
      <path d={g.spread > 0.8 ? 'M36 24L30 52M36 24L42 52' : 'M36 16V56'} stroke={g.edge} strokeWidth={1.3} />
    </>
  );
}

/** A long tube of many narrow petals. */
function Cactus({ g }: Drawing) {
  const rays = g.spread < 0.3 ? [0] : [-84, -56, -28, 0, 28, 56, 84];
  const limp = g.dome === 'bare';
  return (
    <g transform={limp ? 'rotate(28 36 12)' : undefined}>
      <path d={`M33 12Q30 30 31 40H41Q42 30 39 12Z`} fill="#93ab66" stroke="#5c7436" strokeWidth={1.4} />
      {g.spread < 0.3 && <path d={`M29 36C26 50 32 60 36 66C40 60 46 50 43 36Q36 40 29 36Z`} {...line(g)} />}
      {g.spread >= 0.3 &&
        rays.map((a) => <path key={a} d={leaf(CENTRE, 38, a * g.spread, 28, 6)} {...line(g)} />)}
      {g.dome === 'loose' && (
        <>
          {[-30, -15, 0, 15, 30].map((a) => {
            const [x, y] = away(CENTRE, 40, a, 15);
            return <circle key={a} cx={x} cy={y} r={2} fill={g.accent} />;
          })}
          <path d="M36 40V62M36 62l-3 4M36 62l3 4M36 62v5" stroke="#7a8a3a" strokeWidth={1.8} />
        </>
      )}
    </g>
  );
}

/** Five round petals seen from the front. */
function Five({ g }: Drawing) {
  if (g.spread === 0)
    return (
      <>
        {[
          [26, 30],
          [46, 30],
          [36, 44],
        ].map(([x, y]) => (
          <g key={x}>
            <path d={`M36 14L${x} ${y! - 6}`} stroke="#7a8a4a" strokeWidth={2.2} />
            <circle cx={x} cy={y} r={8.5} {...line(g)} />
            <path
              d={`M${x! - 7} ${y! - 4}Q${x} ${y! - 12} ${x! + 7} ${y! - 4}`}
              fill="none"
              stroke={g.edge}
              strokeWidth={1.6}
            />
          </g>
        ))}
      </>
    );
  if (g.spread < 0.5)
    return (
      <>
        <circle cx={CENTRE} cy={38} r={18} {...line(g)} />
        <path
          d="M36 20Q26 36 34 56M36 20Q48 34 42 55M24 27Q33 20 48 27"
          fill="none"
          stroke={g.edge}
          strokeWidth={1.4}
        />
      </>
    );
  const falling = g.dome === 'bare' && g.spread < 0.7;
  const petals = falling ? [36, 180] : [0, 72, 144, 216, 288];
  return (
    <>
      {petals.map((a) => {
        const [x, y] = away(CENTRE, 40, a + 180, 15 * g.spread);
        return (
          <ellipse
            key={a}
            cx={x}
            cy={y}
            rx={10.5}
            ry={12}
            transform={`rotate(${-a} ${x} ${y})`}
            {...line(g)}
          />
        );
      })}
      {[0, 45, 90, 135, 180, 225, 270, 315].map((a) => {
        const [x, y] = away(CENTRE, 40, a, 10);
        return (
          <g key={a}>
            <path d={`M36 40L${p(x, y)}`} stroke="#b9b08a" strokeWidth={0.9} />
            <circle cx={x} cy={y} r={g.dome === 'bare' ? 1.2 : 2.4} fill={g.accent} />
          </g>
        );
      })}
      <circle cx={CENTRE} cy={40} r={4} fill="#a9c26a" stroke="#6d8043" />
      {falling && <ellipse cx={20} cy={64} rx={8} ry={4} {...line(g)} />}
      {g.dust && <Dust x={24} y={30} w={25} h={22} />}
    </>
  );
}

/** Cupped fleshy petals under a brush of long stamens. */
function Brush({ g }: Drawing) {
  if (g.spread === 0)
    return (
      <>
        <circle cx={CENTRE} cy={34} r={15} {...line(g)} />
        <path d="M24 26Q36 36 48 26" fill="none" stroke={g.edge} strokeWidth={1.4} />
      </>
    );
  const stamens = [-62, -46, -31, -16, 0, 16, 31, 46, 62];
  return (
    <>
      {[-70, -28, 28, 70].map((a) => (
        <path key={a} d={leaf(CENTRE, 22, a, 23, 13)} {...line(g)} />
      ))}
      {stamens.map((a) => {
        const [x, y] = away(CENTRE, 24, a * g.spread, 32);
        return (
          <g key={a}>
            <path d={`M36 24L${p(x, y)}`} stroke={g.accent} strokeWidth={1.5} />
            {g.dome !== 'bare' && (
              <circle cx={x} cy={y} r={2.3} fill={g.dome === 'loose' ? '#e9bd2c' : g.accent} />
            )}
          </g>
        );
      })}
      <path d="M36 22V64" stroke="#6d8043" strokeWidth={2} />
      {g.dust && <Dust x={20} y={52} w={33} h={14} />}
    </>
  );
}

/** Five thick straps round one pistil. */
function Strap({ g }: Drawing) {
  if (g.spread === 0) return <path d="M36 14C26 18 27 44 36 52C45 44 46 18 36 14Z" {...line(g)} />;
  const limp = g.dome === 'bare';
  return (
    <>
      {[-100, -50, 0, 50, 100].map((a) => (
        <path key={a} d={leaf(CENTRE, 28, a * g.spread, limp ? 24 : 30, 7)} {...line(g)} />
      ))}
      <path d="M36 28V46" stroke="#8a9a4a" strokeWidth={3} />
      <circle cx={CENTRE} cy={47} r={3.6} fill={limp ? '#8a6a3a' : '#c9d27a'} stroke="#7f8a3e" />
      {!limp &&
        [-34, -18, 18, 34].map((a) => {
          const [x, y] = away(CENTRE, 28, a, 15);
          return (
            <ellipse
              key={a}
              cx={x}
              cy={y}
              rx={1.8}
              ry={3.4}
              fill={g.accent}
              transform={`rotate(${-a} ${x} ${y})`}
            />
          );
        })}
      {g.dust && <Dust x={25} y={46} w={23} h={16} />}
    </>
  );
}

/** A fig, small or large, and its eye. */
function Fig({ g }: Drawing) {
  const r = 9 + g.spread * 15;
  const y = 26 + g.spread * 16;
  return (
    <>
      <path
        d={`M36 12C${p(32, 18)} ${p(CENTRE - r, y - r * 0.7)} ${p(CENTRE - r, y + 2)}A${r} ${r} 0 0 0 ${p(CENTRE + r, y + 2)}C${p(CENTRE + r, y - r * 0.7)} ${p(40, 18)} 36 12Z`}
        {...line(g)}
      />
      <path
        d={`M36 16Q${p(36 - r * 0.5, y)} ${p(36 - r * 0.3, y + r * 0.8)}M36 16Q${p(36 + r * 0.5, y)} ${p(36 + r * 0.3, y + r * 0.8)}`}
        fill="none"
        stroke={g.edge}
        strokeWidth={1}
        opacity={0.6}
      />
      <circle
        cx={CENTRE}
        cy={y + r * 0.86}
        r={g.dome === 'hidden' ? 1.6 : 3.2}
        fill={g.accent}
        stroke={g.edge}
        strokeWidth={0.8}
      />
      {g.dust && <Dust x={28} y={y + r + 2} w={17} h={8} />}
    </>
  );
}

/** A narrow tube with a small mouth. */
function Tube({ g }: Drawing) {
  const mouth = 5 + g.spread * 12;
  return (
    <>
      <path
        d={`M32 14Q30 36 ${p(CENTRE - mouth, 54)}H${(CENTRE + mouth).toFixed(1)}Q42 36 40 14Z`}
        {...line(g)}
      />
      <ellipse
        cx={CENTRE}
        cy={54}
        rx={mouth}
        ry={2 + g.spread * 4.5}
        {...line(g)}
        fill={g.spread > 0 ? '#8a7590' : g.petal}
      />
      {g.dome === 'tight' && <circle cx={CENTRE} cy={54} r={3} fill="#b9d27a" />}
      {g.dome === 'loose' &&
        [-6, 0, 6].map((x) => <circle key={x} cx={CENTRE + x} cy={54} r={2.4} fill={g.accent} />)}
      {g.dust && <Dust x={26} y={58} w={21} h={11} />}
    </>
  );
}

/** Wide petals round a wheel of stigmas or a ring of anthers. */
function Wheel({ g }: Drawing) {
  if (g.spread === 0) return <circle cx={CENTRE} cy={36} r={14} {...line(g)} />;
  const spokes = Array.from({ length: 14 }, (_, i) => (i * 360) / 14);
  const male = g.dome === 'loose' || (g.dome === 'bare' && g.spread > 0.7);
  return (
    <>
      {[0, 60, 120, 180, 240, 300].map((a) => (
        <path key={a} d={leaf(CENTRE, 40, a, 27 * g.spread, 13)} {...line(g)} />
      ))}
      {spokes.map((a) => {
        const [x, y] = away(CENTRE, 40, a, male ? 11 : 13);
        return male ? (
          <circle key={a} cx={x} cy={y} r={2.1} fill={g.accent} />
        ) : (
          <path
            key={a}
            d={`M36 40L${p(x, y)}`}
            stroke={g.dome === 'bare' ? '#8d7a50' : '#7d8a4e'}
            strokeWidth={1.8}
          />
        );
      })}
      <circle cx={CENTRE} cy={40} r={male ? 3 : 6.5} fill={male ? '#cfd6a4' : '#f3f0dc'} stroke="#8a9a5a" />
      {g.dust && <Dust x={24} y={52} w={25} h={14} />}
    </>
  );
}

/** Strands out of a woody spathe. */
function Strands({ g }: Drawing) {
  return (
    <>
      {g.spread > 0 &&
        [-42, -28, -14, 0, 14, 28, 42].map((a) => {
          const end = away(CENTRE, 18, a * g.spread, 44);
          return (
            <g key={a}>
              <path d={`M36 18L${p(...end)}`} stroke="#9a8a4a" strokeWidth={1.4} />
              {[0.45, 0.62, 0.79, 0.96].map((t) => (
                <circle
                  key={t}
                  cx={36 + (end[0] - 36) * t}
                  cy={18 + (end[1] - 18) * t}
                  r={2.5}
                  fill={g.accent}
                  stroke="#8a7a40"
                  strokeWidth={0.7}
                />
              ))}
            </g>
          );
        })}
      <path
        d={
          g.spread > 0
            ? 'M36 10C20 14 18 32 22 44C27 34 31 26 36 22C41 26 45 34 50 44C54 32 52 14 36 10Z'
            : 'M36 10C24 16 24 52 36 64C48 52 48 16 36 10Z'
        }
        {...line(g)}
      />
      {g.dust && <Dust x={22} y={56} w={29} h={13} />}
    </>
  );
}

/** Six small sepals; one stigma in the middle, stamens flat or standing. */
function Star({ g }: Drawing) {
  if (g.spread < 0.3)
    return (
      <>
        <path d="M36 18C26 24 27 46 36 52C45 46 46 24 36 18Z" {...line(g)} />
        {g.spread > 0 && (
          <path d="M36 22V50M31 26Q29 36 33 48" stroke={g.edge} strokeWidth={1.2} fill="none" />
        )}
      </>
    );
  const standing = g.dome === 'loose';
  return (
    <>
      {[0, 60, 120, 180, 240, 300].map((a) => (
        <path key={a} d={leaf(CENTRE, 38, a, 25 * g.spread, 9)} {...line(g)} />
      ))}
      {[30, 90, 150, 210, 270, 330].map((a) => {
        const [x, y] = away(CENTRE, 38, a, standing ? 9 : 19);
        return (
          <g key={a}>
            <path d={`M36 38L${p(x, y)}`} stroke="#a8a45a" strokeWidth={1.2} />
            <circle cx={x} cy={y} r={standing ? 2.8 : 1.9} fill={g.accent} />
          </g>
        );
      })}
      <circle
        cx={CENTRE}
        cy={38}
        r={3.4}
        fill={standing ? '#a8854a' : '#ffffff'}
        stroke="#7f8a3e"
        strokeWidth={1.2}
      />
      {g.dust && <Dust x={25} y={28} w={23} h={22} />}
    </>
  );
}

const FORMS: Record<GlyphData['form'], (d: Drawing) => ReactElement> = {
  ANNONA: Annona,
  CUP: Cup,
  HEART: Heart,
  CACTUS: Cactus,
  FIVE: Five,
  BRUSH: Brush,
  STRAP: Strap,
  FIG: Fig,
  TUBE: Tube,
  WHEEL: Wheel,
  STRANDS: Strands,
  STAR: Star,
};

/** A flower in one stage, drawn from the parameters of its crop sheet. */
export function Glyph({ glyph, size = 72 }: { glyph: GlyphData; size?: number }) {
  const Form = FORMS[glyph.form];
  return (
    <svg viewBox="0 0 72 72" width={size} height={size} aria-hidden="true" className="glyph">
      <path d="M36 2q1 6 0 12" stroke="#6b7a4c" strokeWidth={4} fill="none" strokeLinecap="round" />
      <Form g={glyph} />
    </svg>
  );
}
