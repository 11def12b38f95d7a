import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import {
  callusDays,
  firstPot,
  moveOn,
  piecesAllowed,
  piecesFault,
  TRAY_MEDIUM_IDS,
  weeksToRoot,
} from './index.ts';
import { inMetric } from '../saying/index.ts';

const LOOK = { rooted: 3, rootCm: 6, roots: 4, branching: true };
const traitsOf = (taxon: string) => resolveTaxon(taxon)!.traits;

/* Lengths and counts: common practice, no source. */
describe('moving a start on', () => {
  it.each([
    ['short roots wait', 'moss', { ...LOOK, rootCm: 3 }, 'wait', /from 5 cm/],
    ['5–7 cm and branching is ready', 'moss', LOOK, 'ready', /branching/],
    ['not branching waits', 'mix', { ...LOOK, branching: false }, 'wait', /not branching/],
    [
      'long without branches is ready',
      'mix',
      { ...LOOK, rootCm: 7, branching: false },
      'ready',
      /7 cm/,
    ],
    [
      'water roots go in as they are',
      'water',
      { ...LOOK, branching: false },
      'ready',
      /as they are/,
    ],
    ['one root alone waits', 'moss', { ...LOOK, roots: 1 }, 'wait', /second/],
    ['matted roots are late', 'pebbles', { ...LOOK, rootCm: 13 }, 'late', /mat/],
    ['none rooted waits', 'moss', { ...LOOK, rooted: 0, rootCm: null }, 'wait', /no roots/],
    [
      'rooted but not measured asks for a length',
      'moss',
      { ...LOOK, rootCm: null },
      'wait',
      /how long/,
    ],
  ] as const)('%s', (_what, medium, look, when, why) => {
    const advice = moveOn('cutting', medium, 3, look);
    expect(advice.when).toBe(when);
    expect(inMetric(advice.why)).toMatch(why);
    expect(advice.lookInDays === null).toBe(when !== 'wait');
  });

  it('what has its own roots is ready at once; an empty tray is lost', () => {
    expect(moveOn('division', 'mix', 2, null).when).toBe('ready');
    expect(moveOn('offset', 'mix', 2, null).when).toBe('ready');
    expect(moveOn('cutting', 'water', 2, null).when).toBe('wait');
    expect(moveOn('leaf', 'mix', 0, LOOK).when).toBe('lost');
    expect(() => moveOn('leaf', 'mix', -1, null)).toThrow(/living/);
  });

  it('roots come sooner in growth, later from a leaf', () => {
    for (const medium of TRAY_MEDIUM_IDS) {
      expect(weeksToRoot('cutting', medium, 1)).toBeLessThan(weeksToRoot('cutting', medium, 0.3));
      expect(weeksToRoot('leaf', medium, 1)).toBeGreaterThan(weeksToRoot('cutting', medium, 1));
    }
    expect(weeksToRoot('cutting', 'water', 0)).toBe(weeksToRoot('cutting', 'water', 0.35));
  });
});

describe('a first pot', () => {
  const fern = traitsOf('Nephrolepis exaltata');
  it('is as wide as the roots spread, and small', () => {
    expect(firstPot('cutting', 'moss', 6, fern).rimCm).toBe(8);
    expect(firstPot('cutting', 'moss', 3, fern).rimCm).toBe(6);
    expect(firstPot('division', 'mix', 6, fern).rimCm).toBeGreaterThan(8);
    expect(firstPot('cutting', 'moss', 60, fern).rimCm).toBe(15);
    expect(inMetric(firstPot('cutting', 'water', null, fern).why)).toMatch(/not measured/);
  });
  it('has the plant’s own mix; what rooted in pebbles stays in pebbles', () => {
    expect(firstPot('cutting', 'water', 6, fern)).toMatchObject({
      recipe: fern.recipe,
      mediumKind: fern.medium,
    });
    expect(firstPot('cutting', 'pebbles', 6, fern).mediumKind).toBe('pebbles');
    expect(inMetric(firstPot('leaf', 'mix', 6, traitsOf('Crassula ovata')).why)).toMatch(
      /too long/,
    );
  });
});

describe('how many pieces', () => {
  const walker = traitsOf('Oncidium');
  const clump = traitsOf('Aspidistra elatior');
  it.each([
    [walker, 9, 20, 3],
    [walker, 8, 20, 2],
    [walker, 9, 5, 1],
    [clump, 8, 20, 4],
    [clump, 8, 5, 2],
    [clump, 1, 1, 1],
    [clump, null, 5, 2],
  ] as const)('%# growths %s, roots %s', (traits, growths, roots, most) => {
    expect(piecesAllowed(traits, { growths, roots }).most).toBe(most);
  });
  it('more than the roots allow is refused with the reason; uncounted is not', () => {
    expect(piecesFault(3, clump, { growths: 12, roots: 5 })).toMatch(/5 roots, at least 2/);
    expect(piecesFault(2, clump, { growths: 12, roots: 5 })).toBeNull();
    expect(piecesFault(9, clump, { growths: null, roots: null })).toBeNull();
    // Plants that share a pot are taken apart, not cut.
    expect(piecesFault(3, clump, { growths: 3, roots: 5 }, 3)).toBeNull();
    expect(piecesFault(4, clump, { growths: 3, roots: 5 }, 3)).toMatch(/3 plants share the pot/);
    expect(piecesFault(1, clump, { growths: 0, roots: 0 })).toBeNull();
    expect(piecesAllowed(clump, { growths: null, roots: null }).why).toMatch(/count first/);
  });
});

it('a cut lies dry first: a succulent’s head about a week, a leafy one’s two days (common practice, no source)', () => {
  expect(callusDays('head', 'fullyDry')).toBe(7);
  expect(callusDays('head', 'littleDry')).toBe(2);
  expect(callusDays('cutting', 'evenlyMoist')).toBe(0);
  expect(callusDays('cutting', 'fullyDry')).toBeGreaterThan(0);
});
