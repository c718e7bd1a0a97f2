import { Tabs } from '../ui/Tabs';

const PAGES = [
  ['/bloom', 'Board'],
  ['/bloom/season', 'Season ahead'],
  ['/bloom/key', 'Identify a flower'],
  ['/bloom/weather', 'Weather'],
  ['/bloom/need', 'Is hand pollination needed?'],
] as const;

/** The pages of the room. */
export const BloomTabs = () => <Tabs label="Bloom pages" pages={PAGES} />;
