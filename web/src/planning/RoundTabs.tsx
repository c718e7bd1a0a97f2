import { Tabs } from '../kit/Tabs';

const PAGES = [
  ['/round', 'Next visit'],
  ['/round/plan', 'Coming days'],
  ['/round/wanted', 'Fruit wanted'],
  ['/round/crosses', 'Crosses'],
  ['/round/hours', 'Hours and habits'],
] as const;

/** The pages of the room. */
export const RoundTabs = () => <Tabs label="Visit pages" pages={PAGES} />;
