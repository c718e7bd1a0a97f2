import { Tabs } from '../ui/Tabs';

const PAGES = [
  ['/mates', 'Who fits whom'],
  ['/mates/many', 'Many crosses'],
  ['/mates/wanted', 'Crosses wanted'],
  ['/mates/seeds', 'How many seeds'],
  ['/mates/judged', 'Judged plants'],
  ['/mates/promising', 'What a cross would bring'],
] as const;

/** The pages of the room. */
export const MatesTabs = () => <Tabs label="Mates pages" pages={PAGES} />;
