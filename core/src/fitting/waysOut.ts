import type { RungVerdict } from '../fit/index.ts';
import type { Pantry } from '../media/index.ts';
import type { FitChoices } from './choices.ts';
import { fitOf, type Fit } from './fitOf.ts';
import type { FitShelf, FitSubject } from './subject.ts';
import type { Schools } from '../schools/index.ts';
import type { Saying } from '../saying/index.ts';

/** What would make a pot good where none will do as things are. */
export type WayOutId =
  'noSupport' | 'terracotta' | 'ballast' | 'loosenBall' | 'bareRoots' | 'warmer';
export interface WayOut {
  id: WayOutId;
  /** the pot that would then be taken */
  label: Saying;
  rimCm: number;
}

interface Turned {
  subject: FitSubject;
  shelf: FitShelf;
  choices: FitChoices;
}
type Turn = (given: Turned) => Turned | null;

const withOldMedium =
  (oldMedium: Schools['oldMedium']): Turn =>
  ({ subject, ...rest }) => {
    const { situation } = subject;
    const schools = { ...situation.schools, oldMedium };
    return { ...rest, subject: { ...subject, situation: { ...situation, schools } } };
  };

/** So much warmer is another room. */
const WARMER_C = 5;

/** What a keeper can turn, the least trouble first, and against what it helps. */
const TURNS: Record<WayOutId, { against: readonly RungVerdict[]; turn: Turn }> = {
  noSupport: {
    against: ['tips', 'tooTall'],
    turn: ({ choices, ...rest }) =>
      choices.supportMode === 'new'
        ? { ...rest, choices: { ...choices, supportMode: 'none' } }
        : null,
  },
  terracotta: {
    against: ['staysWet', 'tips'],
    turn: ({ shelf, ...rest }) => ({
      ...rest,
      shelf: {
        ...shelf,
        pots: shelf.pots.map((pot) =>
          pot.source === 'toBuy' ? { ...pot, material: 'terracotta' as const } : pot,
        ),
      },
    }),
  },
  ballast: {
    against: ['tips'],
    turn: ({ choices, ...rest }) =>
      choices.layer === 'ballast' ? null : { ...rest, choices: { ...choices, layer: 'ballast' } },
  },
  loosenBall: { against: ['ballTooWide'], turn: withOldMedium('loosen') },
  bareRoots: { against: ['ballTooWide'], turn: withOldMedium('allOff') },
  warmer: {
    against: ['staysWet'],
    turn: ({ subject, ...rest }) => {
      const { situation } = subject;
      const { temperatureC: now } = situation.spot;
      const temperatureC =
        typeof now === 'number' ? now + WARMER_C : now.map((celsius) => celsius + WARMER_C);
      const spot = { ...situation.spot, temperatureC };
      return { ...rest, subject: { ...subject, situation: { ...situation, spot } } };
    },
  },
};
type Entries = [WayOutId, (typeof TURNS)[WayOutId]][];
const MOST_TOLD = 2;

/** Ways to a pot that will do, each by itself; none where one does already. */
export function waysOut(fit: Fit, shelf: FitShelf, pantry: Pantry): WayOut[] {
  if (fit.ladder.choice !== null) return [];
  const given: Turned = { subject: fit.subject, shelf, choices: { ...fit.choices, picked: null } };
  const found: WayOut[] = [];
  const lose = new Set(fit.ladder.rungs.map(({ verdict }) => verdict));
  for (const [id, { against, turn }] of Object.entries(TURNS) as Entries) {
    if (found.length === MOST_TOLD) break;
    const turned = against.some((verdict) => lose.has(verdict)) ? turn(given) : null;
    if (!turned) continue;
    const { ladder } = fitOf(turned.subject, turned.shelf, turned.choices, pantry);
    if (ladder.choice === null) continue;
    const { option, rimCm } = ladder.rungs[ladder.choice]!;
    found.push({ id, label: option.label, rimCm });
  }
  return found;
}
