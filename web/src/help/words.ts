/** Words of the trade as this product uses them; docs/GLOSSARY.md has them for the code. */
export const WORDS = {
  female: 'A flower whose stigma can be pollinated at this hour.',
  male: 'A flower that sheds pollen at this hour.',
  stage:
    'How far a flower has opened, by the drawings on its crop sheet. Stages decide when it is female or male.',
  reading: 'A count of a tree’s flowers by stage, at one time. The forecast starts from it.',
  forecast: 'Flowers expected at an hour, and the range that holds eight times in ten.',
  visit: 'One going out to the trees, with its hour and its stops.',
  walk: 'A visit while it is done, on the phone, stop after stop.',
  stop: 'One thing to do at one tree: collect, pollinate, a step on a cross, or a check.',
  plan: 'Which pollen goes on which flowers in the coming visits, for the most fruit within your hours.',
  'kept for later': 'Doses that wait in a jar because a later visit has a better use for them.',
  lost: 'Flowers that you want pollinated and that no visit serves, with the reason.',
  jar: 'A batch of pollen with a code, a father, an age and a ledger of what went in and out.',
  dose: 'Pollen for one flower.',
  alive: 'The share of pollen that still germinates, from its age, how it was stored, and your tests.',
  blend: 'Pollen of several jars in one.',
  mother: 'The tree that bears the fruit; also called the seed parent.',
  father: 'The variety the pollen is from; also called the pollen parent.',
  fits: 'Whether pollen of one variety sets fruit on another: yes, partly, no, or not known.',
  'S alleles': 'Genes that make some varieties refuse each other’s pollen. Written as S1S2.',
  cross: 'Pollen of one chosen father on flowers kept from all other pollen, for its seeds.',
  'wanted cross': 'A cross you would like to make. The plan keeps flowers and pollen for it.',
  'seed lot':
    'Seeds out of fruits of one tree that were harvested together, and the seedlings that come of them.',
  'numbered seedling':
    'A seedling with a number and a page of its own, as 26-1-07: the seventh of cross 26-1.',
  pedigree: 'Who descends from whom, as far as it was written down.',
  trait: 'What you score a plant by, on a scale of your own: taste, keeping, disease.',
  merit: 'How much better a plant is than the mean of all, by your scores and the weights you gave.',
  'agreement of scores':
    'How much of the differences between scores lies between plants, and not between tasters or years.',
  'moist and cold':
    'Weeks in damp sand or paper in the fridge, without which seeds of some crops do not come up.',
  bag: 'Keeps a flower of a cross from other pollen, until it sets.',
  check: 'Some days after pollination: how many of the flowers set.',
  'fruit set': 'Of the flowers pollinated, the share that became fruit.',
  dropped: 'A fruit that had set and fell before it was ripe.',
  thinned: 'A young fruit removed so that others grow.',
  'fruit wanted': 'How many fruits a tree should carry this season.',
  'can carry': 'How many fruits the branches bear without harm, by their thickness and age.',
  'likely range': 'Where the true share lies nineteen times in twenty, given how few flowers were counted.',
  trial: 'Two treatments compared on flowers chosen in random order, so that nothing else decides.',
  limb: 'A marked branch whose flowers and fruits are counted instead of the whole tree’s.',
  'typical day': 'Lowest and highest temperature of an ordinary day. Used where no weather is recorded.',
  'chill and heat': 'Cold that ends a tree’s rest, and warmth that then opens its buds.',
  'bloom overlap': 'Days on which two varieties flower together, so that one can serve the other.',
  'crop sheet':
    'What is known of a crop, number by number, with its source. You can make a copy of your own.',
  pinned: 'A stop you chose yourself. The plan keeps it and says what it costs.',
  rhythm: 'The days on which you go: daily, every other day, or chosen weekdays.',
} as const;

export type Word = keyof typeof WORDS;
