import type { Schemas } from '../api/api';
import { said } from '../format/time';

type Stretch = Schemas['AirStretch'];

export const AIR: Record<Stretch['source'], string> = {
  MEASURED: 'measured',
  BRIDGED: 'a short gap bridged',
  DAILY: 'from days of a file',
  FORECAST: 'the typed forecast',
  USUAL: 'the typical day',
};

/** "Air: the typed forecast until Sat 28 Nov 00:00, then the typical day." */
export function airWords(stretches: Stretch[], now: Date, zone: string): string {
  const parts = stretches.map((s, i) =>
    i < stretches.length - 1 ? `${AIR[s.source]} until ${said(new Date(s.until), now, zone)}` : AIR[s.source],
  );
  return `Weather: ${parts.join('; then ')}.`;
}
