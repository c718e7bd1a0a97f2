import { useDisclosure, useHotkeys } from '@mantine/hooks';
import { IconHelp } from '@tabler/icons-react';
import { lazy, Suspense } from 'react';

const HelpPanel = lazy(async () => ({ default: (await import('./HelpPanel')).HelpPanel }));

/** Opens the help of the page; so does the question mark, where nothing is being typed. */
export function HelpButton({ short = false }: { short?: boolean }) {
  const [opened, { open, close }] = useDisclosure();
  useHotkeys([['shift+?', open]], undefined, false);
  return (
    <>
      {short ? (
        <button type="button" aria-label="Help" onClick={open}>
          <IconHelp size={24} />
        </button>
      ) : (
        <button type="button" className="to" onClick={open}>
          <IconHelp size={18} /> Help <kbd>?</kbd>
        </button>
      )}
      {opened && (
        <Suspense fallback={null}>
          <HelpPanel close={close} />
        </Suspense>
      )}
    </>
  );
}
