import type { Schemas } from '../api/api';
import { calendarDay, listed, plural } from '../format/time';
import { stepInStory } from '../cross/seed-words';
import { eventInStory } from '../cross/seedling-words';
import { rounded, temperature, type Units } from '../format/numbers';
import { stepWords, type KeptStep } from '../pollen/lot-words';
import type { Line } from './queries';

/** What a record of each kind is called, and several of them. */
export const KINDS: Record<string, { one: string; many: string }> = {
  reading: { one: 'reading', many: 'readings' },
  pollination: { one: 'pollinated', many: 'pollinations' },
  check: { one: 'check', many: 'checks' },
  'limb-count': { one: 'limb count', many: 'limb counts' },
  fruit: { one: 'fruit', many: 'fruits' },
  jar: { one: 'pollen', many: 'jars' },
  cross: { one: 'cross', many: 'crosses' },
  'cross-step': { one: 'cross step', many: 'cross steps' },
  word: { one: 'seen', many: 'notes on walks' },
  photo: { one: 'picture', many: 'pictures' },
  'bloom-date': { one: 'bloom', many: 'bloom dates' },
  tree: { one: 'tree', many: 'trees' },
  variety: { one: 'variety', many: 'varieties' },
  permit: { one: 'permit', many: 'permits' },
  'seed-lot': { one: 'seed lot', many: 'seed lots' },
  'seed-step': { one: 'seeds', many: 'steps on seeds' },
  seedling: { one: 'seedling', many: 'seedlings' },
  'seedling-step': { one: 'seedling', many: 'steps on seedlings' },
  trait: { one: 'trait', many: 'traits' },
  score: { one: 'score', many: 'scores' },
  'jar-step': { one: 'kept', many: 'steps on pollen' },
  'jar-test': { one: 'test', many: 'tests of pollen' },
  fig: { one: 'fig', many: 'figs' },
  move: { one: 'moved', many: 'moves' },
  'cross-request': { one: 'wanted cross', many: 'wanted crosses' },
  'fruit-target': { one: 'fruit wanted', many: 'numbers of fruit wanted' },
};

/** What a record of a kind is called in a sentence. */
export const nounOf = (kind: string): string =>
  kind === 'fruit-target'
    ? 'number of fruit wanted'
    : kind === 'pollination'
      ? 'pollination'
      : kind === 'jar'
        ? 'jar'
        : kind === 'word'
          ? 'note'
          : kind === 'seed-step' || kind === 'seedling-step' || kind === 'jar-step'
            ? 'step'
            : (KINDS[kind]?.one ?? kind);

/** What is found at a stop of a walk. */
export const FOUND: Record<string, string> = {
  NOT_OPEN: 'not open yet',
  TOO_LATE: 'too late',
  NONE_LEFT: 'no flower left',
  NOTE: 'note',
};
const STEPS: Record<string, string> = {
  EMASCULATE: 'anthers taken out',
  BAG: 'bag put on',
  POLLINATE: 'pollinated',
  POLLINATE_AGAIN: 'pollinated once more',
  COVER: 'covered',
  UNBAG: 'bag taken off',
};
const WITHOUT: Record<string, string> = { NATURE: 'left to nature', BAGGED: 'bagged, no pollen' };

const text = (line: Line, name: string): string => {
  const value = line.what[name];
  return typeof value === 'string' ? value : '';
};
export const number = (line: Line, name: string): number | undefined => {
  const value = line.what[name];
  return typeof value === 'number' ? value : undefined;
};
const some = (line: Line, name: string): number => number(line, name) ?? 0;
export const said = (line: Line, name: string): string | undefined => text(line, name) || undefined;
const parts = (...given: (string | false | undefined)[]): string => given.filter(Boolean).join(', ');

/** Ids of the pictures of a record. */
export const photosOf = (line: Line): string[] =>
  Array.isArray(line.what.photos) ? (line.what.photos as string[]) : [];

