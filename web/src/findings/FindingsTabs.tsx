import { Tabs } from '../ui/Tabs';

const PAGES = [
  ['/findings', 'What the counts say'],
  ['/findings/why', 'Why did it fail?'],
  ['/findings/trials', 'Comparisons and trials'],
  ['/findings/season', 'Season report'],
] as const;

/** The pages of the room. */
export const FindingsTabs = () => <Tabs label="Findings pages" pages={PAGES} />;
