import { lazy, Suspense } from 'react';
import type { DayInputProps, HourInputProps } from './date-inputs';
import { useHere } from '../ui/orchard-context';
import { fromWallTime, wallTime } from '../format/time';

// Calendars are large, and asked for only where somebody sets another time than now.
const WallTimeInput = lazy(async () => ({ default: (await import('./date-inputs')).WallTimeInput }));
const DayInput = lazy(async () => ({ default: (await import('./date-inputs')).DayInput }));
const HourInput = lazy(async () => ({ default: (await import('./date-inputs')).HourInput }));

interface Props {
  label: string;
  value: Date;
  onChange: (at: Date) => void;
  error?: string | undefined;
  description?: string;
}

/** A moment, by the orchard's own clock. */
export function TimeField({ value, onChange, ...rest }: Props) {
  const { zone } = useHere();
  return (
    <Suspense fallback={null}>
      <WallTimeInput
        {...rest}
        value={wallTime(value, zone)}
        onChange={(wall) => onChange(fromWallTime(wall, zone))}
      />
    </Suspense>
  );
}

/** A calendar day. */
export const DateField = (props: DayInputProps) => (
  <Suspense fallback={null}>
    <DayInput {...props} />
  </Suspense>
);

/** A time of day. */
export const HourField = (props: HourInputProps) => (
  <Suspense fallback={null}>
    <HourInput {...props} />
  </Suspense>
);
