import type { Word } from './words';

/** What a page is for. */
export interface Help {
  /** The one question it answers. */
  purpose: string;
  /** What to do on it, one idea a line. */
  steps: string[];
  /** Words on it that somebody new may not know. */
  words: Word[];
}

/** By the path of the page, as the list of pages has it. */
export const HELP: Record<string, Help> = {
  '/': {
    purpose: 'What do I do this evening, and in which order?',
    steps: [
      'Read from top to bottom: each visit has its hour, what to take along, and its trees.',
      'Press “Start walking” when you go. The phone then leads you from stop to stop.',
      'A dotted line under a number means: press it to see why.',
      'Trees under “Read these before you go” would change the plan most.',
    ],
    words: ['visit', 'jar', 'dose', 'lost', 'kept for later', 'reading', 'check'],
  },
  '/account': {
    purpose: 'Where do I work, and where am I signed in?',
    steps: [
      'Change your password here; everywhere else you are signed out then.',
      'A passkey lets you in without a password; one-time codes are asked for beside it.',
      'A phone that is lost is signed out under “Where you are signed in”.',
      'Several orchards have one account; go from one to another here or in the menu.',
    ],
    words: [],
  },
  '/orchard/machine': {
    purpose: 'How do phones reach Even Hand, and is the machine well?',
    steps: [
      'Scan the code with a phone in the same network; trust the certificate once.',
      'An owner sees here when the last backup was made, and how much room is left.',
    ],
    words: [],
  },
  '/orchard/people': {
    purpose: 'Who works in this orchard, and who may do what?',
    steps: [
      'An owner makes a link and hands it over; it lets one person in, for three days.',
      'A changed role holds at once, on every device.',
      'Whoever is removed stays known by name on what they wrote.',
    ],
    words: [],
  },
  '/round/walk/:walk': {
    purpose: 'What do I do at this tree, now?',
    steps: [
      'Tap once for each flower, or type the number.',
      'What you count is kept on this device at once, and sent when there is a signal.',
      'Skip a stop with its reason; nothing is lost by it.',
    ],
    words: ['stop', 'walk', 'dose', 'jar', 'cross'],
  },
  '/bloom': {
    purpose: 'Which trees are female, and which shed pollen, hour by hour?',
    steps: [
      'Each ribbon is one tree. Plum is female, amber is male.',
      'Choose how far to look ahead, and which crops.',
      'Press a tree to read its flowers anew.',
    ],
    words: ['female', 'male', 'stage', 'reading', 'forecast'],
  },
  '/bloom/read/:tree': {
    purpose: 'How many flowers of each stage hang on this tree?',
    steps: ['Tap a stage for each flower, or use its number key.', 'Not sure of a stage? Ask the key.'],
    words: ['stage', 'reading', 'limb'],
  },
  '/bloom/key': {
    purpose: 'Which stage is the flower in my hand?',
    steps: ['Answer what you see.', 'Skip what you cannot tell.', 'The likeliest stage comes first.'],
    words: ['stage', 'female', 'male'],
  },
  '/bloom/season': {
    purpose: 'When does each variety flower this year, and whose pollen must be stored?',
    steps: [
      'Note first and last flowers of every year you remember.',
      'Gaps without pollen are marked, with the jar that would close them.',
    ],
    words: ['bloom overlap', 'chill and heat', 'jar'],
  },
  '/bloom/weather': {
    purpose: 'Which weather does the forecast use?',
    steps: [
      'Type a day, bring in a file, or connect a station.',
      'What is measured goes before what is foreseen, and that before a typical day.',
    ],
    words: ['typical day', 'forecast'],
  },
  '/bloom/need': {
    purpose: 'Is hand pollination needed here?',
    steps: ['Answer for each block what grows and flies there.', 'Each reason says how it counts.'],
    words: ['fruit set', 'crop sheet'],
  },
  '/pollen': {
    purpose: 'Which pollen do I have, and how long is it good?',
    steps: ['Press a jar for its story.', 'Collect adds a new jar.', 'Dry pollen before you close the lid.'],
    words: ['jar', 'dose', 'alive', 'blend'],
  },
  '/pollen/collect': {
    purpose: 'How many male flowers for how many doses, and from where?',
    steps: ['Choose the variety and the flowers.', 'Write the code on the jar at once.'],
    words: ['jar', 'dose', 'father', 'male'],
  },
  '/pollen/from-elsewhere': {
    purpose: 'How do I keep pollen that was bought, given or swapped?',
    steps: [
      'Say whose pollen it is, from whom, and for how many flowers.',
      'Say what is known of it: the less, the wider the figures, until you have tested it.',
    ],
    words: ['jar', 'dose', 'alive', 'father'],
  },
  '/pollen/jar/:lot': {
    purpose: 'What is in this jar, and what happened to it?',
    steps: [
      'Move it, test it, use some, or throw it away; each is a line you can undo.',
      'The curve shows how much of it is alive.',
    ],
    words: ['alive', 'dose', 'blend'],
  },
  '/pollen/mixing': {
    purpose: 'How do I thin or float pollen, and in which amounts?',
    steps: ['Choose what to make.', 'The amounts follow the number of flowers.'],
    words: ['dose', 'alive', 'crop sheet'],
  },
  '/pollen/labels': {
    purpose: 'Which labels do I print?',
    steps: ['Choose jars and the sheet of labels.', 'The code leads any phone to the jar’s page.'],
    words: ['jar'],
  },
  '/l/:code': { purpose: 'The jar of a scanned label.', steps: [], words: ['jar'] },
  '/mates': {
    purpose: 'Whose pollen fits which variety?',
    steps: ['Rows are mothers, columns are fathers.', 'Press a field to read why, and how sure that is.'],
    words: ['mother', 'father', 'fits', 'S alleles', 'bloom overlap'],
  },
  '/mates/many': {
    purpose: 'Which crosses of many do I make, and what do they take?',
    steps: [
      'Choose mothers and fathers.',
      'Turn off what you do not want; the sums follow.',
      'Begin all that is left at once.',
    ],
    words: ['mother', 'father', 'fits', 'dose', 'wanted cross'],
  },
  '/mates/wanted': {
    purpose: 'Which crosses do I want to make?',
    steps: ['Name mother, father and the number of flowers.', 'The plan keeps both for it.'],
    words: ['wanted cross', 'cross', 'mother', 'father'],
  },
  '/round': {
    purpose: 'What does the next visit hold, tree by tree?',
    steps: ['Each stop says why this jar.', 'Try another hour and see what it costs.', 'Print it as a list.'],
    words: ['visit', 'stop', 'jar', 'dose', 'lost'],
  },
  '/round/paper/:walk': {
    purpose: 'Type in what was written on paper.',
    steps: ['One line a stop.', 'Leave empty what was not done.'],
    words: ['walk', 'stop'],
  },
  '/round/plan': {
    purpose: 'What comes in the next days, and what if I change it?',
    steps: [
      'Open a visit to see its trees.',
      'Pin a stop, rule one out, move a visit, skip a day: the cost in fruits is shown first.',
    ],
    words: ['plan', 'visit', 'pinned', 'kept for later', 'lost'],
  },
  '/round/wanted': {
    purpose: 'How many fruits should each tree carry?',
    steps: ['Set a number, or let the branches decide.', 'Flowers beyond it are not planned.'],
    words: ['fruit wanted', 'can carry', 'thinned', 'fruit set'],
  },
  '/round/crosses': {
    purpose: 'How far is each cross, and what is due?',
    steps: ['Begin a cross at a tree.', 'Record its steps with their own times.', 'Print labels for bags.'],
    words: ['cross', 'bag', 'wanted cross', 'mother', 'father'],
  },
  '/round/figs/:tree': {
    purpose: 'Which figs are of the right size today?',
    steps: ['Measure one fig after another.', 'Each gets its answer at once.'],
    words: ['female'],
  },
  '/round/hours': {
    purpose: 'When can I go, and how do I work?',
    steps: ['Say your hours and days away.', 'How fast you work is learned from your walks.'],
    words: ['rhythm', 'visit', 'walk'],
  },
  '/kept': {
    purpose: 'What waits on this device to be sent?',
    steps: ['It goes by itself once there is a signal.', 'Something refused can be mended or dropped here.'],
    words: [],
  },
  '/fruit-set/seeds': {
    purpose: 'Which seeds do I have, and what is due with them?',
    steps: [
      'Make a lot of the seeds of your harvested fruits: one for each tree and cross.',
      'Write its number on the bag and the tray.',
      'Open a lot to write down what was done with it.',
    ],
    words: ['seed lot', 'cross', 'mother', 'father'],
  },
  '/fruit-set/rivers': {
    purpose: 'How did each lot of seeds come along over the years, and when does it bear?',
    steps: [
      'Each band is as high as there are seeds and seedlings alive.',
      'Press a lot to see what was done with it.',
    ],
    words: ['seed lot', 'numbered seedling', 'crop sheet'],
  },
  '/fruit-set/seeds/:lot': {
    purpose: 'Where are the seeds of this lot, and what comes next?',
    steps: [
      'Press “Done” beside what is due, say how many, and save.',
      'A number that cannot be is refused: what was potted must have come up before.',
      'A step that was wrong is removed with its reason, and can be restored.',
    ],
    words: ['seed lot', 'moist and cold'],
  },
  '/fruit-set/seedlings': {
    purpose: 'Which seedlings have numbers, where are they, and what became of them?',
    steps: [
      'Give numbers on the page of a seed lot, once its seedlings are up.',
      'Print a label for each: scanning it opens its page.',
      'Search by number, parent or place.',
    ],
    words: ['numbered seedling', 'seed lot', 'mother', 'father'],
  },
  '/fruit-set/seedlings/:seedling': {
    purpose: 'Where is this seedling, what happened to it, and what is it worth?',
    steps: [
      'Write down what happened: potted, planted, grafted, its first fruit.',
      'Score its fruit in several years, and let several people taste.',
      'Give the best a name: it becomes a variety of the orchard.',
    ],
    words: ['numbered seedling', 'trait', 'pedigree'],
  },
  '/mates/judged': {
    purpose: 'Which varieties and seedlings are the best by my own scores?',
    steps: [
      'Add the traits you judge by, each with its scale and its weight.',
      'Score seedlings and varieties on their pages.',
      'Press a number to see how many scores it comes from and how sure it is.',
    ],
    words: ['trait', 'merit', 'agreement of scores'],
  },
  '/mates/promising': {
    purpose: 'What would seedlings of two parents be like?',
    steps: [
      'Score both parents first.',
      'With three crosses and their scored seedlings, your own results say how much is inherited.',
      'Press a number to see what it comes from. Single seedlings differ.',
    ],
    words: ['trait', 'merit', 'mother', 'father'],
  },
  '/mates/seeds': {
    purpose: 'How many seeds, fruits and flowers does it take to judge as many trees?',
    steps: [
      'Say how many trees you want to judge by their fruit.',
      'The shares come from the crop sheet, and from your own lots as soon as there are some.',
      'Growers differ on how many flowers give a fruit; both opinions are shown.',
    ],
    words: ['seed lot', 'fruit set', 'crop sheet'],
  },
  '/fruit-set': {
    purpose: 'How many of the flowers set, and which checks are due?',
    steps: ['Record a check on its day.', 'Too early to tell is an answer too.'],
    words: ['check', 'fruit set', 'likely range', 'dropped'],
  },
  '/fruit-set/walk': {
    purpose: 'Check fruit tree after tree.',
    steps: ['Count what set and what failed.', 'The rest counts as too early to tell.'],
    words: ['check', 'dropped', 'thinned'],
  },
  '/fruit-set/limbs': {
    purpose: 'How much does a marked branch carry?',
    steps: ['Count it in flower and again in fruit.'],
    words: ['limb', 'fruit set'],
  },
  '/fruit-set/fruit': {
    purpose: 'Which fruit is which, and how did it end?',
    steps: ['Give a fruit its number.', 'Record once how it ended: picked, dropped or thinned.'],
    words: ['dropped', 'thinned', 'cross'],
  },
  '/findings': {
    purpose: 'What worked, and how sure is that?',
    steps: [
      'Each line shows the share and its likely range.',
      'What is learned here goes into the plan; you can switch it off.',
    ],
    words: ['fruit set', 'likely range', 'trial'],
  },
  '/findings/why': {
    purpose: 'Why did these flowers fail?',
    steps: ['Choose a pollination.', 'Causes come by how likely each is, with what to do next time.'],
    words: ['alive', 'fits', 'likely range'],
  },
  '/findings/trials': {
    purpose: 'Compare two treatments fairly.',
    steps: [
      'Say what to compare and on how many flowers.',
      'Follow the random order, then wait for the checks.',
    ],
    words: ['trial', 'likely range'],
  },
  '/findings/season': {
    purpose: 'The season on one page.',
    steps: ['Choose the season.', 'Print it, or save it as a file.'],
    words: ['fruit set', 'likely range'],
  },
  '/orchard': {
    purpose: 'Which varieties and trees there are, and where.',
    steps: ['Add varieties first, then their trees.', 'Place and time zone decide sun and hours.'],
    words: ['mother', 'S alleles', 'typical day'],
  },
  '/orchard/tree/:tree': {
    purpose: 'What happened to this tree, and when?',
    steps: [
      'The latest stands on top. Choose kinds of records to see only those.',
      'The three dots of a line correct it, remove it with its reason, or show who changed it.',
      'What was removed can be shown, and restored.',
    ],
    words: ['reading', 'check', 'jar', 'cross'],
  },
  '/orchard/variety/:variety': {
    purpose: 'What happened to the trees of this variety?',
    steps: [
      'The latest stands on top. Choose kinds of records to see only those.',
      'The three dots of a line correct it, remove it with its reason, or show who changed it.',
      'What was removed can be shown, and restored.',
    ],
    words: ['reading', 'check', 'jar', 'cross'],
  },
  '/orchard/block/:block': {
    purpose: 'What happened in this block?',
    steps: [
      'The latest stands on top. Choose kinds of records to see only those.',
      'The three dots of a line correct it, remove it with its reason, or show who changed it.',
      'What was removed can be shown, and restored.',
    ],
    words: ['reading', 'check', 'jar', 'cross'],
  },
  '/orchard/person/:person': {
    purpose: 'What did this person write down?',
    steps: [
      'The latest stands on top. Choose kinds of records to see only those.',
      'The three dots of a line correct it, remove it with its reason, or show who changed it.',
      'What was removed can be shown, and restored.',
    ],
    words: ['reading', 'check', 'jar', 'cross'],
  },
  '/orchard/cross/:cross': {
    purpose: 'What happened to this cross?',
    steps: [
      'The latest stands on top. Choose kinds of records to see only those.',
      'The three dots of a line correct it, remove it with its reason, or show who changed it.',
      'What was removed can be shown, and restored.',
    ],
    words: ['reading', 'check', 'jar', 'cross'],
  },
  '/orchard/rows': {
    purpose: 'Enter many trees at once.',
    steps: ['Say rows, places and where the numbers begin.', 'Look through the list, then import it.'],
    words: ['reading', 'check'],
  },
  '/orchard/permits': {
    purpose: 'What does an authority allow, and until when?',
    steps: [
      'Ask your local authority whether you need a permit; this page does not know its rules.',
      'Record number, days and conditions. The plan and the calendar say when it ends.',
    ],
    words: ['plan'],
  },
  '/orchard/import': {
    purpose: 'How do records from another place come in?',
    steps: [
      'Choose what the lines are, then the file. Nothing is written yet.',
      'Put right what is wrong in place, answer what is asked, then import.',
      'An import can be undone as a whole.',
    ],
    words: ['reading', 'jar', 'bloom overlap'],
  },
  '/orchard/export': {
    purpose: 'How do I take my records with me?',
    steps: [
      'One ZIP holds everything; it opens without this application.',
      'Each table can be saved alone as CSV.',
    ],
    words: ['reading', 'jar', 'crop sheet'],
  },
  '/orchard/map': {
    purpose: 'Where does each tree stand, and what hangs on it?',
    steps: [
      'Press a tree on the map or in the list to see it.',
      'Stand at a tree and press “I stand at this tree”: two trees of a block put all its rows in place.',
      'Move the hour to see which trees are female and which shed pollen then.',
    ],
    words: ['female', 'male', 'visit', 'stop', 'check'],
  },
  '/crops': {
    purpose: 'What is known of each crop.',
    steps: ['Open a crop to see its stages, hours and numbers, each with its source.'],
    words: ['crop sheet', 'stage'],
  },
  '/crops/:crop': {
    purpose: 'One crop: its flowers, its hours, its numbers.',
    steps: ['Make it your own to change a number.', 'You can always go back to the one that ships.'],
    words: ['crop sheet', 'stage', 'dose', 'alive'],
  },
};
