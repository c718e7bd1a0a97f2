import { Tabs } from '../kit/Tabs';

const PAGES = [
  ['/fruit-set', 'Looks'],
  ['/fruit-set/limbs', 'Whole limbs'],
  ['/fruit-set/fruit', 'Fruit and harvest'],
] as const;

/** The pages of the room. */
export const FruitTabs = () => <Tabs label="Fruit set pages" pages={PAGES} />;
