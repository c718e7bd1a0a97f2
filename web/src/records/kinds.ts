/** What the lines of a file are, in the words of the page. */
const NAMES: Record<string, string> = {
  varieties: 'Varieties',
  trees: 'Trees',
  'tree-positions': 'Places of trees (GPS)',
  'bloom-dates': 'Bloom dates',
  readings: 'Readings',
  jars: 'Jars of pollen',
  'limb-counts': 'Fruit counted by limb',
  fruits: 'Single fruits',
  'wanted-crosses': 'Crosses wanted',
  crosses: 'Crosses made',
  pollinations: 'Pollinations',
  checks: 'Checks of pollinations',
  'weather-hours': 'Hours of weather',
  'weather-days': 'Days of weather',
  'many-pollinations': 'Pollinations, more than 20,000 lines',
  'many-checks': 'Checks, more than 20,000 lines',
  package: 'A whole export (ZIP)',
};

/** In the order in which a new orchard needs them. */
export const ORDER = Object.keys(NAMES);

export const kindName = (kind: string): string => NAMES[kind] ?? kind;
