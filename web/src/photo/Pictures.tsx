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

/** Pictures of a record that is being written down: taken with the phone, made smaller there, without the place unless that is wanted. */
export function Pictures({
  pictures,
  change,
  tree,
  stages = [],
}: {
  pictures: Picture[];
  change: (pictures: Picture[]) => void;
  tree: string;
  /** Stages that a picture can show. */
  stages?: { key: string; name: string }[];
}) {
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
  const put = (id: string, stage: string) =>
    change(pictures.map((p) => (p.id === id ? { ...p, stage: stage || undefined } : p)));
  return (
    <div className={classes.pictures}>
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
      <Button
        variant="outline"
        leftSection={<IconCamera size={20} aria-hidden />}
        onClick={() => chooser.current?.click()}
      >
        {t('photo.picture')}
      </Button>
      {unreadable && (
        <p className="warn" role="alert">
          {t('photo.unreadable')}
        </p>
      )}
      {pictures.map((p) => (
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
      ))}
    </div>
  );
}
