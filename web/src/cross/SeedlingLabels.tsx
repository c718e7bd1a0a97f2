import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { plural } from '../format/time';
import { made, SheetFields, SheetResult, type Grid, type MadeSheet } from '../ui/LabelParts';

/** Labels for seedlings, one each, with a code that opens the page. */
export function SeedlingLabels({ of }: { of: Schemas['SeedlingRow'][] }) {
  const [grid, setGrid] = useState<Grid>('A4_5_BY_13');
  const [skip, setSkip] = useState<number | string>(0);
  const [sheet, setSheet] = useState<MadeSheet>();
  const form = useSubmit(
    () =>
      answer(
        api.POST('/api/seedlings/labels', {
          body: { ids: of.map((s) => s.id), grid, skip: Number(skip) || 0 },
        }),
      ),
    ['ids', 'skip'],
    (answered) => setSheet((before) => made(answered, before)),
  );
  return (
    <RecordForm
      form={form}
      save={`Make ${plural(of.length, 'label')}`}
      disabled={of.length < 1 || of.length > 500}
      duty="READ"
      className="card stack noprint"
    >
      <h2>Labels</h2>
      {of.length > 500 && <p className="warn">At most 500 at once: narrow the list first.</p>}
      <SheetFields
        grid={grid}
        setGrid={setGrid}
        skip={skip}
        setSkip={setSkip}
        error={form.errorFor('skip', 'Used labels')}
      />
      {sheet && <SheetResult of={sheet} file="seedling-labels.pdf" />}
    </RecordForm>
  );
}
