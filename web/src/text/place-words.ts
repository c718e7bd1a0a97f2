import { t } from './text';

/** "Wall, row 1, place 4" */
export const placeWords = (of: { block: string; row: number; position: number }): string =>
  t('tree.place', {
    inBlock: of.block ? 'yes' : 'no',
    block: of.block,
    row: of.row,
    position: of.position,
  });
