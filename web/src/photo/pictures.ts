import type { Schemas } from '../api/api';
import { keep } from '../offline/outbox';
import { t } from '../text/text';

/** A picture that was taken and waits for its record to be saved. */
export interface Picture {
  id: string;
  /** Base64 of a JPEG. */
  data: string;
  stage?: string | undefined;
  latitude?: number;
  longitude?: number;
}

type Of = Schemas['RecordPhotoRequest']['of'];

/** Sends pictures after the record they are of: at once where there is a connection, in their turn where there is none. */
export function sendPictures(
  pictures: Picture[],
  record: { of: Of; id: string; at: Date; tree: string; account: string },
): void {
  for (const { id, ...picture } of pictures)
    void keep({
      method: 'PUT',
      path: `/api/record-photos/${id}`,
      body: { of: record.of, recordId: record.id, at: record.at.toISOString(), ...picture },
      label: t('photo.of', { tree: record.tree }),
      account: record.account,
    });
}
