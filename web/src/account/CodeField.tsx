import { TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Submit } from '../form/use-submit';
import { t } from '../text/text';

/** It appears because it is wanted next. */
const focus = (field: HTMLInputElement | null) => field?.focus();

interface Props<A> {
  /** The form whose refusal asks for a code. */
  form: Submit<A>;
  value: string;
  onChange: (code: string) => void;
}

/** A code of an app, or a spare one; it is there once the server has asked for it. */
export function CodeField<A>({ form, value, onChange }: Props<A>) {
  const [asked, setAsked] = useState(false);
  const error = form.errorFor('code', t('sign-in.code'));
  if (error && !asked) setAsked(true);
  return asked ? (
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
  ) : null;
}
