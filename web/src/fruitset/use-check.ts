import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { sendPictures, type Picture } from '../photo/pictures';
import { knownBefore, type Counts } from './fruit-words';
import { t, type MessageKey } from '../text/text';

/** One look at the flowers of a pollination: what is counted, and the sending of it, with or without a connection. */
export function useCheck(row: Schemas['FruitSetRow'], done: () => void) {
  const { now, session } = useHere();
  const [id] = useState(newId);
  // Each number is of all flowers up to now: what was known stands already.
  const [counts, setCounts] = useState<Counts>(() => knownBefore(row));
  const [detail, setDetail] = useState<Schemas['CheckDetail']>({});
  const [ownTime, setOwnTime] = useState<Date>();
  const [note, setNote] = useState('');
  const [pictures, setPictures] = useState<Picture[]>([]);
  const p = row.pollination;
  const body = (given: Counts) => ({
    pollinationId: p.id,
    checkedAt: (ownTime ?? now).toISOString(),
    ...given,
    ...(Object.values(detail).some((v) => v !== undefined) && { detail }),
    ...(note && { note }),
  });
  const send = () =>
    sendPictures(pictures, {
      of: 'CHECK',
      id,
      at: ownTime ?? now,
      tree: p.treeName,
      account: session.accountId,
    });
  const form = useSubmit(
    (given: Counts, confirmed: string[]) =>
      answer(api.PUT('/api/checks/{id}', { params: { path: { id } }, body: { ...body(given), confirmed } })),
    ['taken', 'failed', 'unknown', 'checkedAt', 'note'],
    (check) => {
      doneWithUndo(
        `${t('check.result', { tree: p.treeName, set: check.taken, failed: check.failed })}.`,
        () =>
          voidRecord('/api/checks/{id}/void', { id: check.id }, check.version, 'undone right after saving'),
      );
      send();
      done();
    },
    {
      // Whoever wrote it down without a connection cannot be asked back.
      write: (given) => ({
        method: 'PUT',
        path: `/api/checks/${id}`,
        body: { ...body(given), confirmed: ['petals-still-on', 'fewer-than-before'] },
        label: t('check.result', { tree: p.treeName, set: given.taken, failed: given.failed }),
        account: session.accountId,
      }),
      kept: () => {
        sayKept(t('check.kept', { tree: p.treeName }));
        send();
        done();
      },
    },
  );
  const error =
    form.errorFor('taken', t('field.set')) ??
    form.errorFor('failed', t('field.failed')) ??
    form.errorFor('unknown', t('field.unknown')) ??
    form.problems
      .filter((f) => f.field.startsWith('detail.'))
      .map((f) => `${detailName(f.field)} ${f.message}`)[0];
  return {
    counts,
    setCounts,
    set: (key: keyof Counts) => (n: number) => setCounts((c) => ({ ...c, [key]: n })),
    detail,
    setDetail,
    at: ownTime ?? now,
    setAt: setOwnTime,
    note,
    setNote,
    pictures,
    setPictures,
    tree: p.treeName,
    form,
    error,
    general: error ? undefined : form.general,
    save: (given?: Counts) => form.submit(given ?? counts),
  };
}

export type Check = ReturnType<typeof useCheck>;

const DETAIL: Record<string, MessageKey> = {
  'detail.resting': 'detail.resting',
  'detail.fruits': 'detail.fruits',
  'detail.whole': 'detail.whole',
  'detail.oneSided': 'detail.one-sided',
  'detail.crooked': 'detail.crooked',
  'detail.sizeMm': 'detail.size',
};

const detailName = (field: string): string => (DETAIL[field] ? t(DETAIL[field]) : field);