/** Counts of a reading by stage. */
export const countsOf = (line: Line): Record<string, number> =>
  (line.what.counts as Record<string, number> | undefined) ?? {};

function reading(line: Line, sheet: Schemas['CropSheetView'] | undefined): string {
  const counts = countsOf(line);
  const stages = sheet?.stages ?? [];
  const seen = stages
    .filter((s) => (counts[s.key] ?? 0) > 0)
    .map((s) => `${counts[s.key]} ${s.name.toLowerCase()}`);
  const share = number(line, 'share') ?? 1;
  return parts(
    seen.length > 0 ? seen.join(' · ') : 'no flower',
    text(line, 'limb') && `limb: ${text(line, 'limb')}`,
    share < 1 && `${Math.round(100 * share)} % of it counted`,
  );
}

/** What did not fit the forecast when it was read. */
export function surpriseOf(line: Line, sheet: Schemas['CropSheetView'] | undefined): string | undefined {
  const stage = sheet?.stages.find((s) => s.key === text(line, 'surpriseStage'));
  const expected = number(line, 'surpriseExpected');
  return stage && expected !== undefined
    ? `${Math.round(expected)} ${stage.name.toLowerCase()} were foreseen`
    : undefined;
}

/** How its flowers are marked; a tag is named by its number. */
function marked(line: Line): string {
  const tag = text(line, 'tag');
  const mark = text(line, 'mark');
  const shown = [text(line, 'colour'), tag && mark === 'tag' ? '' : mark].filter(Boolean).join(' ');
  return parts(shown, tag && `tag ${tag}`);
}

function pollination(line: Line): string {
  const by = WITHOUT[text(line, 'treatment')];
  const with_ =
    by ??
    (text(line, 'jar') ? `with ${text(line, 'father')} (${text(line, 'jar')})` : 'from flower to flower');
  return parts(
    `${plural(some(line, 'flowers'), 'flower')} ${with_}`,
    line.what.again === true && 'second visit',
    text(line, 'cross') && `cross ${text(line, 'cross')}`,
    text(line, 'trial') && `trial ${text(line, 'trial')}`,
    marked(line),
  );
}

function check(line: Line): string {
  const kinds = [
    ['taken', 'set'],
    ['failed', 'failed'],
    ['dropped', 'dropped'],
    ['thinned', 'thinned'],
    ['unknown', 'too early to tell'],
    ['lost', 'mark gone'],
  ] as const;
  const found = kinds
    .filter(([key]) => some(line, key) > 0)
    .map(([key, name]) => `${some(line, key)} ${name}`);
  return `${found.join(', ')} of ${plural(some(line, 'flowers'), 'flower')}`;
}

function fruit(line: Line): string {
  const weight = number(line, 'weightG');
  return parts(
    number(line, 'number') === undefined ? 'fruit without a number' : `number ${some(line, 'number')}`,
    text(line, 'ended').toLowerCase().replaceAll('_', ' '),
    weight !== undefined && `${weight} g`,
    number(line, 'seeds') !== undefined && plural(some(line, 'seeds'), 'seed'),
  );
}

function jar(line: Line): string {
  const from = number(line, 'flowers');
  return parts(
    `${text(line, 'jar')}: ${plural(some(line, 'doses'), 'dose')}`,
    from !== undefined && `from ${plural(from, 'flower')} of this tree`,
    text(line, 'from') && `from ${text(line, 'from')}`,
    `${some(line, 'left')} left`,
  );
}

function bloomDate(line: Line): string {
  const days = [
    ['leafOut', 'leaf-out'],
    ['firstBloom', 'first flowers'],
    ['fullBloom', 'full bloom'],
    ['lastBloom', 'last flowers'],
  ] as const;
  return `${some(line, 'year')}: ${listed(days.filter(([k]) => text(line, k)).map(([k, name]) => `${name} ${calendarDay(text(line, k))}`))}`;
}

