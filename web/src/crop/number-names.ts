import type { Schemas } from '../api/api';

type Sheet = Schemas['CropSheetView'];

const NAMES: Record<string, string> = {
  'temperature.baseC': 'Base temperature, °C',
  'temperature.referenceC': 'Reference temperature, °C',
  'temperature.capC': 'Cap temperature, °C',
  'pollen.dosesPerFlower': 'Doses a flower yields',
  'pollen.freshViability': 'Grains alive when fresh, share',
  'pollen.q10': 'Ageing for each 10 °C more, times',
  'pollen.dryHours': 'Dries in an open tray in, hours',
  'pollen.dampShutHours': 'Damp under a lid, mouldy after, hours',
  'pollen.agesDrying': 'Ageing while it dries in the open, against dry pollen',
  'pollen.lidHalfLifeHours': 'Dry under a lid at room, halves in, hours',
  'pollen.dampHalfLifeHours': 'Damp under a lid at room, halves in, hours',
  'pollen.freshUseHours': 'Used as collected, hours',
  'mating.ploidy': 'Sets of chromosomes',
  'suspension.sugarPercent': 'Sugar water, g in 100 ml',
  'suspension.pollenMgPerMl': 'Pollen in the suspension, mg/ml',
  'suspension.doseMl': 'Suspension for one fruit, ml',
  'suspension.waste': 'Suspension lost, share',
  'suspension.keepsHours': 'Suspension keeps, hours',
  'suspension.sizeWindow.rightFromMm': 'Right size from, mm',
  'suspension.sizeWindow.lateFromMm': 'Too late from, mm',
  'ownVariety.worth': 'Fit of its own variety’s pollen, share',
  'hand.passes': 'Passes over one flower',
  'load.fruitsPerCm2': 'Fruits for each cm² of trunk',
  'load.youngUntilYears': 'Young until, years',
  'load.twigMm': 'Twig that carries one fruit, mm',
  'load.setShare': 'Flowers that set, share',
  'fruit.setShare': 'Flowers that set, share',
  'fruit.naturalDrop': 'Set fruitlets that drop by nature, share',
  'fruit.numberAtDays': 'Fruit can be numbered from day',
  'fruit.ripeAtDays': 'Fruit may be ripe from day',
  'cross.keep': 'Flowers kept of a cluster for a cross',
  'cross.atOnce': 'Receptivity right after making ready, share',
  'cross.ripeAfterHours': 'Made ready, stigma ripe after, hours',
  'cross.lastsHours': 'Made ready, stigma past after, hours',
  'cross.bagOffDays': 'Bag off after the pollen, days',
  'cross.cluster': 'Flowers of a cluster',
  'cross.setShare': 'Crossed flowers that give a fruit, share',
  'cross.seeds': 'Seeds of a crossed fruit',
  'cross.ovules': 'Seeds a fruit can hold',
  'seeds.keepMonths': 'Kept seeds stay alive, months',
  'seeds.coldWeeks': 'Seeds lie in the cold, weeks',
  'seeds.coldC': 'Temperature of that cold, °C',
  'seeds.sowMonth': 'Sown from month, north of the equator',
  'seeds.germinateWeeks': 'Seeds have come up after, weeks',
  'seeds.potWeeks': 'Seedlings are potted after, weeks',
  'seeds.plantMonths': 'Seedlings stay in pots, months',
  'seeds.germinates': 'Seeds that come up, share',
  'seeds.reachesPot': 'Of those, potted alive, share',
  'seeds.reachesFruit': 'Of those, judged by their fruit, share',
  'seeds.fruitYears': 'First fruit on own roots, years after sowing',
  'seeds.graftedFruitYears': 'First fruit when grafted, years',
  'hand.dryAirKpa': 'Air too dry for nature above, kPa',
  'season.afterLeafOutWeeks': 'Begin after leaf-out, weeks',
  'season.roundEveryDays': 'From visit to visit, days',
  'season.bloomDays': 'First to last flower, days',
  'season.warmEnoughC': 'Warm enough for a visit, °C',
  'season.chillPortions': 'Chill the buds need, portions',
  'pollinationPeriod.ovuleDays': 'Ovules live, days',
  'pollinationPeriod.stigmaDays': 'Stigma receptive, days',
};
const STAGE: Record<string, string> = {
  meanHours: 'lasts, hours',
  shape: 'evenness (whole number)',
  bbch: 'BBCH code',
  receptivity: 'receptivity, share',
  shedding: 'shedding, share',
  'gate.opens.hours': 'change begins, hours',
  'gate.closes.hours': 'change ends, hours',
  'gate.halfTimeMinutes': 'half have changed in, minutes',
};
const KEPT: Record<string, string> = {
  halfLifeHours: 'viability halves in, hours',
  temperatureC: 'temperature, °C',
  spoilsAfterHours: 'spoils after, hours',
};

/** A number's place on the sheet as one would say it. */
export function numberName(sheet: Sheet, path: string): string {
  const known = NAMES[path];
  if (known) return known;
  const stage = /stages\[(\d+)\]\.(.+)$/.exec(path);
  if (stage) return `${sheet.stages[Number(stage[1])]?.name ?? 'stage'}: ${STAGE[stage[2]!] ?? stage[2]}`;
  const kept = /pollen\.keeping\.([a-z-]+)\.(.+)$/.exec(path);
  if (kept) return `Kept in ${kept[1]!.replace('-', ' with ')}: ${KEPT[kept[2]!] ?? kept[2]}`;
  const check = /checks\[(\d+)\]\.day$/.exec(path);
  if (check) return `${sheet.checks[Number(check[1])]?.name ?? 'Check'}: day`;
  return path;
}
