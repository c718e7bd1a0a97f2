import { Radio, Stack } from '@mantine/core';
import type { Schemas } from '../api/api';
import { span } from '../format/time';
import { t } from '../text/text';
import { storageWords } from './lot-words';

export type Storage = Schemas['LotRequest']['storage'];

interface StorageProps {
  sheet: Schemas['CropSheetView'];
  value: Storage;
  onChange: (storage: Storage) => void;
  error: string | undefined;
  label?: string;
}

/** Where pollen is put, with what the crop sheet says of it. */
export function StorageField({ sheet, value, onChange, error, label }: StorageProps) {
  return (
    <Radio.Group label={label ?? t('collect.kept')} value={value} onChange={onChange} error={error}>
      <Stack gap={8} mt={4}>
        {sheet.keeping.map((k) => (
          <Radio
            key={k.storage}
            value={k.storage}
            label={t('collect.storage', {
              storage: storageWords(k.storage),
              half: span(k.halfLifeHours.value),
              mould: k.spoilsAfterHours ? span(k.spoilsAfterHours.value) : 'none',
            })}
          />
        ))}
      </Stack>
    </Radio.Group>
  );
}
