import { Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries';
import { t } from '../text/text';

/** The crop of a variety, among those that have a sheet. */
export function CropSelect({
  value,
  onChange,
  disabled = false,
  error,
}: {
  value: string | null;
  onChange: (crop: string | null) => void;
  disabled?: boolean;
  error: string | undefined;
}) {
  const { data: crops = [] } = useQuery(queries.crops());
  return (
    <Select
      label={t('first.crop')}
      data={crops.map((c) => ({ value: c.key, label: c.name }))}
      value={value}
      onChange={onChange}
      allowDeselect={false}
      disabled={disabled}
      searchable
      placeholder={t('crop.choose')}
      nothingFoundMessage={t('crop.no-sheet')}
      error={error}
    />
  );
}
