import { useDisclosure, useHotkeys } from '@mantine/hooks';
import { Suspense, type ComponentType, type ReactNode } from 'react';

/**
 * What opens over a page by a key, where nothing is being typed, or by a button; to be called once on a screen: the panel to show, and
 * what opens it.
 */
export function useAside(
  key: string,
  Panel: ComponentType<{ close: () => void }>,
): { open: () => void; panel: ReactNode } {
  const [opened, { open, close }] = useDisclosure();
  useHotkeys([[key, open]]);
  return {
    open,
    panel: opened && (
      <Suspense fallback={null}>
        <Panel close={close} />
      </Suspense>
    ),
  };
}
