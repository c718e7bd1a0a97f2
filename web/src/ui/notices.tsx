import { Notifications, notifications, type NotificationData } from '@mantine/notifications';
import { useEffect } from 'react';

const HEIGHT = '--notices';

/**
 * Keeps room for the notices at the end of the page, as high as they are: whatever they lie over can be scrolled free, so that no
 * button is out of reach while something can be undone.
 */
function useRoom() {
  useEffect(() => {
    const root = document.querySelector<HTMLElement>(
      '.mantine-Notifications-root[data-position="bottom-right"]',
    );
    if (!root) return undefined;
    const body = document.documentElement.style;
    const measure = new ResizeObserver(() => body.setProperty(HEIGHT, `${root.offsetHeight}px`));
    measure.observe(root);
    return () => {
      measure.disconnect();
      body.removeProperty(HEIGHT);
    };
  }, []);
}

/** Where notices show. */
export function Notices() {
  useRoom();
  return <Notifications position="bottom-right" />;
}

export const showNotice = (notice: NotificationData): string => notifications.show(notice);
export const hideNotice = (id: string): string => notifications.hide(id);
