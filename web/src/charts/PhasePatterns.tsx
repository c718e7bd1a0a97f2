/** The two textures of the mirrored ribbon: rings for what takes pollen, dots for what gives it. */
export function PhasePatterns({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}t`} width={9} height={9} patternUnits="userSpaceOnUse">
        <rect width={9} height={9} fill="var(--take-mid)" />
        <circle cx={4.5} cy={4.5} r={2.3} fill="none" stroke="var(--take)" strokeWidth={1.2} />
      </pattern>
      <pattern id={`${id}g`} width={7} height={7} patternUnits="userSpaceOnUse">
        <rect width={7} height={7} fill="var(--give-mid)" />
        <circle cx={2} cy={2} r={1.2} fill="var(--give-line)" />
        <circle cx={5.5} cy={5.3} r={1.2} fill="var(--give-line)" />
      </pattern>
    </defs>
  );
}
