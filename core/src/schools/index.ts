/** A disturbance wholly out of season costs so much more, in parts of itself. */
const OUT_OF_SEASON = 2.2;

/** What one option of a school says of itself. */
export interface SchoolOption {
  label: string;
  /** what a keeper pays who follows it */
  costs: string;
  /** what else is reckoned with where it is followed */
  [weight: string]: unknown;
}

interface Question {
  question: string;
  /** in two words, where columns are narrow */
  topic: string;
  options: Record<string, SchoolOption>;
  /** in force until the keeper chooses */
  usual: string;
  /** under which name the collection's choice is kept */
  setting: string;
  /** what may have a choice of its own beside the collection */
  bearsOn: readonly ('group' | 'plant' | 'component')[];
}

/**
 * Where good keepers disagree: every question with its answers, what each costs, and whom a choice of
 * one's own may bear on. Settings, forms, checks and fallbacks follow this table.
 *
 * @source common practice, no source
 */
export const SCHOOLS = {
  when: {
    question: 'When to repot',
    topic: 'When',
    usual: 'window',
    setting: 'whenSchool',
    bearsOn: ['group', 'plant'],
    options: {
      window: {
        label: 'only in the growing window',
        outOfSeason: OUT_OF_SEASON,
        closedWeeks: true,
        tipsWeight: 1,
        costs: 'a plant that suffers in autumn waits until spring',
      },
      newRoots: {
        label: 'when new roots start',
        outOfSeason: OUT_OF_SEASON,
        closedWeeks: false,
        tipsWeight: 1.4,
        costs: 'the moment is short and easily missed',
      },
      need: {
        label: 'whenever it needs it',
        outOfSeason: 0.9,
        closedWeeks: false,
        tipsWeight: 0.6,
        costs: 'roots disturbed out of growth are slower to take hold',
      },
    },
  },
  size: {
    question: 'How far up',
    topic: 'How far up',
    usual: 'oneUp',
    setting: 'sizeSchool',
    bearsOn: ['group', 'plant'],
    options: {
      oneUp: { label: 'one size up', costs: 'a strong grower is full again in a season' },
      growth: { label: 'to the growth expected', costs: 'a large pot dries slowly at first' },
      snug: { label: 'keep snug', costs: 'more repots, more watering' },
    },
  },
  /** What is taken off decides what a repot costs the roots. */
  oldMedium: {
    question: 'Old medium',
    topic: 'Old medium',
    usual: 'byMedium',
    setting: 'oldMediumSchool',
    bearsOn: ['group', 'plant'],
    options: {
      byMedium: {
        label: 'as the medium asks',
        work: null,
        costs: 'bark, moss and pebbles come off whole',
      },
      allOff: {
        label: 'take all of it off',
        work: 'bareRoot',
        costs: 'the strongest disturbance, the cleanest start',
      },
      loosen: {
        label: 'loosen the outside only',
        work: 'mostOff',
        costs: 'some old medium goes on ageing inside',
      },
      ballWhole: {
        label: 'keep the ball whole',
        work: 'ballKept',
        costs: 'the mildest, but a failing core stays',
      },
    },
  },
  weakRoots: {
    question: 'Weak or dead roots',
    topic: 'Weak roots',
    usual: 'cutAll',
    setting: 'weakRootSchool',
    bearsOn: ['plant'],
    options: {
      cutAll: {
        label: 'cut all that are not alive',
        does: 'Cut every hollow, papery or soft root back to where it is firm.',
        costs: 'a clean start, the fewest roots to hold on by',
      },
      firmOnly: {
        label: 'keep whatever is firm',
        does: 'Keep every root that is firm, whatever its colour; strip the soft ones.',
        costs: 'some of what is kept dies later in the mix',
      },
      anchors: {
        label: 'leave some dead ones as anchors',
        does: 'Cut the soft ones; leave a few dry, wiry ones so that the plant does not rock.',
        costs: 'dead matter stays in the mix',
      },
    },
  },
  rot: {
    question: 'Rotted tissue',
    topic: 'Rotted tissue',
    usual: 'dryAir',
    setting: 'rotSchool',
    bearsOn: ['plant'],
    options: {
      peroxide: {
        label: '3 % peroxide, once',
        does: 'Drip 3 % hydrogen peroxide on the cut, once; let it foam and dry.',
        costs: 'it also hurts live roots',
      },
      dust: {
        label: 'cinnamon or sulphur dust',
        does: 'Dust the cut alone, not the live roots, with cinnamon or sulphur.',
        costs: 'dries live roots that it touches',
      },
      dryAir: {
        label: 'dry air only',
        does: 'Put nothing on the cut: dry, moving air closes it.',
        costs: 'takes longer',
      },
    },
  },
  toPebbles: {
    question: 'From soil into pebbles',
    topic: 'Into pebbles',
    usual: 'long',
    setting: 'toPebblesSchool',
    bearsOn: ['plant'],
    options: {
      long: { label: 'the long way, through water', costs: 'weeks in a jar; the surest' },
      straight: {
        label: 'straight in',
        costs: 'more roots die back; old valued plants are at risk',
      },
    },
  },
  firstWater: {
    question: 'First water',
    topic: 'First water',
    usual: 'byPlant',
    setting: 'firstWaterSchool',
    bearsOn: ['plant'],
    options: {
      byPlant: {
        label: 'by the plant and the cuts',
        days: null,
        costs: 'a different day for each plant of one potting day',
      },
      atOnce: { label: 'at once', days: 0, costs: 'fresh cuts stand wet and may rot' },
      afterDays: { label: 'after 2–3 days', days: 3, costs: 'soft roots may dry out meanwhile' },
      afterWeek: {
        label: 'after a week',
        days: 7,
        costs: 'thin roots dry out; only for what stores water',
      },
    },
  },
  flush: {
    question: 'A reservoir is flushed',
    topic: 'Flushing',
    usual: 'calendar',
    setting: 'flushSchool',
    bearsOn: ['plant'],
    options: {
      calendar: { label: 'by the calendar', costs: 'work on days when nothing asked for it' },
      empty: { label: 'when it is empty', costs: 'salts rise as it sinks' },
      ph: { label: 'by pH', costs: 'a reading before each flush' },
    },
  },
  winter: {
    question: 'A reservoir in the dark months',
    topic: 'Winter water',
    usual: 'lower',
    setting: 'winterSchool',
    bearsOn: ['plant'],
    options: {
      full: {
        label: 'as in summer',
        /** of the height that it has in summer */
        share: 1,
        costs: 'cold, still water at the roots for weeks',
      },
      lower: {
        label: 'half as high',
        share: 0.5,
        costs: 'refill oftener; the wick has farther to lift',
      },
      wickDamp: {
        label: 'empty, the wick kept damp',
        share: 0.12,
        costs: 'must be seen every few days: dry pebbles draw water out of roots',
      },
    },
  },
  wetting: {
    question: 'What repels water',
    topic: 'Dry peat',
    usual: 'preWet',
    setting: 'wettingSchool',
    bearsOn: ['component'],
    options: {
      preWet: {
        label: 'wet it before mixing',
        does: 'Wet it through in the tub, a little at a time, and let it stand until it is evenly damp.',
        costs: 'an hour or more ahead; a heavier tub; it does not run between roots',
      },
      dryFill: {
        label: 'fill dry, wet in doses',
        does: 'Fill dry so that it runs between the roots, then wet it in several small doses.',
        costs: 'the first waterings run past it: give three or four, ten minutes apart',
      },
    },
  },
} as const satisfies Record<string, Question>;

