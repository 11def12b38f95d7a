import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../catalogue/index.ts';
import { filledInBatch, ladderOptions, measuredFor, type PotOption } from '../fit/index.ts';
import { COMPONENTS, pantryOf, RECIPES, SHIPPED, whyAvoided } from '../media/index.ts';
import { measureOut } from '../mixing/index.ts';
import { nominalPot, rimCm } from '../pots/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import {
  fitOf,
  isSettledPot,
  longerPole,
  newSupport,
  settledPlan,
  startingChoices,
  stepsOf,
  waysOut,
  withLonger,
  type FitPlan,
  type FitShelf,
  type FitSubject,
} from './index.ts';

const TAXA = CATALOGUE.filter((_, i) => i % 9 === 0);
const WIDTHS_CM = [9, 14, 24];

function subjectOf(taxon: (typeof CATALOGUE)[number], rim: number): FitSubject {
  const { traits } = taxon;
  const pot = nominalPot(rim);
  return {
    situation: {
      traits,
      date: '2026-04-12',
      spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
      pot,
      medium: { kind: traits.medium, recipe: traits.recipe },
      lastRepot: '2024-04-01',
      signals: { rootsAtHoles: 'every' },
    },
    heightCm: Math.round(traits.heightInPots * rim),
    heights: [],
    log: null,
    potMaterial: 'plastic',
    mediumKind: traits.medium,
    recipeId: traits.recipe,
    support: null,
    stems: 1,
    wish: {},
  };
}
function shelfOf({ situation: { pot } }: FitSubject): FitShelf {
  const own: PotOption[] = [
    {
      id: 'present',
      potId: 3,
      label: 'its own',
      outside: pot,
      material: 'plastic',
      source: 'present',
    },
    {
      id: 'shelf-7',
      potId: 7,
      label: 'of the shelf',
      outside: nominalPot(rimCm(pot) + 3),
      material: 'terracotta',
      source: 'free',
    },
  ];
  return {
    pots: ladderOptions(pot, own),
    covers: [],
    presentCover: null,
    supports: [],
    headroomCm: null,
  };
}
const anew = (subject: FitSubject, shelf: FitShelf, plan: FitPlan | null, pantry = SHIPPED) => {
  const choices = startingChoices(subject, plan, pantry);
  const kept = plan && shelf.pots.find((option) => isSettledPot(option, plan));
  return fitOf(subject, shelf, { ...choices, picked: kept ? kept.id : null }, pantry);
};

