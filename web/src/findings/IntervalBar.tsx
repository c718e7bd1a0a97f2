import type { Schemas } from '../kit/api';
import { percent } from '../kit/numbers';

/** A share as a point on 0 to 100 %, with its interval as a line. */
export function IntervalBar({ rate }: { rate: Schemas['SetRate'] }) {
  const x = (share: number) => 6 + share * 188;
  return (
    <svg
      viewBox="0 0 200 24"
      width="100%"
      style={{ maxWidth: 260, display: 'block' }}
      role="img"
      aria-label={`${percent(rate.share)}, between ${percent(rate.lower)} and ${percent(rate.upper)}`}
    >
      <path d="M6 12H194" stroke="var(--line)" />
      {[0, 0.25, 0.5, 0.75, 1].map((t) => (
        <path key={t} d={`M${x(t)} 8V16`} stroke="var(--line)" />
      ))}
      <path
        d={`M${x(rate.lower)} 12H${x(rate.upper)}`}
        stroke="var(--leaf)"
        strokeWidth={5}
        strokeLinecap="round"
        opacity={0.45}
      />
      <circle cx={x(rate.share)} cy={12} r={6} fill="var(--leaf)" />
    </svg>
  );
}
