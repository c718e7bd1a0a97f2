import { t } from '../text/text';
import { Tabs } from '../ui/Tabs';

const PAGES = [
  ['/pollen', 'tab.shelf'],
  ['/pollen/collect', 'tab.collect'],
  ['/pollen/mixing', 'tab.mixing'],
  ['/pollen/labels', 'tab.labels'],
] as const;

/** The pages of the room. */
export const PollenTabs = () => (
  <Tabs label={t('page.pollen')} pages={PAGES.map(([to, name]) => [to, t(name)] as const)} />
);