describe('a fit that was settled', () => {
  it('opens again as it was settled, for every kind and size', () => {
    let settled = 0;
    for (const taxon of TAXA) {
      for (const rim of WIDTHS_CM) {
        const subject = subjectOf(taxon, rim);
        const shelf = shelfOf(subject);
        const first = anew(subject, shelf, null);
        const plan = settledPlan(first);
        if (!plan) continue;
        settled += 1;
        const again = anew(subject, shelf, plan);
        expect(settledPlan(again), `${taxon.name} in ${rim} cm`).toEqual(plan);
        expect(stepsOf(again, again.rung!)).toEqual(stepsOf(first, first.rung!));
      }
    }
    expect(settled).toBeGreaterThan(100);
  });

  it('keeps the support that was chosen, and sets none where none was', () => {
    const climber = CATALOGUE.find(({ traits }) => traits.support === 'aerialRoots')!;
    const subject = subjectOf(climber, 14);
    const shelf = shelfOf(subject);
    const choices = startingChoices(subject, null, SHIPPED);
    const pole = settledPlan(
      fitOf(subject, shelf, { ...choices, supportMode: 'new', lengthCm: 60 }, SHIPPED),
    )!;
    expect(pole.support).toMatchObject({ lengthCm: 60 });
    expect(newSupport(anew(subject, shelf, pole))!.lengthCm).toBe(60);
    const none = settledPlan(fitOf(subject, shelf, { ...choices, supportMode: 'none' }, SHIPPED))!;
    expect(anew(subject, shelf, none).plan).toBeNull();
  });

  it('on a mound has bare roots and no support, however small a pot the shelf holds', () => {
    const climber = CATALOGUE.find(({ traits }) => traits.support === 'aerialRoots')!;
    const subject = subjectOf(climber, 14);
    const situation = {
      ...subject.situation,
      medium: { kind: 'moss', recipe: 'mossOnly' } as const,
      schools: { oldMedium: 'ballWhole' } as const,
    };
    const inMoss = { ...subject, situation };
    const shelf = shelfOf(inMoss);
    const plug = { ...shelf.pots[0]!, id: 'plug', outside: nominalPot(3) };
    const choices = {
      ...startingChoices(inMoss, null, SHIPPED),
      recipeId: 'mossOnly',
      mound: true,
      supportMode: 'new',
      lengthCm: 60,
    } as const;
    const fit = fitOf(inMoss, { ...shelf, pots: [plug, ...shelf.pots] }, choices, SHIPPED);
    expect(fit.onMound).toBe(true);
    expect(fit.ladder.ball.work).toBe('bareRoot');
    expect(fit.rung!.mound!.mossL).toBe(fit.rung!.newMediumL);
    // Its scoops weigh what its plan does, measured for itself or in a batch for many.
    const { mixed, rung } = fit;
    const measured = measuredFor(rung!, mixed.parts, null)!;
    expect(1000 * measured.measures[0]!.dryKg).toBeCloseTo(rung!.mound!.dryG, 6);
    const inBatch = measureOut(mixed.parts, filledInBatch(rung!, mixed.parts));
    expect(inBatch.mixedL).toBeCloseTo(measured.mixedL, 6);
    // It holds what its moss does, and is wrapped anew each year.
    expect(fit.rung!.mediumMonths).toBe(12);
    const { drying, mound, fillL } = fit.rung!;
    const potted = fitOf(subject, shelf, { ...choices, mound: false }, SHIPPED);
    const same = potted.ladder.rungs.find(({ option }) => option.id === fit.rung!.option.id)!;
    expect(drying.growthDays / same.drying.growthDays).toBeCloseTo(mound!.mossL / fillL, 1);
    expect(settledPlan(fit)).toMatchObject({ mound: true, support: null });
  });

  it('offers one long pole where a short one would be added to again and again, and only one that stands', () => {
    let offered = 0;
    for (const taxon of CATALOGUE.filter(({ traits }) => traits.support !== 'none').slice(0, 24)) {
      const subject = subjectOf(taxon, 24);
      const shelf = shelfOf(subject);
      const choices = { ...startingChoices(subject, null, SHIPPED), supportMode: 'new' as const };
      const short = fitOf(subject, shelf, { ...choices, lengthCm: 45 }, SHIPPED);
      const longer = longerPole(short, shelf, SHIPPED);
      if (!longer) continue;
      offered += 1;
      const additions = short.plan!.extensions.length;
      expect(longer.lengthCm).toBeGreaterThan(45);
      expect(longer.additions, taxon.name).toBeLessThan(additions);
      const taken = fitOf(subject, shelf, withLonger(short.choices, longer.lengthCm), SHIPPED);
      expect(taken.plan!.extensions).toHaveLength(longer.additions);
      expect(taken.ladder.choice).not.toBeNull();
      expect(taken.stances!.now.tipAngleDryDeg).toBeGreaterThan(10);
      // Once it is taken there is nothing left to offer that would be worth more.
      const again = longerPole(taken, shelf, SHIPPED);
      expect(again === null || again.additions < longer.additions).toBe(true);
    }
    expect(offered).toBeGreaterThan(2);
  });

  it('offers none under a place that is too low for one', () => {
    const climber = CATALOGUE.find(({ traits }) => traits.support === 'aerialRoots')!;
    const subject = subjectOf(climber, 14);
    const shelf = { ...shelfOf(subject), headroomCm: 70 };
    const choices = startingChoices(subject, null, SHIPPED);
    const low = fitOf(subject, shelf, { ...choices, supportMode: 'new', lengthCm: 45 }, SHIPPED);
    const longer = longerPole(low, shelf, SHIPPED);
    expect(longer === null || longer.lengthCm < 70).toBe(true);
  });

  it('names the pot of the shelf by its row', () => {
    const subject = subjectOf(CATALOGUE[0]!, 14);
    const shelf = shelfOf(subject);
    const choices = startingChoices(subject, null, SHIPPED);
    for (const [picked, potId] of [
      ['shelf-7', 7],
      ['present', 3],
    ] as const) {
      const plan = settledPlan(fitOf(subject, shelf, { ...choices, picked }, SHIPPED))!;
      expect(plan.potId).toBe(potId);
    }
  });
});

