import { describe, expect, it } from 'vitest';
import { decide, type Situation, type VerdictKind } from '../../decide/index.ts';
import { TYPICAL_SPOT } from '../../season/index.ts';
import { isAccepted, potChosen, potHeld, traitsNamed, verdictHeld, weekAdvised } from './held.ts';
import { PANEL_POTS } from './pots.ts';
import sample from './sample.json' with { type: 'json' };
import { PANEL_SITUATIONS } from './situations.ts';

/*
 * What keepers of experience would say, written before any verdict was asked
 * for. Expectations: common practice, no source.
 */

/** Shares of a panel that must be met: keepers do not agree on every plant either. */
const VERDICTS = 0.95;
const POTS = 0.92;

const unmet = <T extends { met: boolean }>(held: readonly T[]) => held.filter(({ met }) => !met);

describe('the panel of situations', () => {
  const held = PANEL_SITUATIONS.map(verdictHeld);

  it('has at least 150 situations over most groups and all kinds of place', () => {
    expect(held.length).toBeGreaterThanOrEqual(150);
    expect(new Set(PANEL_SITUATIONS.map(({ place }) => place ?? 'room')).size).toBe(8);
    expect(new Set(PANEL_SITUATIONS.map(({ taxon }) => taxon)).size).toBeGreaterThan(80);
  });

  it('is answered as a keeper would', () => {
    const off = unmet(held);
    const told = off.map(({ what, expected, got }) => `${what}: wants ${expected}, got ${got}`);
    expect(1 - off.length / held.length, told.join('\n')).toBeGreaterThanOrEqual(VERDICTS);
  });

  it('is told by the reason that a keeper would give first', () => {
    const off = held.filter(({ leads }) => !leads);
    const told = off.map(({ what, leading }) => `${what}: led by ${leading.join(', ')}`);
    expect(1 - off.length / held.length, told.join('\n')).toBeGreaterThanOrEqual(VERDICTS);
  });
});

describe('the panel of pots', () => {
  const held = PANEL_POTS.map(potHeld);

  it('has at least 60 choices', () => expect(held.length).toBeGreaterThanOrEqual(60));

  it('is answered as a keeper would', () => {
    const off = unmet(held);
    const told = off.map(({ what, expected, got }) => `${what}: wants ${expected}, got ${got}`);
    expect(1 - off.length / held.length, told.join('\n')).toBeGreaterThanOrEqual(POTS);
  });
});

interface Sampled {
  name: string;
  situation: Omit<Situation, 'traits'> & { taxon: string };
  accept: string[];
}

/** Plain names are alternatives; all bounds of weeks hold together as one more. */
function isSampleMet(accept: readonly string[], verdict: VerdictKind, week: number | null) {
  const bounds = accept.filter((one) => one.startsWith('repotInWeek'));
  const inWeeks = bounds.every((bound) => {
    const [, sign, weeks] = /^repotInWeek([<>]=)(\d+)$/.exec(bound)!;
    return sign === '<=' ? week! <= Number(weeks) : week! >= Number(weeks);
  });
  return accept.includes(verdict) || (bounds.length > 0 && verdict === 'repotInWeek' && inWeeks);
}

const situationFrom = ({ taxon, spot, ...rest }: Sampled['situation']): Situation => ({
  ...rest,
  traits: traitsNamed(taxon),
  spot: { ...TYPICAL_SPOT, ...spot },
});

describe('the sample of an outside panel', () => {
  it('at least 38 of its 40 situations are met', () => {
    const held = (sample.verdicts as unknown as Sampled[]).map(({ name, situation, accept }) => {
      const decision = decide(situationFrom(situation));
      const week = weekAdvised(decision, situation.date);
      return { name, met: isSampleMet(accept, decision.verdict, week) };
    });
    expect(held).toHaveLength(40);
    expect(unmet(held).map(({ name }) => name).length).toBeLessThanOrEqual(2);
  });

  it('at least 11 of its 12 pots are met, and most of their days to dry', () => {
    const held = sample.pots.map(({ name, situation, accept, daysToDryInGrowth }) => {
      const { pots, mix, plantHeightCm, cuts, ...given } =
        situation as never as Sampled['situation'] & {
          pots: { label: string; material: 'plastic' | 'terracotta' }[];
          mix: string;
        } & Parameters<typeof potChosen>[3] & { plantHeightCm?: number };
      const offered = pots.map(({ label, material, ...outside }) => ({
        label,
        material,
        outside: outside as never,
      }));
      const chosen = potChosen(situationFrom(given), offered, mix, {
        ...(cuts ? { cuts } : {}),
        ...(plantHeightCm ? { heightCm: plantHeightCm } : {}),
      });
      const label = chosen?.label ?? 'bought';
      const [least, most] = daysToDryInGrowth ?? [0, Infinity];
      const days = chosen?.days ?? least!;
      return {
        name,
        met: accept.some((one) => label === one || label.startsWith(`${one.trim()} `)),
        dries: days >= least! && days <= most!,
      };
    });
    expect(held).toHaveLength(12);
    expect(unmet(held).length).toBeLessThanOrEqual(1);
    expect(held.filter(({ dries }) => !dries).length).toBeLessThanOrEqual(1);
  });
});

describe('the words of the panel', () => {
  it.each([
    ['now', 'repotNow', 0, true],
    ['by 8', 'repotNow', 0, true],
    ['by 8', 'repotInWeek', 9, false],
    ['4 to 12', 'repotInWeek', 4, true],
    ['4 to 12', 'repotNow', 0, false],
    ['leave | refresh', 'refreshOnly', null, true],
    ['rescue', 'leave', null, false],
  ] as const)('“%s” of %s in week %s: %s', (accepts, verdict, week, met) => {
    expect(isAccepted(accepts, verdict, week)).toBe(met);
  });

  it('a word that is none is refused', () => {
    expect(() => isAccepted('soon', 'leave', null)).toThrow(/soon/);
  });
});
