import type { TaskRule } from '../aftercare/index.ts';
import type { Caution } from '../cautions/index.ts';
import type { Saying } from '../saying/index.ts';

/** Something that must pass before the next step, though hands may turn to another plant. */
export interface Timer {
  minutes: number;
  label: string;
}

/** One thing that hands do. */
export interface Step {
  id: StepId;
  title: Saying;
  /** single things to do, where it is several */
  items?: readonly Saying[];
  why: string;
  cautions: readonly Caution[];
  timer?: Timer;
  /** can be done hours or a day ahead */
  ahead?: true;
  /** two people */
  hands?: 2;
}

/** Kinds of work of which hands each have their own pace. */
export const WORK_KINDS = {
  ahead: 'soaking, wetting and watering ahead',
  unpot: 'getting it out of its pot',
  roots: 'work on the roots',
  fill: 'filling the new pot',
  support: 'setting and tying a support',
  finish: 'watering, labelling, clearing up',
} as const;
export type WorkKind = keyof typeof WORK_KINDS;
export const WORK_KIND_IDS = Object.keys(WORK_KINDS) as WorkKind[];

/** What a step takes of hands, and what it means beyond its words. */
interface StepRow {
  work: WorkKind;
  /** hands on it, for a pot of 3 L; waiting is not counted */
  minutes: number;
  /** a larger ball takes longer */
  grows?: true;
  /** it is mostly waiting: its minutes tell nothing of hands */
  waits?: true;
  /** mix is measured or filled in it: the scoops stand beside it */
  takesMix?: true;
  /** done at the bench, aftercare need not ask for it any more */
  task?: TaskRule;
}

/** Every step there is, in the order of the hands. @source minutes: common practice, no source */
const STEPS = {
  soakComponents: { work: 'ahead', minutes: 3, waits: true, takesMix: true },
  preWet: { work: 'ahead', minutes: 3, waits: true, takesMix: true },
  keepDry: { work: 'ahead', minutes: 0 },
  limpVine: { work: 'ahead', minutes: 0 },
  waterBefore: { work: 'ahead', minutes: 0.5 },
  soakToLoosen: { work: 'ahead', minutes: 1, waits: true },
  keepApart: { work: 'ahead', minutes: 1 },
  rinsePot: { work: 'ahead', minutes: 2, grows: true },
  cleanBlade: { work: 'ahead', minutes: 0.5 },
  twoPeople: { work: 'ahead', minutes: 1 },
  cutPot: { work: 'unpot', minutes: 3, grows: true },
  squeezePot: { work: 'unpot', minutes: 0.5, grows: true },
  knifeRound: { work: 'unpot', minutes: 2, grows: true },
  takePlugOff: { work: 'unpot', minutes: 1.5, grows: true },
  easeOut: { work: 'unpot', minutes: 1.5, grows: true },
  rinseCutting: { work: 'unpot', minutes: 2 },
  keepBall: { work: 'roots', minutes: 0.5, grows: true },
  openCircling: { work: 'roots', minutes: 3, grows: true },
  loosenOutside: { work: 'roots', minutes: 3, grows: true },
  takeAllOff: { work: 'roots', minutes: 6, grows: true },
  rinseRoots: { work: 'roots', minutes: 3, grows: true },
  readRoots: { work: 'roots', minutes: 0.5, grows: true },
  weakRoots: { work: 'roots', minutes: 3, grows: true },
  cutToClean: { work: 'roots', minutes: 5, grows: true },
  treatRot: { work: 'roots', minutes: 1.5, grows: true },
  washPests: { work: 'roots', minutes: 6, grows: true },
  pruneRoots: { work: 'roots', minutes: 4, grows: true },
  divide: { work: 'roots', minutes: 6, grows: true },
  callus: { work: 'roots', minutes: 0.5, waits: true },
  dryWounds: { work: 'roots', minutes: 0.5, waits: true },
  waterJar: { work: 'roots', minutes: 2, waits: true },
  screen: { work: 'fill', minutes: 0.5 },
  ballast: { work: 'fill', minutes: 1.5 },
  wrapVessel: { work: 'fill', minutes: 2 },
  threadWicks: { work: 'fill', minutes: 2 },
  makeHoles: { work: 'fill', minutes: 3 },
  setSupport: { work: 'support', minutes: 4, grows: true },
  soakMoss: { work: 'ahead', minutes: 1, takesMix: true },
  seatOnNetPot: { work: 'fill', minutes: 2 },
  wrapMoss: { work: 'fill', minutes: 6, grows: true },
  checkMound: { work: 'fill', minutes: 1 },
  bed: { work: 'fill', minutes: 1, grows: true, takesMix: true },
  setWalker: { work: 'fill', minutes: 1, grows: true },
  setPlant: { work: 'fill', minutes: 1.5, grows: true },
  spreadRoots: { work: 'fill', minutes: 1.5, grows: true },
  leadRoots: { work: 'fill', minutes: 1.5, grows: true },
  pourPebbles: { work: 'fill', minutes: 3, grows: true, takesMix: true },
  leaveAerial: { work: 'fill', minutes: 1 },
  setOverWater: { work: 'fill', minutes: 1, grows: true },
  packMoss: { work: 'fill', minutes: 5, grows: true, takesMix: true },
  fillDry: { work: 'fill', minutes: 3, grows: true, takesMix: true },
  fillDamp: { work: 'fill', minutes: 3, grows: true, takesMix: true },
  settle: { work: 'fill', minutes: 1, grows: true },
  level: { work: 'fill', minutes: 0.5, grows: true },
  topDress: { work: 'fill', minutes: 1, grows: true },
  tie: { work: 'support', minutes: 3 },
  secure: { work: 'support', minutes: 1.5, grows: true },
  label: { work: 'finish', minutes: 0.5 },
  fillReservoir: { work: 'finish', minutes: 1, task: 'firstWater' },
  holdWater: { work: 'finish', minutes: 0 },
  waterDoses: { work: 'finish', minutes: 3, task: 'firstWater' },
  waterNow: { work: 'finish', minutes: 1, grows: true, task: 'firstWater' },
  waterAgain: { work: 'finish', minutes: 0.5, task: 'secondWater' },
  place: { work: 'finish', minutes: 0.5, grows: true },
  cleanUp: { work: 'finish', minutes: 1 },
} as const satisfies Record<string, StepRow>;
export type StepId = keyof typeof STEPS;
export const STEP_IDS = Object.keys(STEPS) as StepId[];
export const stepRow = (id: StepId): StepRow => STEPS[id];

const PLACES = new Map(STEP_IDS.map((id, place) => [id, place]));
/** Steps in the order of the hands, which is that of their table. */
export const inOrder = (steps: readonly Step[]): Step[] =>
  [...steps].sort((one, other) => PLACES.get(one.id)! - PLACES.get(other.id)!);

export const takesMix = (id: StepId): boolean => stepRow(id).takesMix === true;

/** What aftercare need not ask for any more, since it was done at the bench. */
export function tasksDoneBy(steps: readonly StepId[]): TaskRule[] {
  return [...new Set(steps.flatMap((id) => stepRow(id).task ?? []))];
}
