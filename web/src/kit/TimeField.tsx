import { TextInput } from '@mantine/core';
import { useHere } from './orchard-context';
import { fromWallTime, wallTime } from './time';

interface Props {
  label: string;
  value: Date;
  onChange: (at: Date) => void;
  error?: string | undefined;
  description?: string;
}

/** A moment, by the orchard's own clock. */
export function TimeField({ label, value, onChange, error, description }: Props) {
  const { zone } = useHere();
  return (
    <TextInput
      type="datetime-local"
      label={label}
      description={description}
      value={wallTime(value, zone)}
      error={error}
      onChange={(e) => {
        if (e.currentTarget.value) onChange(fromWallTime(e.currentTarget.value, zone));
      }}
    />
  );
}
