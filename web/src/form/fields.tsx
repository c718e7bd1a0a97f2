import { NumberInput, TextInput, type NumberInputProps, type TextInputProps } from '@mantine/core';
import { useFieldProblem } from './field-problem';

interface Field<V> {
  /** What the server calls it. */
  name: string;
  label: string;
  /** What it is called where the label alone would not make a sentence of what is wrong with it. */
  named?: string;
  set: (value: V) => void;
}

type Own = 'label' | 'name' | 'onChange' | 'error';

/** A line of text in a `RecordForm`, with what is wrong with it beside it. */
export function TextField({ name, named, set, ...rest }: Omit<TextInputProps, Own> & Field<string>) {
  const problem = useFieldProblem(name, named ?? rest.label);
  return <TextInput {...rest} onChange={(e) => set(e.currentTarget.value)} error={problem} />;
}

/** A number in a `RecordForm`, with what is wrong with it beside it. */
export function NumberField({
  name,
  named,
  set,
  ...rest
}: Omit<NumberInputProps, Own> & Field<number | string>) {
  const problem = useFieldProblem(name, named ?? rest.label);
  return <NumberInput {...rest} onChange={set} error={problem} />;
}

interface NumbersProps<K extends string> {
  /** What is typed in each, by what the server calls it. */
  of: Record<K, number | string>;
  set: (all: Record<K, number | string>) => void;
  /** What each is called, with its bounds. */
  fields: Record<K, Omit<NumberInputProps, Own | 'value'> & { label: string; named?: string }>;
}

/** Numbers of one record beside each other in a `RecordForm`. */
export function NumbersField<K extends string>({ of, set, fields }: NumbersProps<K>) {
  return (Object.keys(fields) as K[]).map((name) => (
    <NumberField
      key={name}
      name={name}
      value={of[name]}
      set={(value) => set({ ...of, [name]: value })}
      {...fields[name]}
    />
  ));
}
