import { useDisclosure, useHotkeys } from '@mantine/hooks';
import { lazy, Suspense, type ReactNode } from 'react';

const HelpPanel = lazy(async () => ({ default: (await import('./HelpPanel')).HelpPanel }));

/**
 * The help of the page, to be called once on a screen: the panel to show, and what opens it. So does the question mark, where nothing
 * is being typed.
 */
export function useHelp(): { open: () => void; panel: ReactNode } {
  const [opened, { open, close }] = useDisclosure();
  useHotkeys([['shift+?', open]]);
  return {
    open,
    panel: opened && (
      <Suspense fallback={null}>
        <HelpPanel close={close} />
      </Suspense>
    ),
  };
}
