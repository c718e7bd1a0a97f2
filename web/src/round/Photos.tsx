import { ActionIcon } from '@mantine/core';
import { IconCamera, IconX } from '@tabler/icons-react';
import { useRef, useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { useSubmit } from '../kit/use-submit';
import { smaller } from './smaller';
import classes from './Walk.module.css';

/** Pictures of a stop: taken with the phone, made smaller there, kept without the place. */
export function Photos({ walk, stop, tree }: { walk: Schemas['Walk']; stop: number; tree: string }) {
  const { now, session } = useHere();
  const chooser = useRef<HTMLInputElement>(null);
  const [id, setId] = useState(newId);
  const [unreadable, setUnreadable] = useState<string>();
  const body = (data: string): Schemas['WalkPhotoRequest'] => ({ stop, at: now.toISOString(), data });
  const add = useSubmit(
    (data: string) =>
      answer(
        api.PUT('/api/walks/{walk}/photos/{id}', {
          params: { path: { walk: walk.id, id } },
          body: body(data),
        }),
      ),
    [],
    () => setId(newId()),
    {
      write: (data) => ({
        method: 'PUT',
        path: `/api/walks/${walk.id}/photos/${id}`,
        body: { ...body(data) },
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
      add.submit(await smaller(file));
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
