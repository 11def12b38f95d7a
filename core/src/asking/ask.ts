import type { Taxon } from '../catalogue/index.ts';
import { decide, SIGNALS, type Decision, type SignalId, type Signals } from '../decide/index.ts';
import { ladderOptions, measuredFor, type PotOption } from '../fit/index.ts';
import {
  fitOf,
  startingChoices,
  type Fit,
  type FitShelf,
  type FitSubject,
} from '../fitting/index.ts';
import type { MediumKind, Pantry } from '../media/index.ts';
import type { Batch } from '../mixing/index.ts';
import { insideOfMaterial, nominalPot, type PotMaterialId } from '../pots/index.ts';
import type { Schools } from '../schools/index.ts';
import type { IsoDate, Spot } from '../season/index.ts';

/** A plant in the hand, as far as its keeper said anything of it. */
export interface Asked {
  taxon: Taxon;
  /** width of its pot at the rim, cm */
  rimCm: number;
  potMaterial: PotMaterialId;
  mediumKind: MediumKind;
  /** null: nobody knows */
  lastRepot: IsoDate | null;
  signals: Signals;
  spot: Spot;
  date: IsoDate;
  schools?: Partial<Schools>;
}

/** What is said to it: whether and when, into which pot, with what. */
export interface AskedAnswer {
  decision: Decision;
  fit: Fit;
  /** its mix in whole scoops; null: no pot will do, or nothing is mixed */
  batch: Batch | null;
}

/** A plant that was asked about, as a fit takes it. @throws RangeError for an impossible pot or place */
export function subjectAsked(asked: Asked): FitSubject {
  const { taxon, rimCm, potMaterial, mediumKind, lastRepot, signals, spot, date, schools } = asked;
  const { traits } = taxon;
  const looked = Object.keys(signals).length > 0;
  return {
    situation: {
      traits,
      date,
      spot,
      pot: insideOfMaterial(nominalPot(rimCm), potMaterial),
      medium: { kind: mediumKind },
      lastRepot,
      signals,
      ...(looked ? { lookedOn: date } : {}),
      ...(schools ? { schools } : {}),
    },
    heightCm: Math.round(traits.heightInPots * rimCm),
    heights: [],
    log: null,
    potMaterial,
    mediumKind,
    recipeId: null,
    support: null,
    stems: 1,
    wish: {},
  };
}

/** What the house offers it; `pots` beside its own and those to buy. */
export type House = Pick<FitShelf, 'pots' | 'covers' | 'supports' | 'headroomCm'>;
const NOTHING_THERE: House = { pots: [], covers: [], supports: [], headroomCm: null };

/** Verdict, pot and mix of a plant that is not in the collection: by the same functions as of one that is. */
export function ask(
  asked: Asked,
  pantry: Pantry,
  house: House = NOTHING_THERE,
  scoopL: number | null = null,
): AskedAnswer {
  const subject = subjectAsked(asked);
  const decision = decide(subject.situation);
  const { pot: inside } = subject.situation;
  const present: PotOption = {
    id: 'present',
    label: 'its own pot',
    outside: nominalPot(asked.rimCm),
    material: asked.potMaterial,
    source: 'present',
  };
  const shelf: FitShelf = {
    ...house,
    pots: ladderOptions(inside, [present, ...house.pots]),
    presentCover: null,
  };
  const fit = fitOf(subject, shelf, startingChoices(subject, null, pantry), pantry);
  return { decision, fit, batch: measuredFor(fit.rung, fit.mixed.parts, scoopL) };
}

/** Asked first where none is worth more than another. */
const USUAL_FIRST: readonly SignalId[] = [
  'rootsAtHoles',
  'smell',
  'compacted',
  'staysWetLonger',
  'driesSooner',
];

/**
 * What a keeper turns a pot over for, and the other questions from outside it that are worth most of a plant of
 * which nothing was seen yet, in the order of a look.
 *
 * @param unseen  what is said of it without any finding
 */
export function firstQuestions(unseen: Pick<Decision, 'notLooked'>, count: number): SignalId[] {
  const place = (id: SignalId) => {
    const at = USUAL_FIRST.indexOf(id);
    return at < 0 ? USUAL_FIRST.length : at;
  };
  const outside = SIGNALS.filter(({ group }) => group !== 'ball');
  const worth = new Map(unseen.notLooked.map((one) => [one.signal, one.worth]));
  const chosen = outside
    .filter(({ id }) => worth.has(id))
    .sort(
      (a, b) =>
        Number(b.id === USUAL_FIRST[0]) - Number(a.id === USUAL_FIRST[0]) ||
        worth.get(b.id)! - worth.get(a.id)! ||
        place(a.id) - place(b.id),
    )
    .slice(0, count)
    .map(({ id }) => id);
  return outside.map(({ id }) => id).filter((id) => chosen.includes(id));
}