function jarStep(line: Line, units: Units): string {
  const celsius = number(line, 'celsius');
  const humidity = number(line, 'humidity');
  return parts(
    `${text(line, 'jar')}: ${stepWords({ kind: text(line, 'jarStep') as KeptStep['kind'], storage: text(line, 'storage') as KeptStep['storage'] }).toLowerCase()}`,
    celsius !== undefined && temperature(celsius, units),
    humidity !== undefined && `${rounded(humidity)} % humidity`,
  );
}

function jarTest(line: Line): string {
  const fields = line.what.fields as { grains: number; tubes: number }[] | undefined;
  const sum = (key: 'grains' | 'tubes') => (fields ?? []).reduce((n, f) => n + f[key], 0);
  return `${text(line, 'jar')}: ${
    fields
      ? `${sum('tubes')} of ${plural(sum('grains'), 'grain')} grew a tube`
      : `${some(line, 'taken')} of ${plural(some(line, 'flowers'), 'spare flower')} set`
  }`;
}

function wanted(line: Line): string {
  const fruits = number(line, 'wanted');
  return parts(
    number(line, 'priority') === 0
      ? 'no fruit'
      : fruits === undefined
        ? 'as much as the tree carries'
        : plural(fruits, 'fruit'),
    number(line, 'girthCm') !== undefined && `trunk ${rounded(some(line, 'girthCm'))} cm round`,
  );
}

const place = (line: Line, side: 'from' | 'to'): string =>
  parts(
    text(line, `${side}Block`),
    number(line, `${side}Row`) !== undefined && `row ${some(line, `${side}Row`)}`,
    number(line, `${side}Position`) !== undefined && `place ${some(line, `${side}Position`)}`,
  ) || 'no place';

function move(line: Line): string {
  const from = place(line, 'from');
  const to = place(line, 'to');
  return parts(
    text(line, 'toVariety') && `${text(line, 'toVariety')} instead of ${text(line, 'fromVariety')}`,
    from !== to && `from ${from} to ${to}`,
  );
}

/** What a record says, in one line. */
export function lineWords(line: Line, sheet: Schemas['CropSheetView'] | undefined, units: Units): string {
  switch (line.kind) {
    case 'reading':
      return reading(line, sheet);
    case 'pollination':
      return pollination(line);
    case 'check':
      return check(line);
    case 'limb-count':
      return `${text(line, 'limb')}: ${plural(some(line, 'fruits'), 'fruit')}`;
    case 'fruit':
      return fruit(line);
    case 'jar':
      return jar(line);
    case 'cross':
      return `${text(line, 'cross')} with ${text(line, 'father')}, ${plural(some(line, 'flowers'), 'flower')} planned`;
    case 'cross-step':
      return parts(
        `${text(line, 'cross')}: ${STEPS[text(line, 'step')] ?? text(line, 'step').toLowerCase().replaceAll('_', ' ')}`,
        line.what.skipped === true ? 'skipped' : plural(some(line, 'flowers'), 'flower'),
      );
    case 'word':
      return FOUND[text(line, 'found')] ?? text(line, 'found');
    case 'jar-step':
      return jarStep(line, units);
    case 'jar-test':
      return jarTest(line);
    case 'fig':
      return `${text(line, 'fig')}: ${rounded(some(line, 'diameterMm'))} mm`;
    case 'fruit-target':
      return wanted(line);
    case 'move':
      return move(line);
    case 'photo':
      return 'picture of the walk';
    case 'bloom-date':
      return bloomDate(line);
    case 'variety':
      return text(line, 'variety');
    case 'seed-lot':
      return `${text(line, 'seedLot')}: ${plural(some(line, 'seeds'), 'seed')} out of ${plural(some(line, 'fruits'), 'fruit')}`;
    case 'seed-step':
      return `${text(line, 'seedLot')}: ${stepInStory(text(line, 'seedStep'), some(line, 'count'))}`;
    case 'seedling':
      return parts(`number ${text(line, 'seedling')} given`, text(line, 'place'));
    case 'seedling-step':
      return parts(
        `${text(line, 'seedling')}: ${eventInStory(text(line, 'seedlingStep'))}`,
        text(line, 'rootstock') && `on ${text(line, 'rootstock')}`,
        text(line, 'place'),
      );
    case 'score':
      return parts(
        `${text(line, 'trait')} ${rounded(some(line, 'value'))} ${text(line, 'unit')}`.trim(),
        `by ${text(line, 'taster')}`,
      );
    case 'permit':
      return parts(text(line, 'permit'), text(line, 'from'));
    default:
      return parts(
        text(line, 'plantedOn') ? 'planted' : 'written down, day of planting not known',
        text(line, 'stoodUntil') && `stood until ${calendarDay(text(line, 'stoodUntil'))}`,
        text(line, 'block'),
        `row ${some(line, 'row')}, place ${some(line, 'position')}`,
      );
  }
}

