import { useEffect, useSyncExternalStore } from 'react';

const NAME = 'Even Hand';

let said = '';
const listeners = new Set<() => void>();

/** Names the page in the browser's tab and history, and to whoever hears it read; nothing while its name is not known yet. */
export function usePageTitle(title: string | undefined): void {
  useEffect(() => {
    if (title === undefined) return;
    document.title = `${title} · ${NAME}`;
    said = title;
    listeners.forEach((l) => l());
  }, [title]);
}

/** The name of the page that is open. */
export const usePageName = (): string =>
  useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => said,
  );
