import { Tabs } from '../ui/Tabs';

const PAGES = [
  ['/fruit-set', 'Checks'],
  ['/fruit-set/limbs', 'Whole limbs'],
  ['/fruit-set/fruit', 'Fruit and harvest'],
  ['/fruit-set/seeds', 'Seeds and seedlings'],
  ['/fruit-set/seedlings', 'Numbered seedlings'],
] as const;

/** The pages of the room. */
export const FruitTabs = () => <Tabs label="Fruit set pages" pages={PAGES} />;
