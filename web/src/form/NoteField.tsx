import { InputBase, type InputBaseProps } from '@mantine/core';
import { t } from '../text/text';

interface Props extends Pick<InputBaseProps, 'label' | 'error'> {
  value: string;
  onChange: (note: string) => void;
  placeholder?: string;
}

/** Words in a few lines. Mantine's own grows with them, by a script that the first load can do without. */
export const NoteField = ({ value, onChange, label = t('field.note'), ...rest }: Props) => (
  <InputBase
    {...rest}
    component="textarea"
    label={label}
    rows={2}
    multiline
    value={value}
    onChange={(e) => onChange(e.currentTarget.value)}
  />
);
