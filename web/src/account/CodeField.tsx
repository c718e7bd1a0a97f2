import { TextInput } from '@mantine/core';
import { t } from '../text/text';

/** It appears because it is wanted next. */
const focus = (field: HTMLInputElement | null) => field?.focus();

interface Props {
  value: string;
  onChange: (code: string) => void;
  error: string | undefined;
}

/** A code of an app, or a spare one. */
export function CodeField({ value, onChange, error }: Props) {
  return (
    <TextInput
      ref={focus}
      label={t('sign-in.code')}
      description={t('sign-in.code-what')}
      autoComplete="one-time-code"
      maw={340}
      value={value}
      onChange={(e) => onChange(e.currentTarget.value)}
      error={error}
    />
  );
}
