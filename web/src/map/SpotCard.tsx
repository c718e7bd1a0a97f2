import { RecordForm } from '../form/RecordForm';
import { NumbersField } from '../form/fields';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { decimal, flowers } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { doneWithUndo, sayKept } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { placeWords } from '../text/place-words';
import { t } from '../text/text';
import type { Flowers, MapTree } from './map-state';
import { positionNow } from './use-position';
import { Problem } from '../ui/States';

type Request = Schemas['TreeSpotRequest'];

const voidSpot = (spot: Schemas['MeasuredSpot'], reason: string) =>
  voidRecord('/api/tree-spots/{id}/void', { id: spot.id }, spot.version, reason);

/** Writes down where a tree stands; without a connection it is sent later. */
export function useSpot() {
  const { session } = useHere();
  const [id, setId] = useState(newId);
  const body = ({ tree, ...spot }: Omit<Request, 'treeId'> & { tree: MapTree }): Request => ({
    ...spot,
    treeId: tree.treeId,
  });
  return useSubmit(
    (spot: Omit<Request, 'treeId'> & { tree: MapTree }) =>
      answer(api.PUT('/api/tree-spots/{id}', { params: { path: { id } }, body: body(spot) })),
    ['latitude', 'longitude'],
    (saved, { tree }) => {
      setId(newId());
      doneWithUndo(t('map.set', { tree: tree.tree }), () => voidSpot(saved, 'undone right after saving'));
    },
    {
      write: (spot) => ({
        method: 'PUT',
        path: `/api/tree-spots/${id}`,
        body: { ...body(spot) },
        label: t('map.place-of', { tree: spot.tree.tree }),
        account: session.accountId,
      }),
      kept: () => {
        setId(newId());
        sayKept(t('map.place-kept'));
      },
    },
  );
}

/** Latitude and longitude, typed. */
function TypedSpot({ tree, spot }: { tree: MapTree; spot: ReturnType<typeof useSpot> }) {
  const [typed, setTyped] = useState<Record<'latitude' | 'longitude', number | string>>({
    latitude: tree.measured?.latitude ?? '',
    longitude: tree.measured?.longitude ?? '',
  });
  return (
    <details>
      <summary className="small">{t('map.type-it')}</summary>
      <RecordForm
        form={spot}
        of={{ tree, latitude: Number(typed.latitude), longitude: Number(typed.longitude), how: 'TYPED' }}
        save={t('map.set-it')}
        variant="outline"
        disabled={typed.latitude === '' || typed.longitude === ''}
        style={{ marginTop: 8 }}
      >
        <NumbersField
          of={typed}
          set={setTyped}
          fields={{
            latitude: { label: t('map.latitude'), decimalScale: 7 },
            longitude: { label: t('map.longitude'), decimalScale: 7 },
          }}
        />
      </RecordForm>
    </details>
  );
}

/** The tree that was chosen on the map: what hangs on it, and where it stands. */
export function SpotCard({ tree, hangs }: { tree: MapTree; hangs: Flowers | undefined }) {
  const spot = useSpot();
  const [asking, setAsking] = useState(false);
  const [silent, setSilent] = useState(false);
  const remove = useSubmit(
    (measured: Schemas['MeasuredSpot']) => voidSpot(measured, 'removed on the map'),
    [],
    () => undefined,
  );
  const standing = async () => {
    setAsking(true);
    setSilent(false);
    try {
      const at = await positionNow();
      spot.submit({
        tree,
        latitude: at.latitude,
        longitude: at.longitude,
        accuracyM: at.accuracy,
        how: 'GPS',
      });
    } catch {
      setSilent(true);
    }
    setAsking(false);
  };
  return (
    <section className="card stack" data-card={tree.tree}>
      <div>
        <h2>{tree.tree}</h2>
        <p className="small soft">
          {tree.variety} · {placeWords(tree)}
        </p>
      </div>
      <p>{hangs ? flowersWords(hangs) : t('bloom.not-read')}</p>
      <Button
        component={Link}
        to={`/bloom/read/${tree.treeId}`}
        state={{ from: '/orchard/map' }}
        variant="outline"
      >
        {t('today.read')}
      </Button>
      <p className="small soft">
        {tree.measured
          ? t('map.measured', {
              how: tree.measured.how,
              latitude: decimal(tree.measured.latitude, 5),
              longitude: decimal(tree.measured.longitude, 5),
              accuracy: tree.measured.accuracyM === undefined ? 'none' : Math.round(tree.measured.accuracyM),
            })
          : t('map.by-row')}
      </p>
      <div className="line">
        <Button loading={asking || spot.busy} onClick={() => void standing()}>
          {t('map.i-stand-here')}
        </Button>
        {tree.measured && (
          <Button variant="subtle" loading={remove.busy} onClick={() => remove.submit(tree.measured!)}>
            {t('map.remove')}
          </Button>
        )}
      </div>
      {silent && <p className="warn small">{t('map.no-position')}</p>}
      <TypedSpot key={tree.treeId} tree={tree} spot={spot} />
      <Problem>{remove.general}</Problem>
    </section>
  );
}

/** "12 female, 3 male" */
export const flowersWords = ({ female, male }: Flowers): string =>
  t('map.flowers', { female: flowers(female), male: flowers(male) });
