import type { Traits } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { SignalId, State } from './signals.ts';

/**
 * Weights of the two costs. Unit: one typical repot done at a poor time ≈ 1.
 *
 * @source common practice, no source, unless a row says otherwise
 */

/**
 * Weeks of growth that one unit of cost stands for: what a typical repot at a
 * poor time sets a plant back. Costs are told in these.
 *
 * @source common practice, no source
 */
export const WEEKS_OF_GROWTH = 8;

/** Harm of a state per week of waiting, at full growth, and how much of it goes on at rest. */
export const HARM_PER_WEEK: Record<State, { harm: number; atRest: number }> = {
  /** a full pot starves and dries, mostly while the plant grows */
  crowded: { harm: 0.025, atRest: 0.2 },
  /** a failing medium drowns roots also at rest */
  mediumFailing: { harm: 0.03, atRest: 0.4 },
  /** rot and infestation do not wait */
  danger: { harm: 0.6, atRest: 1 },
  /** more water than the living roots drink: they rot by and by */
  tooWet: { harm: 0.05, atRest: 1 },
  /** it may fall any day */
  unstable: { harm: 0.03, atRest: 1 },
};

/**
 * Crowding and a failing medium grow worse the longer and the further they have
 * gone: to the chance that the state holds, so much is added per unit of
 * log-odds above even.
 */
export const WORSENS = 0.3;

/** Share of the harm of crowding that a plant feels which likes to be snug. */
export const SNUG_HARM = 0.8;

/**
 * What a snug plant's likings take off the log-odds of crowding: signs that say
 * full in others say comfortable in it.
 */
export const SNUG_LOG_ODDS = -0.8;
/** … and how much longer it may serve in one pot. */
export const SNUG_TERM = 1.25;

/** Log-odds before anything is seen, where time says nothing. */
export const PRIOR_DANGER = -4.5;
/** What a medium past its life adds to them: spent medium drowns roots. */
export const SPENT_MEDIUM_DANGER = 0.9;
export const PRIOR_UNSTABLE = -4;
export const PRIOR_TOO_WET = -3.2;
/**
 * When the last repot is not known: the share of its term that pot and medium
 * are taken to have served, and that of a plant fresh from a nursery.
 */
export const UNKNOWN_AGE = { usual: 1.1, justArrived: 0.6 } as const;

/**
 * What time alone says. A state is as likely as not at `evenAt` of the term:
 * keepers renew before things fail. Log-odds rise by `slope` per term, from `low`
 * up to `bends`, and slower from there on, without an end.
 */
export const BY_TIME = {
  crowded: { evenAt: 1.55, slope: 2.5, low: -2.2 },
  mediumFailing: { evenAt: 1.42, slope: 5, low: -3.2 },
  bends: 1,
  beyond: 0.3,
} as const;
/** Of what does not age. */
export const PRIOR_NEVER = -4;
/** Of a medium that is renewed yearly the term, months. */
export const YEARLY_MONTHS = 8;

/** How much is taken from the roots, by what the plant stands in. */
export const WORK_BY_MEDIUM: Record<MediumKind, keyof typeof DISTURBANCE> = {
  bark: 'bareRoot',
  moss: 'bareRoot',
  pebbles: 'bareRoot',
  bare: 'mostOff',
  mineral: 'mostOff',
  mix: 'mostOff',
  peatSoil: 'ballKept',
  loam: 'ballKept',
};
export const DISTURBANCE = { ballKept: 0.35, mostOff: 0.6, bareRoot: 0.9 } as const;

/** Roots that tear easily cost more. */
export const FRAGILITY: Record<Traits['rootKind'], number> = {
  hair: 1.05,
  fibrous: 0.8,
  velamen: 0.95,
  fleshy: 1.1,
  tuberous: 1,
};

/** The keeper's own work. */
export const WORK = 0.12;

export const BLOOM_LOST = 1.3;
export const BLOOM_FADING = { cost: 0.15, weeks: 2 } as const;
/** A bud opens in about this many weeks. */
export const BUD_WEEKS = 3;
export const JUST_ARRIVED = { cost: 0.3, weeks: 2 } as const;
/** Damage by cold shows over two weeks, and roots that were chilled mend no cut until it is over. */
export const COLD_HURT = { cost: 0.5, weeks: 5 } as const;
export const THIRSTY = { cost: 0.2, weeks: 1 } as const;
export const RECENT_REPOT_WEEKS = 7;
/** … or the time in which it fills its pot, whichever is shorter: a plug is moved on within weeks. */
export const RECENT_SHARE_OF_FILLING = 0.5;
/** New root tips just starting take hold at once. */
export const TIPS_STARTING = { gain: 0.5, weeks: 3 } as const;
/** Long new roots break. */
export const TIPS_LONG = { loss: 0.2, weeks: 4 } as const;
/** A resting plant disturbed out of its window has half the base on top. */
export const RESTING_SHARE = 0.5;

/** Above this the plant is taken to be in danger now. */
export const DANGER_ACTS = 0.5;
/** From here no calendar holds a repot back. */
export const DANGER_OPENS = 0.1;
/**
 * A suspicion that nothing confirms fades: a plant that is in danger shows it
 * within months. Weeks in which it falls to 1/e.
 */
export const SUSPICION_FADES_WEEKS = 20;

/** Price of a look: from outside it is free; unpotting disturbs. */
export const LOOK_COST = { outside: 0, unpotted: 0.12 } as const;

