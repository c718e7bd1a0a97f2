import { PasswordInput } from '@mantine/core';

/** The server has the rule; this says it before one types. */
const RULE = 'At least 15 characters. Four words that do not belong together do well.';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error: string | undefined;
}

/** The password there is: whoever sits at the browser now need not be who signed in. */
export const OwnPassword = ({ label, value, onChange, error }: Props) => (
  <PasswordInput
    label={label}
    autoComplete="current-password"
    maw={340}
    value={value}
    onChange={(e) => onChange(e.currentTarget.value)}
    error={error}
  />
);

/** A password that is chosen, as browsers and password keepers know one. */
export const NewPassword = ({ label, value, onChange, error }: Props) => (
  <PasswordInput
    label={label}
    autoComplete="new-password"
    description={RULE}
    value={value}
    onChange={(e) => onChange(e.currentTarget.value)}
    error={error}
  />
);
