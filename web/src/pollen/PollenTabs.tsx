import { Tabs } from '../kit/Tabs';

const PAGES = [
  ['/pollen', 'Shelf'],
  ['/pollen/collect', 'Collect'],
  ['/pollen/mixing', 'Mixing'],
  ['/pollen/labels', 'Labels'],
] as const;

/** The pages of the room. */
export const PollenTabs = () => <Tabs label="Pollen pages" pages={PAGES} />;