it('what stands in pebbles stays in them, whatever its kind mostly stands in', () => {
  for (const taxon of TAXA) {
    const before = subjectOf(taxon, 14);
    const subject = {
      ...before,
      mediumKind: 'pebbles' as const,
      recipeId: null,
      situation: { ...before.situation, medium: { kind: 'pebbles' as const } },
    };
    expect(anew(subject, shelfOf(subject), null).newKind, taxon.name).toBe('pebbles');
  }
});

describe('what is avoided', () => {
  const pantry = pantryOf(COMPONENTS, RECIPES, { contents: ['peat'], components: [] });

  it('is in no mix, and what stands in for it is kept with the plan', () => {
    let swapped = 0;
    for (const taxon of TAXA) {
      const subject = subjectOf(taxon, 14);
      const fit = anew(subject, shelfOf(subject), null, pantry);
      for (const { ingredient } of fit.mixed.parts) {
        expect(whyAvoided(ingredient, pantry.avoided), taxon.name).toBeNull();
      }
      if (fit.mixed.standIns.length === 0) continue;
      swapped += 1;
      expect(settledPlan(fit)?.parts ?? fit.ownParts).toEqual(fit.ownParts);
      expect(fit.ownParts).not.toBeNull();
    }
    expect(swapped).toBeGreaterThan(3);
  });
});

describe('roots found alive at the bench', () => {
  it('count for the pot as they do in a look', () => {
    const subject = subjectOf(CATALOGUE[0]!, 14);
    const shelf = shelfOf(subject);
    const choices = { ...startingChoices(subject, null, SHIPPED), liveRoots: 0.2 };
    const { situation } = subject;
    const looked = {
      ...subject,
      situation: { ...situation, signals: { ...situation.signals, liveRoots: 0.2 } },
    };
    expect(fitOf(subject, shelf, choices, SHIPPED).ladder.ball).toEqual(
      fitOf(looked, shelf, { ...choices, liveRoots: null }, SHIPPED).ladder.ball,
    );
    expect(fitOf(subject, shelf, choices, SHIPPED).ladder.ball.displacesL).toBeLessThan(
      anew(subject, shelf, null).ladder.ball.displacesL,
    );
  });
});

describe('where no pot will do', () => {
  const cold = (subject: FitSubject): FitSubject => ({
    ...subject,
    situation: { ...subject.situation, spot: { ...subject.situation.spot, temperatureC: 11 } },
  });

  it('the least bad is taken, and what would make one good is true', () => {
    let none = 0;
    let ways = 0;
    for (const taxon of CATALOGUE) {
      for (const rim of [8, 30]) {
        const subject = cold(subjectOf(taxon, rim));
        const shelf = shelfOf(subject);
        const fit = anew(subject, shelf, null);
        if (fit.ladder.choice !== null) {
          expect(waysOut(fit, shelf, SHIPPED)).toEqual([]);
          continue;
        }
        none += 1;
        expect(fit.rung, taxon.name).not.toBeNull();
        expect(settledPlan(fit)).not.toBeNull();
        const out = waysOut(fit, shelf, SHIPPED);
        ways += out.length;
        if (out[0]?.id === 'noSupport') {
          const without = fitOf(subject, shelf, { ...fit.choices, supportMode: 'none' }, SHIPPED);
          expect(without.ladder.rungs[without.ladder.choice!]!.rimCm).toBe(out[0].rimCm);
        }
      }
    }
    expect(none).toBeGreaterThan(3);
    expect(ways).toBeGreaterThanOrEqual(none);
  });

  it('a support that was not asked for never rules out every pot', () => {
    let held = 0;
    for (const taxon of CATALOGUE.filter(({ traits }) => traits.support !== 'none')) {
      for (const rim of WIDTHS_CM) {
        const subject = subjectOf(taxon, rim);
        const shelf = shelfOf(subject);
        const fit = anew(subject, shelf, null);
        if (fit.choices.supportMode !== 'new' || !fit.plan) continue;
        held += 1;
        const without = fitOf(subject, shelf, { ...fit.choices, supportMode: 'none' }, SHIPPED);
        if (without.ladder.choice === null) continue;
        expect(fit.ladder.choice, `${taxon.name} in ${rim} cm`).not.toBeNull();
      }
    }
    expect(held).toBeGreaterThan(60);
  });
});
