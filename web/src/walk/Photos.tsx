import { ActionIcon } from '@mantine/core';
import { IconCamera, IconX } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { queries } from '../kit/queries';
import { useHere } from '../kit/orchard-context';
import { useSubmit } from '../kit/use-submit';
import { smaller, whereOneStands } from './smaller';
import classes from './Walk.module.css';

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
        label: `${tree}: a picture`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${tree}: picture.`);
        setId(newId());
      },
    },
  );
  const remove = useSubmit(
    (p: Schemas['WalkPhoto']) =>
      answer(
        api.POST('/api/walks/{walk}/photos/{id}/void', {
          params: { path: { walk: walk.id, id: p.id } },
          body: { version: p.version, reason: 'removed on the walk' },
        }),
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
      setUnreadable('This file is no picture that can be read.');
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
        aria-label="Picture"
        onChange={(e) => {
          void take(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      />
      <button type="button" onClick={() => chooser.current?.click()} aria-busy={add.busy}>
        <IconCamera size={20} aria-hidden /> picture
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
              <img src={`/api/walks/${walk.id}/photos/${p.id}`} alt={`${tree}, taken on the walk`} />
              {p.latitude !== undefined && p.longitude !== undefined && (
                <figcaption>
                  {p.latitude.toFixed(5)}, {p.longitude.toFixed(5)}
                </figcaption>
              )}
              <ActionIcon aria-label="Remove the picture" onClick={() => remove.submit(p)}>
                <IconX size={16} />
              </ActionIcon>
            </figure>
          ))}
        </div>
      )}
    </>
  );
}
