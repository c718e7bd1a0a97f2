import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { NumberField } from '../form/fields';
import { plural } from '../format/time';
import { LabelSheetForm, useLabelSheet } from '../ui/LabelSheetForm';

/** Labels for bag, tray and pots of a lot. */
export function SeedLabels({ lot }: { lot: Schemas['SeedLot'] }) {
  const pots = lot.alive.find((a) => a.stage === 'POTTED' || a.stage === 'UP');
  const [copies, setCopies] = useState<number | string>(pots?.count ?? 2);
  const labels = useLabelSheet(
    'A4_3_BY_7',
    (wanted) =>
      answer(
        api.POST('/api/seed-lots/{id}/labels', {
          params: { path: { id: lot.id } },
          body: { copies: Number(copies), ...wanted },
        }),
      ),
    ['copies'],
  );
  return (
    <LabelSheetForm
      labels={labels}
      file={`${lot.label}-labels.pdf`}
      save={`Make ${plural(Number(copies) || 0, 'label')}`}
      disabled={Number(copies) < 1}
    >
      <h2>Labels</h2>
      <NumberField
        name="copies"
        label="Number of labels"
        description="one for the bag and one for the tray, or one for each pot"
        min={1}
        maw={280}
        value={copies}
        set={setCopies}
      />
    </LabelSheetForm>
  );
}
