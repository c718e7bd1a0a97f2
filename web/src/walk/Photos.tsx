import { ActionIcon } from '@mantine/core';
import { IconCamera, IconX } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { queries } from '../api/queries';
import { useHere } from '../ui/orchard-context';
import { useSubmit } from '../form/use-submit';
import { smaller, whereOneStands } from './smaller';
import classes from './Walk.module.css';
import { t } from '../text/text';

interface Taken {
  data: string;
  place: Partial<Record<'latitude' | 'longitude', number>>;
}

/** Pictures of a stop: taken with the phone, made smaller there, kept without the place unless that is wanted. */
export function Photos({ walk, stop, tree }: { walk: Schemas['Walk']; stop: number; tree: string }) {
  const { now, session } = useHere();
  const chooser = useRef<HTMLInputElement>(null);
  const [id, setId] = useState(newId);
  const [unreadable, setUnreadable] = useState<string>();
  const { data: settings } = useQuery(queries.roundSettings());
  const body = ({ data, place }: Taken): Schemas['WalkPhotoRequest'] => ({
    stop,
    at: now.toISOString(),
    data,
    ...place,
  });
  const add = useSubmit(
    (taken: Taken) =>
      answer(
        api.PUT('/api/walks/{walk}/photos/{id}', {
          params: { path: { walk: walk.id, id } },
          body: body(taken),
        }),
      ),
    [],
    () => setId(newId()),
    {
      write: (taken) => ({
        method: 'PUT',
        path: `/api/walks/${walk.id}/photos/${id}`,
        body: { ...body(taken) },
        label: t('photo.of', { tree }),
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${t('photo.of', { tree })}.`);
        setId(newId());
      },
    },
  );
  const remove = useSubmit(
    (p: Schemas['WalkPhoto']) =>
      voidRecord(
        '/api/walks/{walk}/photos/{id}/void',
        { walk: walk.id, id: p.id },
        p.version,
        'removed on the walk',
      ),
    [],
    () => undefined,
  );
  const take = async (file: File | undefined) => {
    if (!file) return;
    setUnreadable(undefined);
    try {
      const data = await smaller(file);
      add.submit({ data, place: settings?.keepPhotoPlace ? await whereOneStands() : {} });
    } catch {
      setUnreadable(t('photo.unreadable'));
    }
  };
  const here = walk.photos.filter((p) => p.stop === stop);
  const problem = unreadable ?? add.general;
  return (
    <>
      <input
        ref={chooser}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={t('photo.picture')}
        onChange={(e) => {
          void take(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      />
      <button type="button" onClick={() => chooser.current?.click()} aria-busy={add.busy}>
        <IconCamera size={20} aria-hidden /> {t('photo.button')}
      </button>
      {(here.length > 0 || problem) && (
        <div className={classes.photos}>
          {problem && (
            <p className={classes.error} role="alert">
              {problem}
            </p>
          )}
          {here.map((p) => (
            <figure key={p.id}>
              <img src={`/api/walks/${walk.id}/photos/${p.id}`} alt={t('photo.alt', { tree })} />
              {p.latitude !== undefined && p.longitude !== undefined && (
                <figcaption>
                  {p.latitude.toFixed(5)}, {p.longitude.toFixed(5)}
                </figcaption>
              )}
              <ActionIcon aria-label={t('photo.remove')} onClick={() => remove.submit(p)}>
                <IconX size={16} />
              </ActionIcon>
            </figure>
          ))}
        </div>
      )}
    </>
  );
}
