import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { NumberField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { plural } from '../format/time';
import { made, SheetFields, SheetResult, type Grid, type MadeSheet } from '../ui/LabelParts';

/** Labels for bag, tray and pots of a lot. */
export function SeedLabels({ lot }: { lot: Schemas['SeedLot'] }) {
  const [grid, setGrid] = useState<Grid>('A4_3_BY_7');
  const [skip, setSkip] = useState<number | string>(0);
  const pots = lot.alive.find((a) => a.stage === 'POTTED' || a.stage === 'UP');
  const [copies, setCopies] = useState<number | string>(pots?.count ?? 2);
  const [sheet, setSheet] = useState<MadeSheet>();
  const form = useSubmit(
    () =>
      answer(
        api.POST('/api/seed-lots/{id}/labels', {
          params: { path: { id: lot.id } },
          body: { grid, copies: Number(copies), skip: Number(skip) || 0 },
        }),
      ),
    ['copies', 'skip'],
    (answered) => setSheet((before) => made(answered, before)),
  );
  return (
    <RecordForm
      form={form}
      save={`Make ${plural(Number(copies) || 0, 'label')}`}
      disabled={Number(copies) < 1}
      duty="READ"
      className="card stack noprint"
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
      <SheetFields
        grid={grid}
        setGrid={setGrid}
        skip={skip}
        setSkip={setSkip}
        error={form.errorFor('skip', 'Used labels')}
      />
      {sheet && <SheetResult of={sheet} file={`${lot.label}-labels.pdf`} />}
    </RecordForm>
  );
}
