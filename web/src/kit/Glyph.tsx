import type { Schemas } from './api';

type GlyphData = Schemas['FlowerGlyph'];

const CENTRE = 36;
const TOP = 16;
const LENGTH = 44;
const DUST = [0, 1, 2, 3, 4, 5, 6, 7, 8];

/** One of the three narrow outer petals of the custard-apple family, hanging at an angle from the stalk. */
function petal(degrees: number): string {
  const a = (degrees * Math.PI) / 180;
  const [dx, dy] = [Math.sin(a), Math.cos(a)];
  const tip = [CENTRE + dx * LENGTH, TOP + dy * LENGTH];
  const mid = [CENTRE + dx * LENGTH * 0.55, TOP + dy * LENGTH * 0.55];
  const [nx, ny] = [dy * 6.5, -dx * 6.5];
  const p = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return (
    `M${p(CENTRE - nx * 0.5, TOP - 1 - ny * 0.5)}` +
    `Q${p(mid[0]! - nx * 1.5, mid[1]! - ny * 1.5)} ${p(tip[0]!, tip[1]!)}` +
    `Q${p(mid[0]! + nx * 1.5, mid[1]! + ny * 1.5)} ${p(CENTRE + nx * 0.5, TOP - 1 + ny * 0.5)}Z`
  );
}

function Bud({ g }: { g: GlyphData }) {
  return (
    <>
      <path
        d="M36 16C24 22 27 48 36 56C45 48 48 22 36 16Z"
        fill={g.petal}
        stroke={g.edge}
        strokeWidth={1.6}
      />
      <path d="M36 18V54" stroke={g.edge} strokeWidth={1.1} />
    </>
  );
}

function Dome({ g }: { g: GlyphData }) {
  const loose = g.dome === 'loose';
  const bare = g.dome === 'bare';
  return (
    <>
      <circle
        cx={CENTRE}
        cy={22}
        r={loose ? 10.5 : 8.5}
        fill={loose ? '#efdc9b' : bare ? '#c9b48a' : '#f6f2df'}
        stroke="#a8935a"
        strokeWidth={1.4}
        strokeDasharray={loose ? '2.4 2' : undefined}
      />
      <circle cx={CENTRE} cy={24} r={4} fill={loose ? '#b39a62' : bare ? '#7d6339' : '#8fae63'} />
    </>
  );
}

function Annona({ g }: { g: GlyphData }) {
  if (g.spread === 0) return <Bud g={g} />;
  const petalStyle = { fill: g.petal, stroke: g.edge, strokeWidth: 1.6, strokeLinejoin: 'round' as const };
  return (
    <>
      <path d={petal(-g.spread * 62)} {...petalStyle} />
      <path d={petal(g.spread * 62)} {...petalStyle} />
      {g.dome !== 'hidden' && <Dome g={g} />}
      <path d={petal(0)} {...petalStyle} opacity={g.dome === 'hidden' ? 1 : 0.82} />
      {g.dust &&
        DUST.map((i) => (
          <circle key={i} cx={24 + ((i * 17) % 26)} cy={36 + ((i * 11) % 26)} r={1.7} fill="#d99a10" />
        ))}
    </>
  );
}

/** A flower in one stage, drawn from the parameters of its crop sheet. */
export function Glyph({ glyph, size = 72 }: { glyph: GlyphData; size?: number }) {
  return (
    <svg viewBox="0 0 72 72" width={size} height={size} aria-hidden="true" style={{ flexShrink: 0 }}>
      <path d="M36 2q1 6 0 12" stroke="#6b7a4c" strokeWidth={4} fill="none" strokeLinecap="round" />
      <Annona g={glyph} />
    </svg>
  );
}
