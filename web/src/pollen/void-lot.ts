import { answer, api, type Schemas } from '../api/api';

/** Takes a jar back. */
export const voidLot = (lot: Pick<Schemas['LotView'], 'id' | 'version'>, reason: string) =>
  answer(
    api.POST('/api/lots/{id}/void', {
      params: { path: { id: lot.id } },
      body: { version: lot.version, reason },
    }),
  );
