import { Tabs } from '../ui/Tabs';
import { t } from '../text/text';

const PAGES = [
  ['/orchard', 'tab.trees'],
  ['/orchard/map', 'tab.map'],
  ['/orchard/permits', 'tab.permits'],
  ['/orchard/people', 'tab.people'],
  ['/orchard/import', 'tab.import'],
  ['/orchard/export', 'tab.export'],
  ['/orchard/machine', 'tab.machine'],
] as const;

/** The pages of the room. */
export const OrchardTabs = () => (
  <Tabs label={t('page.orchard')} pages={PAGES.map(([to, name]) => [to, t(name)] as const)} />
);
