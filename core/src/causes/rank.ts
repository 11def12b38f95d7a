import { clamp } from '../number/index.ts';
import type { Traits } from '../catalogue/index.ts';
import { say, type Saying } from '../saying/index.ts';
import type { Signals } from '../decide/signals.ts';
import {
  activityOn,
  LIGHT_CLASSES,
  monthsBetween,
  temperatureOn,
  dayOfYear,
  type IsoDate,
  type LightClass,
  type Spot,
} from '../season/index.ts';
import { CAUSES, CHECKS, POINTERS, SYMPTOMS, type CauseId, type CauseWeights } from './table.ts';

/** One possible cause with its share and what speaks for it. */
export interface Cause {
  id: CauseId;
  label: string;
  /** of all causes together, 0 … 1 */
  share: number;
  /** for it (+) and against it (−), largest first */
  because: { text: Saying; weight: number }[];
}

/** Causes of what is wrong, and the one check that tells the two likeliest apart. */
export interface Diagnosis {
  symptoms: string[];
  causes: Cause[];
  check: { id: string; text: string; yes: string } | null;
}

/** What a diagnosis rests on. */
export interface DiagnosisGround {
  signals: Signals;
  spot: Spot;
  traits: Traits;
  date: IsoDate;
  lastRepot: IsoDate | null;
  /** chance that the roots have used the pot, and that the medium fails, 0 … 1 */
  states: { crowded: number; mediumFailing: number };
}

interface Clue {
  text: Saying;
  weights: CauseWeights;
}

/**
 * Ranks what may lie behind yellowing, limpness, brown tips, small leaves,
 * stalls and spots: from the findings, from the spot's conditions against what
 * the plant wants, and from what its roots and medium are taken to be.
 *
 * @returns null when there is no symptom to explain
 * @source softmax of summed log-odds; weights: common practice, no source
 */
export function diagnose(ground: DiagnosisGround): Diagnosis | null {
  const { signals } = ground;
  const symptoms = SYMPTOMS.filter(({ signal, is }) => signals[signal] === is);
  if (symptoms.length === 0) return null;
  const clues: Clue[] = [
    ...[...symptoms, ...POINTERS.filter(({ signal, is }) => signals[signal] === is)].map(
      ({ words, weights }) => ({ text: words, weights }),
    ),
    ...conditions(ground),
  ];
  const scored = CAUSES.map(({ id, label, prior }) => {
    const because = clues
      .flatMap(({ text, weights }) => (weights[id] ? [{ text, weight: weights[id] }] : []))
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
    return {
      id,
      label,
      because,
      sum: because.reduce((sum, { weight }) => sum + weight, prior as number),
    };
  });
  const total = scored.reduce((sum, cause) => sum + Math.exp(cause.sum), 0);
  const causes = scored
    .map(({ id, label, because, sum }) => ({ id, label, because, share: Math.exp(sum) / total }))
    .sort((a, b) => b.share - a.share);
  return {
    symptoms: symptoms.map(({ words }) => words),
    causes,
    check: bestCheck(causes[0]!.id, causes[1]!.id, signals),
  };
}

const SPEAKS_OF_LIKELIEST = 0.01;

/** The check, not yet answered, on which two causes differ most. */
function bestCheck(a: CauseId, b: CauseId, signals: Signals): Diagnosis['check'] {
  let best: (typeof CHECKS)[number] | null = null;
  let most = 0;
  for (const check of CHECKS) {
    if (check.signals.length > 0 && check.signals.every((id) => signals[id] !== undefined))
      continue;
    // Of two that tell them apart as well, the one that speaks of the likeliest.
    const [ofA, ofB] = [check.weights[a] ?? 0, check.weights[b] ?? 0];
    const apart = Math.abs(ofA - ofB) + SPEAKS_OF_LIKELIEST * Math.abs(ofA);
    if (apart > most) {
      most = apart;
      best = check;
    }
  }
  return best && { id: best.id, text: best.text, yes: best.yes };
}

const classIndex = (id: LightClass) => LIGHT_CLASSES.findIndex((candidate) => candidate.id === id);
/** Lamp hours that make up for one class of light. @source common practice, no source */
const LAMP_HOURS_PER_CLASS = 6;
const FRESH_REPOT_MONTHS = 1.4;
/** Degrees above its floor from which cold is no question. */
const NEAR_FLOOR_C = 3;

/** What the spot, the season and the pot say. */
function conditions({ spot, traits, date, lastRepot, states }: DiagnosisGround): Clue[] {
  const clues: Clue[] = [];
  const { light, activity, rhythm } = activityOn(spot, traits, date);
  const given = classIndex(spot.light) + spot.lampHours / LAMP_HOURS_PER_CLASS;
  const short = classIndex(traits.light) - given;
  if (short > 0) {
    clues.push({
      text: `it wants ${traits.light} light and stands in ${spot.light}`,
      weights: { tooDark: 1.1 * short, sunBurnt: -1 },
    });
  } else if (spot.light === 'sun' && short < -0.5) {
    clues.push({
      text: `it stands in full sun and wants ${traits.light} light`,
      weights: { sunBurnt: -1.1 * short * clamp(light + 0.2, 0, 1), tooDark: -1.5 },
    });
  } else clues.push({ text: 'the light is what it wants', weights: { tooDark: -0.8 } });
  if (light < 0.4) {
    clues.push({
      text: `the sun gives ${Math.round(light * 100)} % of full growing light now`,
      weights: { tooDark: 0.8, tooWet: 0.4 },
    });
  }
  const celsius = temperatureOn(spot, dayOfYear(date));
  const margin = celsius - traits.floorC;
  if (margin < NEAR_FLOOR_C) {
    clues.push({
      text: say`${{ celsius }} here; its floor is ${{ celsius: traits.floorC }}`,
      weights: { cold: clamp(1 + 0.5 * (NEAR_FLOOR_C - margin), 1, 3.5) },
    });
  } else if (celsius >= traits.growsFullyC) {
    clues.push({ text: say`${{ celsius }} here is warm enough`, weights: { cold: -1.5 } });
  }
  const dry = traits.humidity - spot.relativeHumidity;
  if (Math.abs(dry) > 0.02) {
    clues.push({
      text: `${Math.round(spot.relativeHumidity * 100)} % humidity; from ${Math.round(traits.humidity * 100)} % it is at ease`,
      weights: { dryAir: clamp(6 * dry, -1.5, 2) },
    });
  }
  if (rhythm < 0.6 && activity < 0.4) {
    clues.push({
      text: 'this is the slow part of its own year',
      weights: { rest: 1.6 * (1 - activity) },
    });
  }
  if (lastRepot !== null && monthsBetween(lastRepot, date) < FRESH_REPOT_MONTHS) {
    clues.push({ text: 'it was repotted within six weeks', weights: { freshMove: 1.6, pot: -1 } });
  }
  const used = Math.max(traits.snug ? 0.3 * states.crowded : states.crowded, states.mediumFailing);
  clues.push({
    text: `roots have used the pot: ${Math.round(states.crowded * 100)} %; medium failing: ${Math.round(states.mediumFailing * 100)} %`,
    weights: { pot: 3 * (used - 0.5) },
  });
  return clues;
}
