import { ActionIcon, Button, NativeSelect } from '@mantine/core';
import { IconCamera, IconX } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { t } from '../text/text';
import { smaller, whereOneStands } from '../walk/smaller';
import classes from './Pictures.module.css';
import type { Picture } from './pictures';

interface Props {
  pictures: Picture[];
  change: (pictures: Picture[]) => void;
  tree: string;
  /** Stages that a picture can show. */
  stages?: { key: string; name: string }[];
}

/** Takes a picture: made smaller on the phone, without the place unless that is wanted. */
export function TakePicture({ pictures, change, tree, stages = [], bare }: Props & { bare?: boolean }) {
  const chooser = useRef<HTMLInputElement>(null);
  const [unreadable, setUnreadable] = useState(false);
  const { data: settings } = useQuery(queries.roundSettings());
  const take = async (file: File | undefined) => {
    if (!file) return;
    setUnreadable(false);
    try {
      const data = await smaller(file);
      const place = settings?.keepPhotoPlace ? await whereOneStands() : {};
      const only = stages.length === 1 && { stage: stages[0]!.key };
      change([...pictures, { id: newId(), data, ...place, ...only }]);
    } catch {
      setUnreadable(true);
    }
  };
  const choose = () => chooser.current?.click();
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
      {bare ? (
        <button type="button" aria-label={t('photo.of', { tree })} onClick={choose}>
          <IconCamera size={22} aria-hidden />
        </button>
      ) : (
        <Button variant="outline" leftSection={<IconCamera size={20} aria-hidden />} onClick={choose}>
          {t('photo.picture')}
        </Button>
      )}
      {unreadable && (
        <p className="warn" role="alert">
          {t('photo.unreadable')}
        </p>
      )}
    </>
  );
}

/** What was taken, each with the stage it shows. */
export function Taken({ pictures, change, tree, stages = [] }: Props) {
  const put = (id: string, stage: string) =>
    change(pictures.map((p) => (p.id === id ? { ...p, stage: stage || undefined } : p)));
  return pictures.map((p) => (
    <figure key={p.id}>
      <img src={`data:image/jpeg;base64,${p.data}`} alt={t('photo.of', { tree })} />
      <ActionIcon
        aria-label={t('photo.remove')}
        onClick={() => change(pictures.filter((other) => other.id !== p.id))}
      >
        <IconX size={18} />
      </ActionIcon>
      {stages.length > 1 && (
        <NativeSelect
          aria-label={t('photo.stage')}
          value={p.stage ?? ''}
          data={[
            { value: '', label: t('photo.stage-not-said') },
            ...stages.map((s) => ({ value: s.key, label: s.name })),
          ]}
          onChange={(e) => put(p.id, e.currentTarget.value)}
        />
      )}
    </figure>
  ));
}

/** Pictures of a record that is being written down. */
export const Pictures = (props: Props) => (
  <div className={classes.pictures}>
    <TakePicture {...props} />
    <Taken {...props} />
  </div>
);

/** What was taken, where the button stands elsewhere. */
export const TakenRow = (props: Props) => (
  <div className={classes.pictures}>
    <Taken {...props} />
  </div>
);
