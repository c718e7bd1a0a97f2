import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import {} from '@mantine/core';
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
  const [rowSpacing, setRowSpacing] = useState<number | string>(block.rowSpacingM);
  const [placeSpacing, setPlaceSpacing] = useState<number | string>(block.placeSpacingM);
  const [bearing, setBearing] = useState<number | string>(
    block.bearingFrom === 'GIVEN' ? Math.round(block.bearing) : '',
  );
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/block-rows/{id}', {
          params: { path: { id: block.rowsId ?? id } },
          body: {
            block: block.block,
            rowSpacingM: Number(rowSpacing),
            placeSpacingM: Number(placeSpacing),
            ...(bearing !== '' && { bearing: Number(bearing) }),
            ...(block.version !== undefined && { version: block.version }),
          },
        }),
      ),
    ['rowSpacingM', 'placeSpacingM', 'bearing'],
    () => sayDone(t('rows.saved', { block: block.block || t('map.no-block') })),
  );
  return (
    <RecordForm duty="MANAGE" form={form} save={t('rows.save')} variant="outline" data-block={block.block}>
      <b>{block.block || t('map.no-block')}</b>
      <div className={classes.rowFields}>
        <NumberField
          name="rowSpacingM"
          label={t('rows.row-spacing')}
          min={0.1}
          max={100}
          value={rowSpacing}
          set={setRowSpacing}
        />
        <NumberField
          name="placeSpacingM"
          label={t('rows.place-spacing')}
          min={0.1}
          max={100}
          value={placeSpacing}
          set={setPlaceSpacing}
        />
        <NumberField
          name="bearing"
          label={t('rows.bearing')}
          description={t(`rows.from.${block.bearingFrom}`, { degrees: Math.round(block.bearing) })}
          min={0}
          max={360}
          value={bearing}
          set={setBearing}
        />
      </div>
    </RecordForm>
  );
}
