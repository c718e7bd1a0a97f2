import { useId } from 'react';

/**
 * A jar: how full it is, and how fresh what is in it. Fresh pollen is plain, old pollen is hatched ever more heavily.
 *
 * @param fill doses left over doses collected, 0 to 1
 * @param fresh viability now over viability when collected, 0 to 1
 */
export function Jar({ fill, fresh, size = 44 }: { fill: number; fresh: number; size?: number }) {
  const id = useId();
  const y = 50 - 34 * Math.min(1, Math.max(0, fill));
  return (
    <svg
      viewBox="0 0 44 56"
      width={size}
      height={(size * 56) / 44}
      aria-hidden="true"
      style={{ flexShrink: 0 }}
    >
      <defs>
        <pattern id={id} width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={5} height={5} fill="#e9b23a" opacity={0.25 + 0.75 * fresh} />
          <path d="M0 0H5" stroke="#7a5200" strokeWidth={(1 - fresh) * 2.6} />
        </pattern>
      </defs>
      <rect x={8} y={1} width={28} height={8} rx={2} fill="#3d4a45" />
      <path
        d="M10 10H34V13C40 16 40 18 40 22V48Q40 54 34 54H10Q4 54 4 48V22C4 18 4 16 10 13Z"
        fill="#fff"
        stroke="#3d4a45"
        strokeWidth={2}
      />
      {fill > 0 && <path d={`M6 ${y}H38V48Q38 52 34 52H10Q6 52 6 48Z`} fill={`url(#${id})`} />}
    </svg>
  );
}
