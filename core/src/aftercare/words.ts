import { lookUp } from '../number/index.ts';
import { say, type Saying } from '../saying/index.ts';
import type { IsoDate } from '../season/index.ts';
import { firstWaterWhy, type FirstWaterBecause } from './firstWater.ts';

/** What a task is about, with all that its words depend on: what a record keeps instead of a sentence. */
export type TaskWords =
  | { of: 'firstWater'; days: number; because: FirstWaterBecause }
  | { of: 'fillReservoir' }
  | { of: 'fillReservoirLater'; days: number; because: FirstWaterBecause }
  | { of: 'keepDamp'; days: number; because: 'moss' | 'pebbles' | 'fewRoots' }
  | { of: 'shade'; days: number; cool: boolean; opened: boolean }
  | { of: 'humid'; days: number; because: 'division' }
  | { of: 'humid'; days: number; because: 'lostRoots'; alive: number }
  | { of: 'warm'; celsius: number }
  | { of: 'turn'; walks: boolean }
  | { of: 'feed'; rests: boolean }
  | { of: 'feedAgain'; months: number; rests: boolean }
  | { of: 'feedLiquid'; rests: boolean }
  | { of: 'extend'; addsCm: number; aboveCm: number }
  | {
      of:
        | 'jarWater'
        | 'intoPebbles'
        | 'secondWater'
        | 'justMoist'
        | 'secure'
        | 'makeFirm'
        | 'flushSalts'
        | 'recheck'
        | 'cutDry'
        | 'ties'
        | 'weeks3'
        | 'weeks7'
        | 'season'
        | 'renew'
        | 'stump';
    }
  /** of a record from before its words were told apart */
  | { of: 'asWritten'; title: string; why: string };

type About<Of extends TaskWords['of']> = Extract<TaskWords, { of: Of }>;
type Words = readonly [title: Saying, why: Saying];

/** As it is said: in weeks from a fortnight on. */
const lasting = (days: number): string =>
  days === 1 ? 'a day' : days < 14 ? `${days} days` : `${Math.round(days / 7)} weeks`;

