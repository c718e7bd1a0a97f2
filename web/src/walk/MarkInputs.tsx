import { NativeSelect, TextInput } from '@mantine/core';
import type { Schemas } from '../api/api';
import { phrase, t } from '../text/text';
import type { useMarking } from './Marks';

/** Mark, colour and number. */
export function MarkInputs({
  sheet,
  of: { mark, choose, colour, setColour, tag, setTag },
  error,
}: {
  sheet: Schemas['CropSheetView'];
  of: ReturnType<typeof useMarking>;
  error: string | undefined;
}) {
  return (
    <div className="stack">
      <NativeSelect
        label={t('mark.mark')}
        data={[
          ...sheet.hand.marks.map((m) => ({ value: m.name, label: phrase(m.name) })),
          { value: '', label: t('mark.no-mark') },
        ]}
        value={mark?.name ?? ''}
        onChange={(e) => choose(e.currentTarget.value)}
      />
      <TextInput label={t('mark.colour')} value={colour} onChange={(e) => setColour(e.currentTarget.value)} />
      <TextInput
        label={t('mark.number')}
        description={t('mark.once-a-year')}
        value={tag}
        onChange={(e) => setTag(e.currentTarget.value)}
        error={error}
      />
    </div>
  );
}
