import { clamp } from '../number/index.ts';
import type { GrowthRate } from '../growth/index.ts';
import type { WaterFindings, LogTrend } from '../water/index.ts';
import type { Weights } from './signals.ts';
import { say, type Saying } from '../saying/index.ts';

/** What a log says, in place of the impression of the same thing. */
export interface MeasuredFinding {
  id: 'usesMore' | 'usesLess' | 'usesSame' | 'holdsLess' | 'growthLog';
  /** signals that it replaces */
  replaces: readonly string[];
  weights: Weights;
  text: Saying;
}

/** Cycles from which a log that shows no change says that there is none. */
const CYCLES_FOR_SAME = 6;
const cyclesOf = ({ cycles }: LogTrend) => `${cycles} waterings`;
/** Nobody knows a share of water to the hundredth. */
const about = (change: number) => `about ${5 * Math.round(20 * Math.abs(change))} %`;

/**
 * Findings of the logs as evidence.
 *
 * @source weights: common practice, no source; a change of twice the size counts for more
 */
export function measuredFindings(
  water: WaterFindings | null,
  growth: GrowthRate | null,
): MeasuredFinding[] {
  return [...(water ? ofWater(water) : []), ...(growth ? ofGrowth(growth) : [])];
}

function ofWater({ use, holding, told }: WaterFindings): MeasuredFinding[] {
  const found: MeasuredFinding[] = [];
  const impressions = ['driesSooner', 'staysWetLonger'];
  if (use && told.includes('usesMore')) {
    found.push({
      id: 'usesMore',
      replaces: impressions,
      weights: { crowded: clamp(0.6 + 2.5 * use.change, 0.6, 2), mediumFailing: 0.1 },
      text: `it uses ${about(use.change)} more water than the weather explains (${cyclesOf(use)}): roots or canopy have grown`,
    });
  } else if (use && told.includes('usesLess')) {
    found.push({
      id: 'usesLess',
      replaces: impressions,
      weights: {
        mediumFailing: clamp(0.6 - 2 * use.change, 0.8, 1.6),
        danger: clamp(0.2 - 1.5 * use.change, 0.4, 1),
        tooWet: clamp(0.6 - 2 * use.change, 0.8, 2),
      },
      text: `it uses ${about(use.change)} less water than the weather explains (${cyclesOf(use)}): roots no longer drink as they did`,
    });
  } else if (use && use.cycles >= CYCLES_FOR_SAME) {
    found.push({
      id: 'usesSame',
      replaces: impressions,
      weights: { crowded: -0.4, mediumFailing: -0.2, danger: -0.2 },
      text: `it uses as much water as the weather explains (${cyclesOf(use)}): no change in its thirst`,
    });
  }
  if (holding && told.includes('holdsLess')) {
    found.push({
      id: 'holdsLess',
      replaces: ['waterRunsThrough'],
      weights: {
        crowded: clamp(0.5 - 1.5 * holding.change, 0.6, 1.2),
        mediumFailing: clamp(0.6 - 2 * holding.change, 0.8, 1.5),
      },
      text: `it holds ${about(holding.change)} less water than after potting (${cyclesOf(holding)}): roots have displaced medium, or it repels water`,
    });
  }
  return found;
}

function ofGrowth({ change, lately, cmPerMonth, readings }: GrowthRate): MeasuredFinding[] {
  if (lately === null) return [];
  const rate = say`${{ cm: lately }} a month lately, ${{ cm: cmPerMonth }} over all (${readings} readings, winter taken out)`;
  if (change === 'stalled') {
    return [
      growthFinding(
        { crowded: 0.4, mediumFailing: 0.5, danger: 0.4 },
        say`growth has stalled: ${rate}`,
      ),
    ];
  }
  if (change === 'faster') {
    return [
      growthFinding(
        { crowded: 0.6, mediumFailing: -0.3, danger: -1 },
        say`growth has sped up: ${rate}`,
      ),
    ];
  }
  return [
    growthFinding({ mediumFailing: -0.3, danger: -0.6 }, say`growth goes on as it was: ${rate}`),
  ];
}

const growthFinding = (weights: Weights, text: Saying): MeasuredFinding => ({
  id: 'growthLog',
  replaces: ['growth'],
  weights,
  text,
});
