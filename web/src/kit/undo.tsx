import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import type { ReactNode } from 'react';
import { client, refresh } from './client';

function notify(message: ReactNode, color: string, autoClose = 5000): string {
  return notifications.show({ message, color, autoClose, closeButtonProps: { 'aria-label': 'Close' } });
}

/** Says what was done. */
export const sayDone = (message: string): void => void notify(message, 'leaf');

/** A slip is often seen only at the next tree. */
const TO_UNDO = 20_000;

/** Says what was done, and offers to undo it for a while. */
export function doneWithUndo(message: string, undo: () => Promise<unknown>): void {
  const takeBack = () => {
    notifications.hide(id);
    undo().then(
      () => {
        notify('Undone.', 'leaf');
        return refresh(client);
      },
      (e: unknown) => notify(e instanceof Error ? e.message : 'That could not be undone.', 'red.9'),
    );
  };
  const id = notify(
    <div className="line" style={{ justifyContent: 'space-between' }}>
      <span>{message}</span>
      <Button size="compact-md" variant="outline" onClick={takeBack}>
        Undo
      </Button>
    </div>,
    'leaf',
    TO_UNDO,
  );
}
