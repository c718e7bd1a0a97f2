import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';

/** Says what was done, and offers to undo it for a while. */
export function doneWithUndo(message: string, undo: () => Promise<unknown>): void {
  const id = notifications.show({
    autoClose: 9000,
    color: 'leaf',
    message: (
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <span>{message}</span>
        <Button
          size="compact-md"
          variant="outline"
          onClick={() => {
            notifications.hide(id);
            undo().then(
              () => notifications.show({ message: 'Undone.', color: 'leaf' }),
              (e: unknown) =>
                notifications.show({
                  message: e instanceof Error ? e.message : 'That could not be undone.',
                  color: 'red.9',
                }),
            );
          }}
        >
          Undo
        </Button>
      </div>
    ),
  });
}
