import { lazy, Suspense, type ComponentType } from 'react';
import { useLocation } from 'react-router';
import { Tally } from './bloom/Tally';
import { PageBoundary } from './ui/PageBoundary';
import { usePageTitle } from './ui/page-title';
import { Waiting } from './ui/States';
import { has, t } from './text/text';
import { Today } from './today/Today';
import { Walk } from './walk/Walk';

/** A page of the application. */
export interface Page {
  path: string;
  /** Its name in the browser's tab, or the message with it; absent where the page names itself, by its tree or jar. */
  title?: string;
  show: ComponentType;
}

const page = <K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K) =>
  lazy(async () => ({ default: (await load())[name] }));

/** Screens used under the trees: they have the whole window to themselves. What is needed there at once comes with the application. */
export const FIELD: Page[] = [
  { path: '/round/walk/:walk', title: 'page.walk', show: Walk },
  {
    path: '/fruit-set/walk',
    title: 'page.check-fruit',
    show: page(() => import('./fruitset/CheckWalk'), 'CheckWalk'),
  },
  { path: '/bloom/read/:tree', show: Tally },
  {
    path: '/bloom/key',
    title: 'page.key',
    show: page(() => import('./bloom/StageKey'), 'StageKey'),
  },
];

/** Of what there is a story to look back on; each names itself. */
const STORIES = [
  ['tree', 'TreePage'],
  ['variety', 'VarietyPage'],
  ['block', 'BlockPage'],
  ['person', 'PersonPage'],
  ['cross', 'CrossPage'],
] as const;

