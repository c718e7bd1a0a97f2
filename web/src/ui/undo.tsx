import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import { t } from '../text/text';
import { client, refresh } from '../api/client';
import { newId } from '../api/ids';

// Nothing is said before something was done: the first screen does without.
const notices = () => import('./notices');

/** @return the notice's id */
function notify(message: ReactNode, color: string, autoClose = 5000): string {
  const id = newId();
  const closeButtonProps = { 'aria-label': t('do.close') };
  void notices().then((n) => n.showNotice({ id, message, color, autoClose, closeButtonProps }));
  return id;
}

/** Says what was done. */
export const sayDone = (message: string): void => void notify(message, 'leaf');

/** Says that something was kept on this device instead of sent. */
export const sayKept = (what: string): void => void notify(t('outbox.kept', { what }), 'sun', 6000);

/** A slip is often seen only at the next tree. */
const TO_UNDO = 20_000;

/** Says what was done, and offers to undo it for a while. */
export function doneWithUndo(message: string, undo: () => Promise<unknown>): void {
  const takeBack = () => {
    void notices().then((n) => n.hideNotice(id));
    undo().then(
      () => {
        notify(t('undo.done'), 'leaf');
        return refresh(client);
      },
      (e: unknown) => notify(e instanceof Error ? e.message : t('undo.failed'), 'red.9'),
    );
  };
  const id = notify(
    <div className="line" style={{ justifyContent: 'space-between' }}>
      <span>{message}</span>
      <Button size="compact-md" variant="outline" onClick={takeBack}>
        {t('do.undo')}
      </Button>
    </div>,
    'leaf',
    TO_UNDO,
  );
}
