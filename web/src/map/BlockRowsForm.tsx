import { RecordForm } from '../form/RecordForm';
import { NumbersField } from '../form/fields';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { sayDone } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { t } from '../text/text';
import classes from './Map.module.css';

/** How the rows of a block lie. */
export function BlockRowsForm({ block }: { block: Schemas['MapBlock'] }) {
  const [id] = useState(newId);
  const [rows, setRows] = useState<Record<'rowSpacingM' | 'placeSpacingM' | 'bearing', number | string>>({
    rowSpacingM: block.rowSpacingM,
    placeSpacingM: block.placeSpacingM,
    bearing: block.bearingFrom === 'GIVEN' ? Math.round(block.bearing) : '',
  });
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/block-rows/{id}', {
          params: { path: { id: block.rowsId ?? id } },
          body: {
            block: block.block,
            rowSpacingM: Number(rows.rowSpacingM),
            placeSpacingM: Number(rows.placeSpacingM),
            ...(rows.bearing !== '' && { bearing: Number(rows.bearing) }),
            ...(block.version !== undefined && { version: block.version }),
          },
        }),
      ),
    Object.keys(rows),
    () => sayDone(t('rows.saved', { block: block.block || t('map.no-block') })),
  );
  return (
    <RecordForm duty="MANAGE" form={form} save={t('rows.save')} variant="outline" data-block={block.block}>
      <b>{block.block || t('map.no-block')}</b>
      <div className={classes.rowFields}>
        <NumbersField
          of={rows}
          set={setRows}
          fields={{
            rowSpacingM: { label: t('rows.row-spacing'), min: 0.1, max: 100 },
            placeSpacingM: { label: t('rows.place-spacing'), min: 0.1, max: 100 },
            bearing: {
              label: t('rows.bearing'),
              description: t(`rows.from.${block.bearingFrom}`, { degrees: Math.round(block.bearing) }),
              min: 0,
              max: 360,
            },
          }}
        />
      </div>
    </RecordForm>
  );
}