type Table = typeof SCHOOLS;
export type School = keyof Table;
/** An answer to each question. */
export type Schools = { [S in School]: keyof Table[S]['options'] };

type BearingOn<Whom> = {
  [S in School]: Whom extends Table[S]['bearsOn'][number] ? S : never;
}[School];
/** The plants of one group may have a choice of their own in these, and one plant in those. */
export type GroupSchool = BearingOn<'group'>;
export type PlantSchool = BearingOn<'plant'>;
export type GroupSchools = { [S in GroupSchool]?: Schools[S] | undefined };
export type PlantSchools = { [S in PlantSchool]?: Schools[S] | undefined };

/** The collection's choices, under the names by which they are kept. */
export type SchoolSettings = { [S in School as Table[S]['setting']]: Schools[S] };

export const SCHOOL_IDS = Object.keys(SCHOOLS) as School[];
const bearing = (whom: Question['bearsOn'][number]) =>
  SCHOOL_IDS.filter((id) => (SCHOOLS[id].bearsOn as Question['bearsOn']).includes(whom));
export const GROUP_SCHOOLS = bearing('group') as GroupSchool[];
export const PLANT_SCHOOLS = bearing('plant') as PlantSchool[];

/** What answers one question, in words. */
export const optionsOf = (id: School): Record<string, SchoolOption> => SCHOOLS[id].options;

/** What is in force until the keeper chooses. */
export const USUAL_SCHOOLS = Object.fromEntries(
  SCHOOL_IDS.map((id) => [id, SCHOOLS[id].usual]),
) as Schools;
export const USUAL_SETTINGS = Object.fromEntries(
  SCHOOL_IDS.map((id) => [SCHOOLS[id].setting, SCHOOLS[id].usual]),
) as SchoolSettings;

/** What is in force where only some questions were answered. */
export const withUsual = (some: Partial<Schools> = {}): Schools => ({ ...USUAL_SCHOOLS, ...some });

/** The collection's choices, question by question. */
export const schoolsIn = (settings: SchoolSettings): Schools =>
  Object.fromEntries(SCHOOL_IDS.map((id) => [id, settings[SCHOOLS[id].setting]])) as Schools;

/** What is followed for one plant: its own choice, else its group's, else the collection's. */
export function schoolsFollowed(
  settings: SchoolSettings,
  own: PlantSchools = {},
  ofGroup: GroupSchools = {},
): Schools {
  const followed: Record<string, string> = schoolsIn(settings);
  for (const chosen of [ofGroup, own]) {
    for (const [id, option] of Object.entries(chosen)) if (option) followed[id] = option;
  }
  return followed as Schools;
}