/** Weeks considered when choosing. */
export const HORIZON_WEEKS = 104;
/** A saving smaller than this is not worth a plan. */
export const WORTH_WAITING = 0.05;
/** Weeks of growth by which a week may cost more than the best one and still belong to its window. */
export const WINDOW_MARGIN_WEEKS = 0.5;
/** A window is told for at most so many weeks on either side of its best. */
export const WINDOW_REACH_WEEKS = 10;
/** Nobody repots a plant for which nothing speaks: from this chance of any state in that week, about 0.35 of one. */
export const ELECTIVE_FROM = 0.4;
/** While new roots start the moment is short: then so much is enough. */
export const MOMENT_FROM = 0.25;
/** … and none is planned ahead for what is not even suspected today. */
export const PLANNED_FROM = 0.3;
/**
 * Further off than the next season nobody plans a repot: leave it, and look again. What holds for
 * sure is planned a year ahead.
 */
export const LEAVE_AFTER_WEEKS = { usual: 38, sure: 52 } as const;
export const SURE_FROM = 0.6;
/** Of a plant in danger that is left, half is lost in so many weeks. */
export const HALF_LOST_WEEKS = 10;

/** Weeks in which roots start after a window opens, and what that takes off a disturbance. */
export const ROOTS_START = { gain: 0.2, weeks: 5 } as const;

/** From this chance of danger, and below the one that acts, a keeper should see the roots first. */
export const UNSURE_DANGER = 0.1;
/** Expected saving from which unpotting only to look is worth its disturbance. */
export const WORTH_UNPOTTING = 0.04;

/** What of a finding a lesser act puts right. */
export interface Cure {
  signal: SignalId;
  /** share of its log-odds that goes, 0 … 1 */
  share: number;
  /** only for this finding of it; any when absent */
  is?: string;
  /** only for this state; all when absent */
  state?: State;
}

export interface LesserActRow {
  id: string;
  label: string;
  cost: number;
  cures: readonly Cure[];
  /** growth forms that it suits; any when absent */
  forms?: readonly Traits['growthForm'][];
  /** a finding without which it makes no sense */
  needs?: { signal: SignalId; is: string | boolean };
  /** findings with which it would do harm */
  never?: readonly { signal: SignalId; is: string | boolean }[];
}

/** Acts less than a repot, and their cost. */
export const LESSER_ACTS = [
  {
    id: 'flush',
    label: 'flush salts out',
    cost: 0.05,
    cures: [{ signal: 'saltCrust', share: 0.9 }],
  },
  {
    id: 'washSalts',
    label:
      'tips are marked: scrape the crust off, then wash through with three pots of lukewarm water',
    cost: 0.07,
    cures: [
      { signal: 'saltCrust', is: 'thick', share: 0.95 },
      { signal: 'brownTips', share: 0.8 },
    ],
    needs: { signal: 'saltCrust', is: 'thick' },
  },
  {
    id: 'topDress',
    label: 'take off the top layer and top-dress',
    cost: 0.08,
    cures: [
      { signal: 'mediumSunk', share: 0.6 },
      { signal: 'rootsOnTop', share: 0.5 },
      { signal: 'algae', share: 0.8 },
    ],
  },
  {
    id: 'secure',
    label: 'stake, tie or weight it',
    cost: 0.1,
    cures: [
      { signal: 'wobble', share: 1 },
      { signal: 'vinePastSupport', share: 1 },
    ],
  },
  {
    id: 'soak',
    label: 'soak the ball so that it takes up water again',
    cost: 0.06,
    cures: [
      { signal: 'waterRunsThrough', share: 0.6, state: 'mediumFailing' },
      { signal: 'limp', share: 0.4 },
    ],
    never: [
      { signal: 'staysWetLonger', is: true },
      { signal: 'coldHurt', is: true },
      { signal: 'smell', is: 'sour' },
      { signal: 'rot', is: 'roots' },
      { signal: 'rot', is: 'stem' },
    ],
  },
  {
    id: 'changeWatering',
    label: 'change the watering: let it dry to its own measure before the next',
    cost: 0.03,
    cures: [
      { signal: 'pests', is: 'gnats', share: 1 },
      { signal: 'algae', share: 0.5 },
      { signal: 'mould', is: 'surface', share: 0.8 },
      { signal: 'staysWetLonger', share: 0.3, state: 'danger' },
      { signal: 'staysWetLonger', share: 0.5, state: 'tooWet' },
    ],
  },
  {
    id: 'treatPests',
    label: 'treat the pests first, away from the others; the label rules',
    cost: 0.15,
    cures: [
      { signal: 'pests', is: 'snails', share: 0.9 },
      { signal: 'pests', is: 'ants', share: 0.9 },
      { signal: 'pests', is: 'scale', share: 0.8 },
      { signal: 'pests', is: 'mealy', share: 0.6 },
      { signal: 'pests', is: 'other', share: 0.8 },
    ],
  },
  {
    id: 'nurseCold',
    label:
      'nurse it after the cold: evenly warm for its kind, out of the sun, on the dry side, no feed; after two weeks cut off only what has gone soft',
    cost: 0.01,
    cures: [{ signal: 'coldHurt', share: 0.7 }],
    needs: { signal: 'coldHurt', is: true },
  },
  {
    id: 'reroot',
    label: 'cut the head off, let the cut dry, and re-root it',
    cost: 0.3,
    forms: ['rosette', 'shrub', 'column', 'climber', 'trailer'],
    cures: [
      { signal: 'stemBare', share: 1 },
      { signal: 'wobble', share: 0.8 },
    ],
    needs: { signal: 'stemBare', is: true },
  },
] as const satisfies readonly LesserActRow[];
export type LesserAct = (typeof LESSER_ACTS)[number]['id'];
