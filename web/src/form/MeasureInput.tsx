import { NumberInput, type NumberInputProps } from '@mantine/core';
import { useState } from 'react';
import { measure, type Measured } from '../format/numbers';
import { useHere } from '../ui/orchard-context';

type Props = Omit<NumberInputProps, 'value' | 'onChange' | 'min' | 'max' | 'label'> & {
  label: string;
  of: Measured;
  /** in metric units, as kept */
  value: number | undefined;
  onChange: (value: number | undefined) => void;
};

/** A field for a weight or a length: typed in the orchard's units, kept in metric ones. */
export function MeasureInput({ label, of, value, onChange, ...rest }: Props) {
  const { orchard } = useHere();
  const { unit, size, digits } = measure(of, orchard.units);
  // What is typed stays as it is typed: 16.4 oz, turned and turned back, would not.
  const [typed, setTyped] = useState<number | string>(
    value === undefined ? '' : Number((value / size).toFixed(digits)),
  );
  const emptied = value === undefined && typeof typed === 'number';
  return (
    <NumberInput
      {...rest}
      label={`${label}, ${unit}`}
      min={0}
      decimalScale={digits}
      value={emptied ? '' : typed}
      onChange={(v) => {
        setTyped(v);
        onChange(typeof v === 'number' ? v * size : undefined);
      }}
    />
  );
}
