import { Tabs } from '../ui/Tabs';
import { t } from '../text/text';

const PAGES = [
  ['/round', 'tab.next-visit'],
  ['/round/plan', 'sheet.coming'],
  ['/round/wanted', 'tab.fruit-wanted'],
  ['/round/crosses', 'leg.crosses'],
  ['/round/hours', 'tab.hours'],
] as const;

/** The pages of the room. */
export const RoundTabs = () => (
  <Tabs label={t('page.visits')} pages={PAGES.map(([to, name]) => [to, t(name)] as const)} />
);
