import type { LeftOutWhy, PinConflict, Stretch } from '@fernbank/core';
import { costInAll, costWords, SAME_COST } from './cost.ts';
import { hours } from './duration.ts';

const plants = (n: number) => (n === 1 ? '1 plant' : `${n} plants`);
/** Texts of the potting day. */
export const day = {
  title: 'Potting day',
  rooms: { plan: 'Plan', pots: 'Pots', order: 'Order', lists: 'Lists', bench: 'At the bench' },
  none: 'No potting day is planned. Say when you have time: Fernbank picks the plants that lose most by waiting, their pots, their mixes and the order of work.',
  ask: 'When, and with what?',
  date: 'Date',
  minutes: 'Time, minutes',
  minutesError: 'Say how many minutes there are: more than 0',
  addDate: 'Another date',
  dropDate: (n: number) => `Drop date ${n}`,
  hands: 'People at the bench',
  money: 'Money for bags and pots',
  moneyHint: 'empty: no limit',
  nextChance: 'When could you pot again?',
  nextChanceHint: 'what a plant is spared is told against that day',
  nextChanceError: 'This must be after the last date',
  datesError: 'Each date must be after the one before',
  cleaning: 'Pots that plants leave',
  plan: 'Plan it',
  change: 'Change',
  save: 'Plan anew',
  when: (dates: string, minutes: number, hands: number) =>
    `${dates}: ${hours(minutes)}${hands > 1 ? `, ${hands} people` : ''}`,
  whenEach: (date: string, minutes: number) => `${date} (${hours(minutes)})`,
  limits: (money: string | null, cleaning: string) =>
    `${money === null ? 'no limit of money' : `at most ${money}`} · pots: ${cleaning}`,
  noneWants:
    'No plant asks for another pot on these dates. Take one in by hand below, or choose another date.',
  answer: (n: number, saves: number) =>
    n === 0
      ? 'Nothing is worth potting within this.'
      : `${plants(n)} to repot: spares them ${costInAll(saves)}.`,
  answerWhy: (next: string) =>
    `Each is spared what waiting until your next chance, ${next}, would cost it, less what disturbing it on the day costs.`,
  byHand: (n: number, saves: number) =>
    `Taken one by one, the most urgent first: ${plants(n)}, sparing them ${costInAll(saves)}.`,
  better: (by: number) => `This plan spares them ${costInAll(by)} more.`,
  asGood: 'This plan is as good.',
  proven: 'No plan can be better: proven.',
  within: (percent: string) => `No plan can be more than ${percent} % better.`,
  notBounded: 'How much better a plan could be is not known yet.',
  planning: 'Looking for the best plan',
  searching: (seconds: string) => `Searching for a better plan: ${seconds} s …`,
  stop: 'Stop here',
  again: 'Search again',
  over: (date: string, minutes: number) =>
    `${date} runs ${hours(minutes)} over: your pins ask for more than the hands can share out.`,
  settle: 'Settle on this',
  settled: 'Settled. Every plant now carries its pot and mix.',
  settledMark: 'Settled',
  reopen: 'Open it again',
  reopened: 'Opened again: plants have back what they had settled on.',
  gone: 'This day has gone by: give it another, or work it all the same.',
  drop: 'Drop this day',
  dropped: 'Dropped.',
  conflict: 'Your pins cannot all hold',
  conflictWhy: {
    time: 'The minutes do not suffice for them.',
    money: 'The money does not suffice for them.',
    mix: 'The stock does not suffice for them, and cannot be bought.',
    pots: 'No such pot does for it.',
    none: 'They contradict each other.',
  } satisfies Record<NonNullable<PinConflict['limit']> | 'none', string>,
  dropPin: 'Let go',
  pinWords: {
    in: (name: string) => `${name} is taken in`,
    out: (name: string) => `${name} is left out`,
    on: (name: string, date: string) => `${name} on ${date}`,
    pot: (name: string, pot: string) => `${name} into ${pot}`,
    notPot: (name: string, pot: string) => `${name} not into ${pot}`,
  },
  potted: (n: number) => `Potted (${n})`,
  leftOut: (n: number) => `Left out (${n})`,
  dragHint: 'Drag a plant across, or a pot onto a plant; or use the buttons.',
  saves: (units: number) => {
    if (Math.abs(units) < SAME_COST) return 'costs about what waiting costs';
    return units > 0
      ? `spares it ${costWords(units)}`
      : `would cost ${costWords(-units)} more than to wait`;
  },
  withPole: (kind: string, length: string) => `with a ${kind.toLowerCase()}, ${length}`,
  takes: (minutes: number) => `${Math.round(minutes)} min`,
  spare: 'Pots that stay free',
  doesNotDo: (plant: string, pot: string) => `${plant} cannot have ${pot}: it would not do for it.`,
  fills: (litres: string, mix: string) => `${litres} of ${mix}`,
  pinIn: (name: string) => `Keep ${name} in`,
  takeIn: (name: string) => `Take ${name} in`,
  leaveOut: (name: string) => `Leave ${name} out`,
  letGo: (name: string) => `Let go of your word on ${name}`,
  choose: (name: string) => `Choose pot and date for ${name}`,
  otherPot: (name: string) => `Another pot for ${name}`,
  onDate: (name: string) => `Date for ${name}`,
  anyDate: 'any date',
  told: {
    in: (name: string) => `${name} stays in.`,
    out: (name: string) => `${name} is left out.`,
    pot: (name: string, pot: string) => `${name} goes into ${pot}.`,
    on: (name: string) => `${name} has its date.`,
    free: (name: string) => `${name} is planned freely again.`,
  },
  notAsked: 'Not asked, and why',
  whyLeft: {
    banned: 'your word',
    noPot: 'no pot',
    potsTaken: 'pots taken',
    waits: 'can wait',
    minutes: 'no time',
    mix: 'no mix',
    worthLess: 'gains less',
  } satisfies Record<LeftOutWhy, string>,
  tidiness: { clean: '', suspect: 'doubtful: late', quarantine: 'quarantine: last, apart' },
  sources: {
    shelf: 'from the shelf',
    left: 'handed down',
    stays: 'stays in its own',
    toBuy: 'to buy',
  },
  chainsTitle: 'Who gets whose pot',
  chainsIntro:
    'All pots at one scale. Each plant moves into the pot on its left and leaves the one on its right.',
  chainFrom: { shelf: 'from the shelf', toBuy: 'to buy', left: '', stays: 'its own, washed' },
  leaves: 'leaves its pot',
  chainFree: 'ends free',
  chainApart: 'kept apart until disinfected',
  chainSoak: { rinse: 'which is scrubbed and rinsed', soak: 'which soaks overnight' },
  buyFew: (n: number) => (n === 1 ? '1 pot to buy' : `${n} pots to buy`),
  endFree: (n: number) => (n === 1 ? '1 pot ends free' : `${n} pots end free`),
  handedDown: (n: number) => (n === 1 ? '1 pot is handed down' : `${n} pots are handed down`),
  noPlan: 'There is no plan yet.',
  toPlan: 'Plan a day',
  orderTitle: 'The order of work',
  lasts: (minutes: number, of: number) => `${hours(minutes)} of ${hours(of)}`,
  idle: (minutes: number) => `${hours(minutes)} of waiting`,
  stretch: {
    setUp: 'Set up: table, sheet, tools, tubs',
    soakPlant: 'soaks to loosen',
    mix: 'Mix',
    plant: '',
    rest: 'Rest',
    changeTools: 'Wash hands, change tools: doubtful plants from here on',
    cleanUp: 'Clean up: blades, bench, pots to their soak',
  } satisfies Record<Stretch['kind'], string>,
  handsNo: (n: number) => `hands ${n}`,
  clock: (minutes: number) => {
    const whole = Math.round(minutes);
    return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
  },
  clockWord: 'h:min',
  whatWord: 'What',
  minutesWord: 'Takes',
  ahead: 'Before the day',
  aheadOn: (text: string, date: string) => `${text} (for ${date})`,
  paceTitle: 'Where the minutes come from',
  paceIntro: 'Typical hands, and your own pace as far as steps were ticked at the bench.',
  paceRow: (label: string, percent: number, from: number) =>
    from === 0
      ? `${label}: typical`
      : `${label}: ${percent} % of typical, from ${from} ${from === 1 ? 'step' : 'steps'} of yours`,
  batchesTitle: 'Batches',
  batch: (label: string, litres: string, n: number) => `${label}: ${litres} for ${plants(n)}`,
  loads: (n: number) => (n === 1 ? 'one load' : `${n} loads, each`),
  scoopOf: (size: string) => `scoop ${size}`,
  finer: 'Measured with a small scoop, so that no further bag is opened.',
  tubTooSmall: 'One load is more than this tub turns well: use a larger one.',
  loadWeighs: (damp: string, soaked: string) => `A load weighs ${damp} damp, ${soaked} soaked.`,
  intoPots: (litres: string, names: readonly string[]) =>
    `${litres} ${names.length === 1 ? 'into' : 'each into'} ${names.join(', ')}`,
  shoppingTitle: 'Shopping list',
  nothingToBuy: 'Nothing to buy.',
  bag: (label: string, litres: string) => `${label}, bag of ${litres}`,
  newPot: (size: string) => `new pot, ${size}`,
  pole: (label: string, length: string) => `${label}, ${length}`,
  forPlants: (names: string) => `for ${names}`,
  sum: (money: string | null, unpriced: number) => {
    const rest = unpriced === 1 ? '1 thing' : `${unpriced} things`;
    if (money === null) return 'No price is known of what is to be bought.';
    return unpriced === 0
      ? `In all ${money}.`
      : `In all ${money}, and ${rest} of which no price is known.`;
  },
  checkTitle: 'Not counted on your shelf: look what you have',
  boughtMark: 'bought',
  pickTitle: 'Fetch to the bench',
  pickPlants: 'Plants',
  pickPots: 'Pots',
  pickMix: 'Components',
  pickMounds: 'For the mounds',
  strands: (label: string, weight: string, mounds: number) =>
    `${label}: of that above ${weight} dry, in long strands, for ${mounds === 1 ? 'one mound' : `${mounds} mounds`}; one soak for all`,
  practised: (share: number) =>
    `hands grow quick at it: the last is reckoned at ${share} % of the minutes of the first`,
  moundBatch: (weight: string, mounds: number) =>
    `${weight} of dry long strands, soaked together, for ${mounds === 1 ? 'one mound' : `${mounds} mounds`}`,
  ontoMound: (name: string, weight: string, netPot: string) =>
    `${name}: ${weight} dry, over a net pot of ${netPot}`,
  pickWater: 'Under the pebbles',
  solution: (litres: string) => `${litres} of weak nutrient solution in all, pH about 6`,
  pickPoles: 'Poles to cut from',
  opens: (n: number) => (n === 1 ? 'opens a bag' : `opens ${n} bags`),
  fromOpen: 'from open bags',
  polesOf: (kind: string) => `Cut the ${kind}`,
  cutPattern: (times: number, stock: string, pieces: string, left: string | null) =>
    left === null ? `${times} × ${stock}, whole` : `${times} × ${stock}: ${pieces}; ${left} left`,
  print: 'Print',
  csv: 'CSV',
  csvOf: { shopping: 'Shopping', picking: 'Fetching', batches: 'Batches', order: 'Order' },
  sheets: 'Bench sheets for all',
  sheetsIntro: 'One page a plant, in the order of the day.',
  labels: 'Labels for all',
  notSettled: 'Settle the day first: then sheets, labels and the bench follow its plan.',
  benchTitle: 'The day at the bench',
  begin: 'Begin',
  notYet: (date: string) => `This day is planned for ${date}.`,
  beganAt: (clock: string) => `Begun at ${clock}`,
  progress: (done: number, all: number) => `${done} of ${all} potted`,
  late: (minutes: number) => `${hours(minutes)} behind the plan`,
  early: (minutes: number) => `${hours(minutes)} ahead of the plan`,
  onTime: 'on time',
  left: (minutes: number) => `${hours(minutes)} of work left`,
  behindAsk: (n: number) =>
    `At this pace ${plants(n)} will not be reached. Plan the rest anew, with the time that is left.`,
  replan: 'Plan the rest anew',
  replanned: 'Planned anew with the time that is left. Settle it to go on.',
  nextUp: 'Next',
  pot: (name: string) => `Pot ${name}`,
  mixNow: ({ label, measures }: { label: string; measures: readonly unknown[] }) =>
    measures.length === 1 ? `Measure out ${label}` : `Mix ${label}`,
  mixedWord: 'Mixed: take it off the stock',
  mixedDone: 'mixed',
  unmix: 'Not mixed after all',
  cutWord: 'Cut: take the lengths off the shelf',
  cutDone: 'cut',
  uncut: 'Not cut after all',
  potDone: 'potted',
  onBench: 'on the bench',
  inMinutes: (minutes: number) => `${Math.round(minutes)} min at the bench`,
  leftInTub: (litres: string, label: string) => `${litres} of ${label} in the tub.`,
  undo: 'Take the whole day back',
  undoAsk: (n: number) =>
    `Every repot of this day (${n}), its batches, cuts and bags are taken back; shelf and stock stand as before. The plan stays.`,
  undone: 'Taken back: shelf and stock stand as before.',
  close: 'The day is over',
  closed: 'Closed. What was not potted keeps its plan.',
  earlier: 'Earlier days',
  earlierRow: (dates: string, n: number) => `${dates}: ${plants(n)} potted`,
  earlierUndo: 'Take back',
  partOf: (date: string) => `Part of the potting day on ${date}`,
};

/** Texts of quarantine. */
export const quarantine = {
  title: 'In quarantine',
  since: (date: string) => `since ${date}`,
  until: (date: string, why: 'arrived' | 'infested' | 'keeper') =>
    why === 'infested'
      ? `from ${date} on a look that finds no pests clears it, or your word`
      : `ends on ${date}, where nothing is found, or with your word`,
  keeps:
    'Its pot and tools are for it alone: it comes last on a potting day, and its pot goes to no other plant until disinfected.',
  clear: 'Cleared: nothing found',
  cleared: 'Cleared.',
  putApart: 'Put in quarantine',
  apart: 'Put in quarantine.',
};
