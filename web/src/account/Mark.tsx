/** The two rings: one takes, one gives. */
export function Mark({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 26 26" aria-hidden="true">
      <circle cx={9} cy={13} r={7} fill="none" stroke="#e39ac2" strokeWidth={2.6} />
      <circle cx={17} cy={13} r={7} fill="#e7b33f" opacity={0.92} />
    </svg>
  );
}
