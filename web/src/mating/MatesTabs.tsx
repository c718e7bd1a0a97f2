import { Tabs } from '../kit/Tabs';

const PAGES = [
  ['/mates', 'Who fits whom'],
  ['/mates/wishes', 'Crosses wanted'],
] as const;

/** The pages of the room. */
export const MatesTabs = () => <Tabs label="Mates pages" pages={PAGES} />;
