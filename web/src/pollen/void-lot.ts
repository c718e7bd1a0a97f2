import { type Schemas, voidRecord } from '../api/api';

/** Takes a jar back. */
export const voidLot = (lot: Pick<Schemas['LotView'], 'id' | 'version'>, reason: string) =>
  voidRecord('/api/lots/{id}/void', { id: lot.id }, lot.version, reason);
