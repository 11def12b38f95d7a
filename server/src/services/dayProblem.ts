import {
  addDays,
  coverOption,
  filledInBatch,
  fitOf,
  isSettledPot,
  ladderOptions,
  mixFor,
  newSupport,
  placeOf,
  plannedSupport,
  meanPractisedShare,
  plantMinutes,
  rimCm,
  say,
  soakMinutes,
  startingChoices,
  stepsOf,
  supportKind,
  tidinessOf,
  USUAL_OVERHEADS,
  WICKS,
  type CoverOption,
  type DayMix,
  type DayOption,
  type DayPlant,
  type DayPot,
  type DayProblem,
  type DayWater,
  type Fit,
  type FitChoices,
  type FitPlan,
  type FitSubject,
  type IsoDate,
  type Ladder,
  type Pace,
  type PotOption,
  type Rung,
  type PotShape,
  type Settings,
  type WaterUnder,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { components, plans, pots, supports } from '../db/schema.ts';
import { invalid } from '../http/errors.ts';
import type { PlantRow } from './collection.ts';
import { fitSubjectOf } from './fitSubject.ts';
import { paceOf } from './pace.ts';
import { askedOf, gainsOf, type DayAsk, type NotAsked } from './dayReach.ts';
import { judgedOn, type Judgement } from './judging.ts';
import { pantryFor } from './pantry.ts';
import { quarantineFor } from './quarantine.ts';
import { readSettings } from './settings.ts';
import { isCounted } from './stockDraw.ts';

/** A plant with what it would be given, the pot aside. */
interface Wanting {
  judgement: Judgement;
  plan: FitPlan | null;
  mix: DayMix;
  subject: FitSubject;
  choices: FitChoices;
}

/** Widths about the best of a ladder that are still worth a move, cm. */
const NEAR_CM = { narrower: 3, wider: 4 } as const;
/** What a pot is worse by than the best, per cm of width. @source common practice, no source */
const WORSE_PER_CM = { narrower: 0.03, wider: 0.045 } as const;
/** A pot that comes off the bench clean saves its rinse; of two alike the clean one is taken. */
const SOURCE_PENALTY = { free: 0, present: 0.01, soaking: 0.002, handedDown: 0.003, toBuy: 0 };
const SETTLED_OTHERWISE = 0.08;
/** A plant that fills its new pot within these months was repotted for nothing. @source common practice, no source */
const FULL_AT_ONCE = { months: 3, penalty: 0.4 } as const;
const MOST_OPTIONS = 12;
/** Of pots that are alike so many are offered to a plant. */
const MOST_ALIKE = 6;
/** Verdicts look so far ahead. */
const FARTHEST_DAYS = 350;

/**
 * A potting day as the solver takes it: who asks for a pot and what waiting
 * costs, which pots there are and which come free, mixes, bags, poles.
 *
 * @param today  the day on which plants are judged
 */
export function dayProblemFor(
  db: Db,
  ask: DayAsk,
  today: IsoDate,
): { problem: DayProblem; notAsked: NotAsked[] } {
  const last = ask.dates[ask.dates.length - 1]!.date;
  if (last > addDays(today, FARTHEST_DAYS)) {
    throw invalid('dates', `dates must lie within a year from today, got ${last}`);
  }
  const settings = readSettings(db);
  const settled = new Map(readable(db, plans).map((row) => [row.plantId, row.fit]));
  const { asked, notAsked } = askedOf(judgedOn(db, today), settled, ask, today);
  const maker = new ProblemMaker(db, ask, today, settings, asked, settled);
  return { problem: maker.problem(), notAsked };
}

class ProblemMaker {
  private readonly pantry;
  private readonly pace: Pace;
  private readonly mixes = new Map<string, DayMix>();
  private readonly shelf;
  private readonly bars;
  private readonly pots = new Map<string, DayPot>();
  private readonly wanting: Wanting[];
  /** settled mounds: the wrapping of many goes quicker than that of one */
  private readonly mounds: number;
  /** pots that come free, by what they are */
  private readonly left = new Map<string, PotOption[]>();

  constructor(
    private readonly db: Db,
    private readonly ask: DayAsk,
    private readonly today: IsoDate,
    private readonly settings: Settings,
    asked: readonly Judgement[],
    settled: ReadonlyMap<number, FitPlan>,
  ) {
    this.pantry = pantryFor(db);
    this.pace = paceOf(db);
    this.shelf = readable(db, pots).filter(
      ({ role, free, soaking }) => role === 'pot' && free + soaking > 0,
    );
    this.bars = readable(db, supports);
    for (const row of this.shelf) this.addShelfPot(row);
    this.wanting = asked.map((judgement) => this.wantingOf(judgement, settled));
    this.mounds = this.wanting.filter(({ plan }) => plan?.mound).length;
    for (const { judgement } of this.wanting) this.addOwnPot(judgement.file.plant);
    for (const { judgement } of this.wanting) {
      const { id, name: label, pot: outside, potMaterial: material, potId } = judgement.file.plant;
      const likeness = JSON.stringify([outside, material]);
      const pot: PotOption = {
        id: `left-${id}`,
        label,
        outside,
        material,
        source: 'handedDown',
        leftBy: label,
        potId,
      };
      const alike = this.left.get(likeness);
      if (alike) alike.push(pot);
      else this.left.set(likeness, [pot]);
    }
  }

  problem(): DayProblem {
    const { ask, settings } = this;
    const plants = this.wanting.map((one) => this.plantOf(one));
    const used = new Set(plants.flatMap(({ options }) => options.map(({ pot }) => pot)));
    const mixed = new Set(plants.map(({ mix }) => mix));
    const mixes = [...this.mixes.values()].filter(({ id }) => mixed.has(id));
    return {
      dates: ask.dates,
      hands: ask.hands,
      money: ask.money,
      cleaning: ask.cleaning,
      overheads: USUAL_OVERHEADS,
      plants,
      pots: [...this.pots.values()].filter(
        ({ id, source }) => used.has(id) || source === 'left' || source === 'stays',
      ),
      mixes,
      stock: this.stockOf(mixes),
      poles: this.polesOf(plants),
      pins: ask.pins,
      ...(settings.scoopL ? { scoopL: settings.scoopL } : {}),
      ...(settings.tubL ? { tubL: settings.tubL } : {}),
    };
  }

  private addShelfPot(row: typeof pots.$inferSelect): void {
    const { dates } = this.ask;
    this.pots.set(`shelf-${row.id}`, {
      id: `shelf-${row.id}`,
      potId: row.id,
      label: row.label,
      shape: row.shape,
      material: row.material,
      source: 'shelf',
      ready: dates.map(({ date }) => {
        const soaked = row.soakingSince === null || row.soakingSince < date;
        return row.free + (soaked ? row.soaking : 0);
      }),
    });
  }

  private addOwnPot(plant: PlantRow): void {
    const { id, name, pot: shape, potMaterial: material } = plant;
    const own = { shape, material, of: id };
    this.pots.set(`left-${id}`, {
      ...own,
      id: `left-${id}`,
      label: `pot of ${name}`,
      source: 'left',
    });
    this.pots.set(`stays-${id}`, {
      ...own,
      id: `stays-${id}`,
      label: 'its own pot',
      source: 'stays',
    });
  }

  /** What it would be given: as it was settled on, else as it would be suggested. */
  private wantingOf(judgement: Judgement, settled: ReadonlyMap<number, FitPlan>): Wanting {
    const { file } = judgement;
    const plan = settled.get(file.plant.id) ?? null;
    const subject = fitSubjectOf(this.db, file);
    const choices = startingChoices(subject, plan, this.pantry);
    const { recipeId } = choices;
    const recipe = this.pantry.recipe(recipeId);
    const { parts } = mixFor(
      choices.parts ?? recipe.parts,
      this.pantry,
      placeOf(subject.situation),
    );
    const id = `${recipeId}|${parts.map(({ ingredient, parts: n }) => `${ingredient.id}:${n}`).join()}`;
    let mix = this.mixes.get(id);
    if (!mix) {
      mix = { id, label: recipe.label, recipeId, parts };
      this.mixes.set(id, mix);
    }
    return { judgement, plan, mix, subject, choices };
  }

  private plantOf(wanting: Wanting): DayPlant {
    const { judgement, mix } = wanting;
    const { plant, situation } = judgement.file;
    const fit = this.fitOf(wanting);
    const options = this.optionsOf(wanting, fit);
    const support = newSupport(fit);
    return {
      id: plant.id,
      name: plant.name,
      gain: gainsOf(judgement.decision, this.ask, this.today).map(round),
      tidiness: tidinessOf(situation.signals, quarantineFor(this.db, plant, this.today)),
      mix: mix.id,
      options: options.map(({ option }) => option),
      soakMinutes: options[0]?.soak ?? 0,
      support: support && plannedSupport(support),
    };
  }

  /** The same fit as its own page shows, over the pots of the day. */
  private fitOf({ judgement: { file }, subject, choices, plan }: Wanting): Fit {
    const shelf = {
      pots: this.potsFor(file.plant, file.situation.pot),
      // Of vessels only the one that was settled on: another plant of the day may want the others.
      covers: this.vesselOf(plan),
      presentCover: null,
      supports: this.bars.filter(({ free }) => free > 0),
      headroomCm: file.spot.headroomCm,
    };
    return fitOf(subject, shelf, choices, this.pantry);
  }

  private vesselOf(plan: FitPlan | null): CoverOption[] {
    const id = plan?.water?.coverId ?? null;
    const row = id === null ? null : this.db.select().from(pots).where(eq(pots.id, id)).get();
    return row ? [coverOption(row)] : [];
  }

  /** Pots that would do, the best first. */
  private optionsOf({ plan }: Wanting, fit: Fit): { option: DayOption; soak: number }[] {
    return rankedRungs(fit.ladder, plan).map(({ rung, penalty }) => {
      const steps = stepsOf(fit, rung);
      const practised = rung.mound ? meanPractisedShare(this.mounds) : 1;
      const minutes = plantMinutes(steps, Math.max(0.05, rung.fillL), this.pace) * practised;
      return {
        option: {
          pot: rung.option.id,
          minutes: Math.round(10 * minutes) / 10,
          filledL: round(filledInBatch(rung, fit.mixed.parts)),
          penalty: round(penalty),
          ...(rung.mound
            ? { mound: { netPotCm: rung.mound.core.topDiameterCm, dryG: rung.mound.dryG } }
            : {}),
          ...(rung.pots > 1 ? { pieces: rung.pots } : {}),
          ...(rung.under ? { water: dayWater(rung.under, fit.subject.situation.traits.fed) } : {}),
        },
        soak: soakMinutes(steps),
      };
    });
  }

  /** Pots of the shelf, what others leave, its own, and what is sold. */
  private potsFor(plant: PlantRow, present: PotShape): PotOption[] {
    const features = ({ holes, reservoirL, wicks, hangs, tone }: (typeof this.shelf)[number]) => ({
      holes,
      reservoirL,
      wicks,
      hangs,
      ...(tone ? { tone } : {}),
    });
    const own: PotOption[] = [
      {
        id: `stays-${plant.id}`,
        potId: plant.potId,
        label: '',
        outside: plant.pot,
        material: plant.potMaterial,
        source: 'present',
      },
      ...this.shelf.map((row): PotOption => ({
        id: `shelf-${row.id}`,
        potId: row.id,
        label: row.label,
        outside: row.shape,
        material: row.material,
        source: row.free > 0 ? 'free' : 'soaking',
        ...(row.emptyKg ? { emptyKg: row.emptyKg } : {}),
        features: features(row),
      })),
      ...this.leftBeside(plant),
    ];
    const all = ladderOptions(present, own);
    for (const { id, label, outside, material, source } of all) {
      if (source !== 'toBuy' || this.pots.has(id)) continue;
      const price = this.settings.potPrice;
      this.pots.set(id, { id, label, shape: outside, material, source, price });
    }
    return all;
  }

  /** Pots that others leave: of many alike a few, other ones for every plant. */
  private leftBeside({ id }: PlantRow): PotOption[] {
    return [...this.left.values()].flatMap((alike) => {
      const from = alike.length <= MOST_ALIKE ? 0 : id % alike.length;
      return [...alike.slice(from), ...alike.slice(0, from)]
        .filter((pot) => pot.id !== `left-${id}`)
        .slice(0, MOST_ALIKE);
    });
  }

  private stockOf(mixes: readonly DayMix[]): DayProblem['stock'] {
    const rows = new Map(readable(this.db, components).map((row) => [row.key, row]));
    const ids = [...new Set(mixes.flatMap(({ parts }) => parts.map((p) => p.ingredient.id)))];
    return ids.map((component) => {
      const row = rows.get(component);
      const { label } = this.pantry.component(component);
      const none = { bagL: null, bags: 0, openL: 0, pricePerBag: null };
      const { bagL, bags, openL, pricePerBag } = row ?? none;
      const counted = row !== undefined && isCounted(row);
      return { component, label, bagL, bags, openL, pricePerBag, counted };
    });
  }

  private polesOf(plants: readonly DayPlant[]): DayProblem['poles'] {
    const kinds = new Set(plants.flatMap(({ support }) => (support ? [support.kind] : [])));
    return [...kinds].flatMap((kind) => [
      ...this.bars
        .filter((row) => row.kind === kind && row.free > 0 && !row.extension)
        .map(({ lengthCm, free }) => ({ kind, lengthCm, count: free })),
      ...supportKind(kind).stockCm.map((lengthCm) => ({ kind, lengthCm, count: null })),
    ]);
  }
}

const RULED_OUT = ['tips', 'ballTooWide', 'noHoles', 'tooTall', 'staysWet'];

/** Rungs that would do, the least worse first; what was settled on before any other. */
function rankedRungs({ rungs, choice, leastBad }: Ladder, plan: FitPlan | null) {
  const best = rungs[choice ?? leastBad ?? -1];
  const wantedCm = plan ? rimCm(plan.pot) : best?.rimCm;
  if (wantedCm === undefined) return [];
  return rungs
    .filter((rung) => rung === best || !RULED_OUT.includes(rung.verdict))
    .map((rung) => {
      const by = rung.rimCm - wantedCm;
      const worse = by < 0 ? -by * WORSE_PER_CM.narrower : by * WORSE_PER_CM.wider;
      const other = plan && !isSettledPot(rung.option, plan) ? SETTLED_OTHERWISE : 0;
      const full = fullAtOnce(rung) && best && !fullAtOnce(best) ? FULL_AT_ONCE.penalty : 0;
      return { rung, by, penalty: worse + SOURCE_PENALTY[rung.option.source] + other + full };
    })
    .filter(({ by }) => by >= -NEAR_CM.narrower && by <= NEAR_CM.wider)
    .sort((a, b) => a.penalty - b.penalty || a.rung.option.id.localeCompare(b.rung.option.id))
    .slice(0, MOST_OPTIONS);
}

const fullAtOnce = ({ monthsToCrowded }: Rung) =>
  monthsToCrowded !== null && monthsToCrowded < FULL_AT_ONCE.months;

const round = (value: number) => Math.round(value * 1e4) / 1e4;

/** What a pot of pebbles takes to the bench of its day. */
function dayWater(under: WaterUnder, fed: boolean): DayWater {
  const { kind, vessel, outer, summer, wick, wickKind } = under;
  const found = say`a dark vessel of about ${{ cm: rimCm(outer) }} × ${{ cm: outer.heightCm }}`;
  return {
    vessel: kind === 'holes' ? 'the pot itself' : (vessel?.label ?? found),
    litres: round(summer.litres),
    fed,
    wicks:
      wick?.reaches && wickKind
        ? {
            label: WICKS[wickKind].label,
            count: wick.count,
            lengthCm: Math.ceil(wick.lengthCm),
          }
        : null,
  };
}
