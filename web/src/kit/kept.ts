import { notifications } from '@mantine/notifications';

/** Said once something was kept instead of sent. */
export const sayKept = (what: string): void => {
  notifications.show({
    message: `${what} Kept on this device; it is sent as soon as there is a connection.`,
    color: 'sun',
    autoClose: 6000,
    closeButtonProps: { 'aria-label': 'Close' },
  });
};
