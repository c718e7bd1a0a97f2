import { answer, api, type Schemas } from '../api/api';
import { plural } from '../format/time';
import { LabelSheetForm, useLabelSheet } from '../ui/LabelSheetForm';

/** Labels for seedlings, one each, with a code that opens the page. */
export function SeedlingLabels({ of }: { of: Schemas['SeedlingRow'][] }) {
  const labels = useLabelSheet(
    'A4_5_BY_13',
    (wanted) => answer(api.POST('/api/seedlings/labels', { body: { ids: of.map((s) => s.id), ...wanted } })),
    ['ids'],
  );
  return (
    <LabelSheetForm
      labels={labels}
      file="seedling-labels.pdf"
      save={`Make ${plural(of.length, 'label')}`}
      disabled={of.length < 1 || of.length > 500}
    >
      <h2>Labels</h2>
      {of.length > 500 && <p className="warn">At most 500 at once: narrow the list first.</p>}
    </LabelSheetForm>
  );
}