const WORDS: { [Of in TaskWords['of']]: (about: About<Of>) => Words } = {
  firstWater: ({ days, because }) => [
    days === 0
      ? 'Water thoroughly and let it drain'
      : days === 1
        ? 'First water, the next day'
        : `First water, after ${days} dry days`,
    firstWaterWhy(because),
  ],
  fillReservoir: () => ['Fill the reservoir to its mark', 'dry pebbles draw water out of roots'],
  fillReservoirLater: ({ days, because }) => [
    `Fill the reservoir to its mark, after ${days} dry days`,
    firstWaterWhy(because),
  ],
  jarWater: () => [
    'Change the water of its jar',
    'stale water has no air; the jar stays dark, the stem above the water',
  ],
  intoPebbles: () => [
    'New white roots of 3 to 5 cm? Into its pebbles, and fill the reservoir',
    'roots grown in water go on in pebbles; without them it stays in its jar for another two weeks',
  ],
  secondWater: () => [
    'Water a second time after about 2 hours',
    'this mix takes up water slowly; the first pour runs past dry parts',
  ],
  justMoist: () => [
    'Keep it just moist, never wetter than usual',
    'what is left of its roots drinks little, and rot comes back in wet mix',
  ],
  keepDamp: ({ days, because }) => [
    `Keep it damper than usual for ${lasting(days)}`,
    because === 'fewRoots'
      ? 'few roots reach little of the mix: what they reach must not dry'
      : `roots grown in ${because} are used to more water and partly die back at first`,
  ],
  shade: ({ days, cool, opened }) => [
    `${cool ? 'Bright' : 'Warm, bright'}, no direct sun for ${lasting(days)}`,
    opened
      ? 'the roots were opened and cannot keep up with sun'
      : 'fewer roots than leaves for a while',
  ],
  humid: (about) => [
    `Keep the air round it humid for ${lasting(about.days)}`,
    about.because === 'division'
      ? 'a division has its leaves, but not yet the roots for them'
      : `only ${Math.round(100 * about.alive)} % of its roots are alive: in dry air the leaves lose more than they bring`,
  ],
  warm: ({ celsius }) => [
    say`Keep it warm, at ${{ celsius }} or so, for 4 weeks`,
    'it hardly grows at this time of the year: warmth is what it roots by',
  ],
  secure: () => [
    'Press it lightly: does it stand firm?',
    'the mix settles in the first week; a plant that rocks breaks every new root tip',
  ],
  makeFirm: () => [
    'Make it stand: firm the mix round it, tie it or stake it',
    'it rocks: each time it moves, new root tips break',
  ],
  recheck: () => [
    'Look again: better or worse?',
    'it was limp or sour; what goes on getting worse is taken out of its pot',
  ],
  cutDry: () => [
    'Look at the cut: dry, nothing soft?',
    'rot that was left shows within a week; then a second cut still saves it',
  ],
  ties: () => [
    'Loosen its ties, or take them off where it holds by itself',
    'stems thicken; a tie that is forgotten cuts in',
  ],
  turn: ({ walks }) =>
    walks
      ? [
          'Turn it so that it grows toward the empty side',
          'it walks toward light: so it stays in this pot longest',
        ]
      : ['Turn it by a quarter', 'shoots lean to the light; a turned plant stays upright'],
  feed: ({ rests }) => [
    'Feeding may start again if it grows: half strength, by the label',
    rests
      ? 'it rests until then; salts would only gather'
      : 'new roots burn easily; wait for new growth',
  ],
  feedAgain: ({ months, rests }) => [
    'Fresh slow-release feed, by the label’s rate',
    rests
      ? `the last, for ${months} months, is used up, and it grows again`
      : `the last was for ${months} months and is used up`,
  ],
  feedLiquid: ({ rests }) => [
    'Feed it again if it grows: half strength or weaker, on damp mix',
    rests ? 'it rests until then; salts would only gather' : 'about a month since the last',
  ],
  flushSalts: () => [
    'Flush the salts out: lukewarm water, three times the pot, and let it drain',
    'after about 8 weeks of feeding, what roots leave of it gathers in the mix',
  ],
  weeks3: () => ['Look at 3 weeks', 'does it stand firm, is anything limp or sour?'],
  weeks7: () => ['Look at 7 weeks', 'has growth resumed? roots should have taken hold'],
  season: () => ['Look after a season', 'did the repot do what it was for?'],
  renew: () => [
    'Renew the moss of its mound',
    'moss rots within a year; at the start of growth the roots take the change best',
  ],
  stump: () => [
    'Look at the stump: pups in its axils?',
    'a stump that is kept rather dry and bright shoots from below the cut; pups come off with roots of their own',
  ],
  extend: ({ addsCm, aboveCm }) => [
    say`Put ${{ cm: Math.round(addsCm) }} on top of its support`,
    say`by its growth the tip is near the end; with it, the support ends ${{ cm: Math.round(aboveCm) }} above the medium`,
  ],
  asWritten: ({ title, why }) => [title, why],
};

/** A row that was damaged, or that another Fernbank wrote, is told by its code: it stops no other from being told. */
const wordsOf = (about: TaskWords): Words =>
  lookUp<(about: never) => Words>(WORDS, about.of)?.(about as never) ?? [String(about.of), ''];

/** What a task asks for. */
export const taskTitle = (about: TaskWords): Saying => wordsOf(about)[0];
/** Why it is asked for. */
export const taskWhy = (about: TaskWords): Saying => wordsOf(about)[1];

/** Why a task is not due when it was first planned for. */
export type TaskMoved =
  | { because: 'byHand'; from: IsoDate }
  | { because: 'looked' }
  | {
      because: 'grew' | 'stalled' | 'troubled' | 'rocked' | 'firstWater' | 'fed' | 'flushed';
      on: IsoDate;
    }
  /** it ended there */
  | { because: 'repotted' | 'lost'; on: IsoDate }
  /** of a record from before its words were told apart */
  | { because: 'asWritten'; why: string };

/** The same in words. */
export function movedWhy(moved: TaskMoved): Saying {
  switch (moved.because) {
    case 'byHand':
      return say`moved by hand from ${{ day: moved.from }}`;
    case 'looked':
      return 'looked at that day';
    case 'grew':
      return say`new growth seen on ${{ day: moved.on }}`;
    case 'stalled':
      return say`nothing grew on ${{ day: moved.on }}`;
    case 'troubled':
      return say`limp or sour on ${{ day: moved.on }}`;
    case 'rocked':
      return say`it rocked on ${{ day: moved.on }}`;
    case 'firstWater':
      return say`first water came on ${{ day: moved.on }}`;
    case 'fed':
      return say`fed on ${{ day: moved.on }}`;
    case 'flushed':
      return say`flushed on ${{ day: moved.on }}`;
    case 'repotted':
      return say`ended: it was repotted on ${{ day: moved.on }}`;
    case 'lost':
      return say`ended: it was lost on ${{ day: moved.on }}`;
    case 'asWritten':
      return moved.why;
  }
}