/** What else changes where a record is removed (or restored). */
export function effectWords(e: Schemas['Effect'], restoring: boolean): string {
  switch (e.what) {
    case 'FORECAST':
      return `The forecast of ${e.of} is made anew.`;
    case 'DOSES':
      return restoring
        ? `${plural(e.number, 'dose')} ${e.number === 1 ? 'is' : 'are'} taken out of ${e.of} again.`
        : `${plural(e.number, 'dose')} ${e.number === 1 ? 'goes' : 'go'} back into ${e.of}.`;
    case 'FRUIT_SET':
      return `${plural(e.number, 'flower')} of ${e.of} ${restoring ? 'count' : 'no longer count'} for fruit set.`;
    case 'FRUIT':
      return `${plural(e.number, 'fruit')} of ${e.of} ${restoring ? 'count' : 'no longer count'} as hanging.`;
    case 'SHELF':
      return `${plural(e.number, 'dose')} of ${e.of} ${restoring ? 'come back to' : 'leave'} the shelf.`;
    case 'FIRST':
      return `${plural(e.number, nounOf(e.of), KINDS[e.of]?.many)} must be removed or changed first.`;
    case 'BACK':
      return `${plural(e.number, 'record')} of the merge ${e.number === 1 ? 'goes' : 'go'} back to ${e.of}.`;
    case 'RECORDS':
      return `${plural(e.number, nounOf(e.of))} of this tree ${e.number === 1 ? 'stays' : 'stay'} on record.`;
  }
}

const FIELDS: Record<string, string> = {
  takenAt: 'time',
  doneAt: 'time',
  checkedAt: 'time',
  countedAt: 'time',
  measuredAt: 'time',
  testedAt: 'time',
  saidAt: 'time',
  doneOn: 'day',
  diameterMm: 'diameter, mm',
  counts: 'flowers',
  treeId: 'tree',
  lotId: 'jar',
  varietyId: 'variety',
  fatherId: 'father',
  taken: 'set',
  unknown: 'too early to tell',
  takenOff: 'thinned, picked or fallen',
  markLasts: 'how long the mark lasts',
  sizeMm: 'size, mm',
  oneSided: 'one-sided',
  plantedOn: 'planted',
  stoodUntil: 'stood until',
  graftedOnId: 'grafted on',
  receivedAt: 'came',
  receivedFrom: 'from',
  validFrom: 'first day',
  validUntil: 'last day',
  forFlowers: 'for work on flowers',
  forPollenIn: 'for pollen that comes',
  forPollenOut: 'for pollen that goes',
  row: 'row',
  collectedAt: 'collected',
  surpriseStage: 'stage that surprised',
  surpriseExpected: 'flowers foreseen there',
};

/** A field of a record as people call it. */
export const fieldWords = (field: string): string =>
  FIELDS[field] ?? field.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);

const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?Z$/;

/** What stood in a field; moments by the orchard's clock. */
export const valueWords = (value: string, moment: (at: Date) => string): string =>
  value === '' ? 'nothing' : MOMENT.test(value) ? moment(new Date(value)) : value;
