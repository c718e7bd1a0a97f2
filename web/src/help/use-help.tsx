import { lazy } from 'react';
import { useAside } from '../ui/use-aside';

const HelpPanel = lazy(async () => ({ default: (await import('./HelpPanel')).HelpPanel }));

/** The help of the page. */
export const useHelp = () => useAside('shift+?', HelpPanel);
