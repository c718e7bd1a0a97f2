import { useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { NO_COUNTS, type Counts } from './fruit-words';

/** One look at the flowers of a pollination: what is counted, and the sending of it, with or without a connection. */
export function useCheck(row: Schemas['FruitSetRow'], done: () => void) {
  const { now, session } = useHere();
  const [id] = useState(newId);
  const [counts, setCounts] = useState<Counts>(NO_COUNTS);
  const [detail, setDetail] = useState<Schemas['CheckDetail']>({});
  const [ownTime, setOwnTime] = useState<Date>();
  const [note, setNote] = useState('');
  const p = row.pollination;
  const body = (given: Counts) => ({
    pollinationId: p.id,
    checkedAt: (ownTime ?? now).toISOString(),
    ...given,
    ...(Object.values(detail).some((v) => v !== undefined) && { detail }),
    ...(note && { note }),
  });
  const form = useSubmit(
    (given: Counts, confirmed: string[]) =>
      answer(api.PUT('/api/checks/{id}', { params: { path: { id } }, body: { ...body(given), confirmed } })),
    ['taken', 'failed', 'unknown', 'checkedAt', 'note'],
    (check) => {
      doneWithUndo(`${p.treeName}: ${check.taken} set, ${check.failed} failed.`, () =>
        answer(
          api.POST('/api/checks/{id}/void', {
            params: { path: { id: check.id } },
            body: { version: check.version, reason: 'undone right after saving' },
          }),
        ),
      );
      done();
    },
    {
      // Whoever wrote it down without a connection cannot be asked back.
      write: (given) => ({
        method: 'PUT',
        path: `/api/checks/${id}`,
        body: { ...body(given), confirmed: ['petals-still-on'] },
        label: `${p.treeName}: check, ${given.taken} set, ${given.failed} failed`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${p.treeName}: check.`);
        done();
      },
    },
  );
  const error =
    form.errorFor('taken', 'Set') ??
    form.errorFor('failed', 'Failed') ??
    form.errorFor('unknown', 'Not yet known') ??
    form.problems
      .filter((f) => f.field.startsWith('detail.'))
      .map((f) => `${DETAIL[f.field] ?? f.field} ${f.message}`)[0];
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
    form,
    error,
    general: error ? undefined : form.general,
    save: (given?: Counts) => form.submit(given ?? counts),
  };
}

export type Check = ReturnType<typeof useCheck>;

const DETAIL: Record<string, string> = {
  'detail.resting': 'Resting',
  'detail.fruits': 'Fruits',
  'detail.whole': 'Whole',
  'detail.oneSided': 'One-sided',
  'detail.crooked': 'Crooked',
  'detail.sizeMm': 'Size',
};
