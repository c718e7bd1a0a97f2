import { Button, Modal } from '@mantine/core';
import { useState } from 'react';
import { answer, api, voidRecord } from '../api/api';
import { useSubmit } from '../form/use-submit';
import { doneWithUndo } from '../ui/undo';
import classes from './Pictures.module.css';

const at = (id: string) => `/api/record-photos/${id}`;

function Large({ id, alt, close }: { id: string; alt: string; close: () => void }) {
  const remove = useSubmit(
    () => voidRecord('/api/record-photos/{id}/void', { id }, 0, 'removed in the story'),
    [],
    () => {
      doneWithUndo('The picture was removed.', () =>
        answer(
          api.POST('/api/story/{kind}/{id}/restore', {
            params: { path: { kind: 'record-photo', id } },
            body: { version: 1 },
          }),
        ),
      );
      close();
    },
  );
  return (
    <Modal opened onClose={close} title={alt} size="xl">
      <img src={at(id)} alt={alt} className={classes.large} />
      <div className="line">
        <Button variant="outline" component="a" href={at(id)} download={`${id}.jpg`}>
          Save the file
        </Button>
        <Button variant="subtle" loading={remove.busy} onClick={() => remove.submit(undefined)}>
          Remove
        </Button>
      </div>
      {remove.general && <p className="warn">{remove.general}</p>}
    </Modal>
  );
}

/** Pictures of a record, small; one that is pressed is shown large. */
export function Thumbs({ ids, alt }: { ids: string[]; alt: string }) {
  const [open, setOpen] = useState<string>();
  return (
    <div className={classes.thumbs}>
      {ids.map((id) => (
        <button key={id} type="button" onClick={() => setOpen(id)} aria-label={`${alt}, larger`}>
          <img src={at(id)} alt={alt} loading="lazy" />
        </button>
      ))}
      {open && <Large id={open} alt={alt} close={() => setOpen(undefined)} />}
    </div>
  );
}