/** Pages with the menu beside them. */
export const DESK: Page[] = [
  { path: '/', title: 'page.today', show: Today },
  { path: '/bloom', title: 'Bloom', show: page(() => import('./bloom/Bloom'), 'Bloom') },
  { path: '/bloom/season', title: 'Season', show: page(() => import('./bloom/Season'), 'Season') },
  { path: '/bloom/weather', title: 'Weather', show: page(() => import('./bloom/Weather'), 'Weather') },
  {
    path: '/bloom/need',
    title: 'Is hand pollination needed?',
    show: page(() => import('./bloom/HandNeed'), 'HandNeed'),
  },
  { path: '/pollen', title: 'Pollen shelf', show: page(() => import('./pollen/Shelf'), 'Shelf') },
  {
    path: '/pollen/collect',
    title: 'page.collect',
    show: page(() => import('./pollen/Collect'), 'Collect'),
  },
  {
    path: '/pollen/from-elsewhere',
    title: 'Pollen from elsewhere',
    show: page(() => import('./pollen/FromElsewhere'), 'FromElsewhere'),
  },
  { path: '/pollen/jar/:lot', show: page(() => import('./pollen/JarPage'), 'JarPage') },
  { path: '/pollen/mixing', title: 'Mixing', show: page(() => import('./pollen/Mixing'), 'Mixing') },
  { path: '/pollen/labels', title: 'Labels', show: page(() => import('./pollen/Labels'), 'Labels') },
  { path: '/l/:code', title: 'Jar', show: page(() => import('./pollen/Scan'), 'ByCode') },
  { path: '/mates', title: 'Mates', show: page(() => import('./mating/Mates'), 'Mates') },
  {
    path: '/mates/many',
    title: 'Many crosses',
    show: page(() => import('./mating/ManyCrosses'), 'ManyCrosses'),
  },
  {
    path: '/mates/wanted',
    title: 'Wanted crosses',
    show: page(() => import('./mating/CrossRequests'), 'CrossRequests'),
  },
  { path: '/round', title: 'tab.next-visit', show: page(() => import('./planning/Round'), 'Round') },
  {
    path: '/round/paper/:walk',
    title: 'A visit on paper',
    show: page(() => import('./planning/Paper'), 'Paper'),
  },
  { path: '/round/plan', title: 'sheet.coming', show: page(() => import('./planning/Plan'), 'Plan') },
  { path: '/round/wanted', title: 'Fruit wanted', show: page(() => import('./cropload/Wanted'), 'Wanted') },
  { path: '/round/crosses', title: 'Crosses', show: page(() => import('./crossing/Crosses'), 'Crosses') },
  {
    path: '/round/figs/:tree',
    title: 'Figs by size',
    show: page(() => import('./pollination/Figs'), 'Figs'),
  },
  {
    path: '/round/hours',
    title: 'Hours and habits',
    show: page(() => import('./availability/Hours'), 'Hours'),
  },
  { path: '/account', title: 'Your account', show: page(() => import('./account/Account'), 'Account') },
  { path: '/kept', title: 'page.kept', show: page(() => import('./account/Kept'), 'Kept') },
  { path: '/fruit-set', title: 'Fruit set', show: page(() => import('./fruitset/FruitSet'), 'FruitSet') },
  { path: '/fruit-set/limbs', title: 'Limbs', show: page(() => import('./fruitset/Limbs'), 'Limbs') },
  { path: '/fruit-set/fruit', title: 'Fruit', show: page(() => import('./fruitset/Fruit'), 'Fruit') },
  {
    path: '/fruit-set/seeds',
    title: 'Seeds and seedlings',
    show: page(() => import('./cross/SeedLots'), 'SeedLots'),
  },
  {
    path: '/fruit-set/rivers',
    title: 'Seeds over the years',
    show: page(() => import('./cross/Rivers'), 'Rivers'),
  },
  { path: '/fruit-set/seeds/:lot', show: page(() => import('./cross/SeedLotPage'), 'SeedLotPage') },
  {
    path: '/fruit-set/seedlings',
    title: 'Numbered seedlings',
    show: page(() => import('./cross/Seedlings'), 'Seedlings'),
  },
  {
    path: '/fruit-set/seedlings/:seedling',
    show: page(() => import('./cross/SeedlingPage'), 'SeedlingPage'),
  },
  { path: '/mates/judged', title: 'Judged plants', show: page(() => import('./judging/Judged'), 'Judged') },
  {
    path: '/mates/promising',
    title: 'What each cross would bring',
    show: page(() => import('./judging/Promising'), 'Promising'),
  },
  { path: '/mates/seeds', title: 'How many seeds', show: page(() => import('./cross/HowMany'), 'HowMany') },
  { path: '/findings', title: 'Findings', show: page(() => import('./findings/Findings'), 'Findings') },
  {
    path: '/findings/why',
    title: 'Why did it fail?',
    show: page(() => import('./findings/Failure'), 'Failure'),
  },
  { path: '/findings/trials', title: 'Trials', show: page(() => import('./findings/Trials'), 'Trials') },
  {
    path: '/findings/season',
    title: 'Season report',
    show: page(() => import('./findings/SeasonReport'), 'SeasonReport'),
  },
  { path: '/orchard', title: 'Orchard', show: page(() => import('./orchard/Orchard'), 'Orchard') },
  ...STORIES.map(([of, name]) => ({
    path: `/orchard/${of}/:${of}`,
    show: page(() => import('./story/StoryPage'), name),
  })),
  {
    path: '/orchard/map',
    title: 'page.map',
    show: page(() => import('./map/OrchardMap'), 'OrchardMap'),
  },
  {
    path: '/orchard/rows',
    title: 'Add rows of trees',
    show: page(() => import('./orchard/PlantRows'), 'PlantRows'),
  },
  {
    path: '/orchard/permits',
    title: 'Permits',
    show: page(() => import('./orchard/Permits'), 'Permits'),
  },
  { path: '/orchard/people', title: 'People', show: page(() => import('./account/People'), 'People') },
  { path: '/orchard/machine', title: 'Machine', show: page(() => import('./operation/Machine'), 'Machine') },
  { path: '/orchard/import', title: 'tab.import', show: page(() => import('./records/Import'), 'Import') },
  { path: '/orchard/export', title: 'tab.export', show: page(() => import('./records/Export'), 'Export') },
  { path: '/crops', title: 'Crop sheets', show: page(() => import('./crop/CropSheets'), 'CropSheets') },
  { path: '/crops/:crop', title: 'Crop sheet', show: page(() => import('./crop/CropSheet'), 'CropSheet') },
];

/** A page with its name, which fails and waits by itself. */
export function Opened({ page: { title, show: Show } }: { page: Page }) {
  const { pathname } = useLocation();
  usePageTitle(title && has(title) ? t(title) : title);
  return (
    <PageBoundary key={pathname}>
      <Suspense fallback={<Waiting />}>
        <Show />
      </Suspense>
    </PageBoundary>
  );
}
