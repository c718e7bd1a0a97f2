import { Tabs } from '../kit/Tabs';

const PAGES = [
  ['/bloom', 'Board'],
  ['/bloom/season', 'Season ahead'],
  ['/bloom/key', 'What is this?'],
  ['/bloom/weather', 'Weather'],
  ['/bloom/need', 'Is my hand needed?'],
] as const;

/** The pages of the room. */
export const BloomTabs = () => <Tabs label="Bloom pages" pages={PAGES} />;
