import { RecordForm } from '../form/RecordForm';
import { Modal, NumberInput, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { lotState, storageWords } from './lot-words';
import { voidLot } from './void-lot';

type Lot = Schemas['LotView'];

/** Part of a jar into a jar of its own, or together with others. */
export function Pour({ lot, opened, close }: { lot: Lot; opened: boolean; close: () => void }) {
  const { now } = useHere();
  const navigate = useNavigate();
  const { data: lots = [] } = useQuery(queries.lots());
  const { data: crops = [] } = useQuery(queries.crops());
  const [id] = useState(newId);
  const [doses, setDoses] = useState<Record<string, number | string>>({});
  const [storage, setStorage] = useState<Lot['storage']>(lot.storage);
  const crop = (l: Lot) => crops.find((c) => c.key === l.crop)?.crop;
  const others = lots.filter(
    (l) => l.id !== lot.id && l.dosesLeft > 0 && lotState(l) !== 'spoiled' && crop(l) === crop(lot),
  );
  const parts = [lot, ...others]
    .map((l) => ({ lot: l, doses: Number(doses[l.id] || 0) }))
    .filter((p) => p.doses > 0);
  const fathers = [...new Set(parts.flatMap((p) => p.lot.fathers.map((f) => f.varietyName)))];
  const all = parts.reduce((n, p) => n + p.doses, 0);
  const form = useSubmit(
    (_: void, confirmed) =>
      answer(
        api.PUT('/api/pourings/{id}', {
          params: { path: { id } },
          body: {
            parts: parts.map((p) => ({ lotId: p.lot.id, doses: p.doses })),
            at: now.toISOString(),
            storage,
            confirmed,
          },
        }),
      ),
    [],
    (made) => {
      doneWithUndo(`${made.code}: ${plural(made.dosesLeft, 'dose')} blended.`, () =>
        voidLot(made, 'undone right after saving'),
      );
      void navigate(`/pollen/jar/${made.id}`);
    },
  );
  return (
    <Modal opened={opened} onClose={close} title={`Split or blend ${lot.code}`} size="lg">
      <RecordForm
        form={form}
        save={all === 0 ? 'Say how many doses' : `Pour ${plural(all, 'dose')} into a new jar`}
        disabled={all === 0}
      >
        <p className="soft small">
          Doses of this jar alone make a jar of their own. Doses of several make a blend, which can never say
          which father a fruit had.
        </p>
        {[lot, ...others].map((l) => (
          <div key={l.id} className="line" style={{ justifyContent: 'space-between' }}>
            <span>
              <b>{l.code}</b> {l.varietyName}{' '}
              <span className="small soft">{plural(l.dosesLeft, 'dose')} left</span>
            </span>
            <NumberInput
              aria-label={`Doses of ${l.code}`}
              placeholder="doses"
              min={0}
              max={l.dosesLeft}
              w={120}
              value={doses[l.id] ?? ''}
              onChange={(v) => setDoses((d) => ({ ...d, [l.id]: v }))}
            />
          </div>
        ))}
        {others.length === 0 && <p className="small soft">No other jar of this crop holds anything.</p>}
        <SegmentedControl
          aria-label="Kept"
          data={(crops.find((c) => c.key === lot.crop)?.keeping ?? []).map((k) => ({
            value: k.storage,
            label: storageWords(k.storage),
          }))}
          value={storage}
          onChange={(v) => setStorage(v)}
        />
        {fathers.length > 1 && (
          <p className="note">
            A blend of {fathers.join(' and ')}: fruit from it will be recorded with all of them, never with
            one.
          </p>
        )}
      </RecordForm>
    </Modal>
  );
}
