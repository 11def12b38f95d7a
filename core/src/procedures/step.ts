import type { Caution } from '../cautions/index.ts';

/** Something that must pass before the next step, though hands may turn to another plant. */
export interface Timer {
  minutes: number;
  label: string;
}

/** One thing that hands do. */
export interface Step {
  id: StepId;
  title: string;
  /** single things to do, where it is several */
  items?: readonly string[];
  why: string;
  cautions: readonly Caution[];
  timer?: Timer;
  /** can be done hours or a day ahead */
  ahead?: true;
  /** two people */
  hands?: 2;
}

/** Every step there is, in the order of the hands. */
export const STEP_IDS = [
  'soakComponents',
  'preWet',
  'keepDry',
  'limpVine',
  'waterBefore',
  'soakToLoosen',
  'keepApart',
  'rinsePot',
  'cleanBlade',
  'twoPeople',
  'cutPot',
  'squeezePot',
  'knifeRound',
  'takePlugOff',
  'easeOut',
  'rinseCutting',
  'keepBall',
  'openCircling',
  'loosenOutside',
  'takeAllOff',
  'rinseRoots',
  'readRoots',
  'weakRoots',
  'cutToClean',
  'treatRot',
  'washPests',
  'pruneRoots',
  'divide',
  'callus',
  'dryWounds',
  'waterJar',
  'screen',
  'ballast',
  'setSupport',
  'soakMoss',
  'seatOnNetPot',
  'wrapMoss',
  'checkMound',
  'bed',
  'setWalker',
  'setPlant',
  'spreadRoots',
  'leadRoots',
  'pourPebbles',
  'packMoss',
  'fillDry',
  'fillDamp',
  'settle',
  'level',
  'topDress',
  'tie',
  'secure',
  'label',
  'fillReservoir',
  'holdWater',
  'waterDoses',
  'waterNow',
  'waterAgain',
  'place',
  'cleanUp',
] as const;
export type StepId = (typeof STEP_IDS)[number];
