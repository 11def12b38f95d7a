import {
  OutOfRange,
  addDays,
  blend,
  climbAhead,
  fittedSteps,
  kindOfRecipe,
  ladderOptions,
  meanTemperatureC,
  NO_CUTS,
  partsOf,
  plantMinutes,
  potLadder,
  rimCm,
  settleSupport,
  soakMinutes,
  standingSupport,
  supportKind,
  supportMode,
  swapPlace,
  tidinessOf,
  usualHeadspaceCm,
  USUAL_OVERHEADS,
  vpdAtYearEnd,
  wantsSupport,
  withoutAvoided,
  type DayMix,
  type DayOption,
  type DayPlant,
  type DayPot,
  type DayProblem,
  type DaySupport,
  type IsoDate,
  type Ladder,
  type Pace,
  type PotOption,
  type Rung,
  type PotShape,
  type SupportPlan,
  type Settings,
} from '@fernbank/core';
import { and, eq } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { components, measurements, plans, pots, supports, type FitPlan } from '../db/schema.ts';
import { invalid } from '../http/errors.ts';
import { heightOf, supportOf, type PlantRow } from './collection.ts';
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
  support: { plan: SupportPlan | null; isNew: boolean };
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
const WEEKS_A_MONTH = 4.348;
/** Verdicts look so far ahead. */
const FARTHEST_DAYS = 350;
const HORIZON_MONTHS = 12;

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
    for (const { judgement } of this.wanting) this.addOwnPot(judgement.file.plant);
    for (const { judgement } of this.wanting) {
      const { id, name: label, pot: outside, potMaterial: material } = judgement.file.plant;
      const likeness = JSON.stringify([outside, material]);
      const pot: PotOption = { id: `left-${id}`, label, outside, material, source: 'handedDown' };
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
    const tubL = ask.tubL ?? settings.tubL;
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
      ...(tubL ? { tubL } : {}),
    };
  }

  private addShelfPot(row: typeof pots.$inferSelect): void {
    const { dates } = this.ask;
    this.pots.set(`shelf-${row.id}`, {
      id: `shelf-${row.id}`,
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

  /** Mix and support: as they were settled on, else as they would be suggested. */
  private wantingOf(judgement: Judgement, settled: ReadonlyMap<number, FitPlan>): Wanting {
    const { file } = judgement;
    const plan = settled.get(file.plant.id) ?? null;
    const { situation } = file;
    const recipeId = plan?.recipeId ?? situation.traits.recipe;
    const recipe = this.pantry.recipe(recipeId);
    const { parts } = withoutAvoided(
      partsOf(plan?.parts ?? recipe.parts, this.pantry),
      this.pantry,
      swapPlace({
        pot: situation.pot,
        airNeed: situation.traits.airNeed,
        drying: situation.traits.drying,
        temperatureC: meanTemperatureC(situation.spot),
      }),
    );
    const id = `${recipeId}|${parts.map(({ ingredient, parts: n }) => `${ingredient.id}:${n}`).join()}`;
    let mix = this.mixes.get(id);
    if (!mix) {
      mix = { id, label: recipe.label, recipeId, parts };
      this.mixes.set(id, mix);
    }
    return { judgement, plan, mix, support: this.supportFor(judgement, plan) };
  }

  private supportFor({ file }: Judgement, plan: FitPlan | null): Wanting['support'] {
    const { plant, situation } = file;
    const { cm: plantCm } = heightOf(file);
    const { traits, spot, date, signals } = situation;
    const mode = plan
      ? plan.support
        ? 'new'
        : 'keep'
      : supportMode({
          has: plant.supportCm !== null,
          outgrown: signals.vinePastSupport === true,
          climbs: wantsSupport(traits, plantCm),
        });
    if (mode !== 'new') return { plan: null, isNew: false };
    const wish = plant.supportWish;
    const heights = this.db
      .select()
      .from(measurements)
      .where(and(eq(measurements.plantId, plant.id), eq(measurements.kind, 'heightCm')))
      .all()
      .map((row) => ({ date: row.date, cm: row.value }));
    try {
      const settledOn = settleSupport(
        {
          keep: null,
          kind: plan?.support?.kind ?? null,
          acrossCm: null,
          lengthCm: plan?.support?.lengthCm ?? null,
          goal: wish.goal ?? (traits.support === 'aerialRoots' ? 'largerLeaves' : 'tidy'),
          minutesPerWeek: wish.minutesPerWeek ?? null,
          stems: plant.stems,
          internodeCm: wish.internodeCm ?? null,
        },
        {
          habit: traits.support,
          plantCm,
          climb: climbAhead({
            heightCm: plantCm,
            heights,
            spot,
            traits,
            date,
            wound: wish.wound ?? false,
          }),
          horizonWeeks: Math.round(HORIZON_MONTHS * WEEKS_A_MONTH),
          vpdKPa: vpdAtYearEnd(spot, 'warmest'),
          shelf: this.bars.filter(({ free }) => free > 0),
          headroomCm: file.spot.headroomCm,
          depthCm: situation.pot.heightCm - usualHeadspaceCm(situation.pot),
          floorCm: 0,
        },
      );
      return { plan: settledOn, isNew: true };
    } catch (error) {
      // A place too low for any support: the plant is potted without a new one.
      if (error instanceof OutOfRange) return { plan: null, isNew: false };
      throw error;
    }
  }

  private plantOf(wanting: Wanting): DayPlant {
    const { judgement, mix, support } = wanting;
    const { plant, situation } = judgement.file;
    const options = this.optionsOf(wanting);
    return {
      id: plant.id,
      name: plant.name,
      gain: gainsOf(judgement.decision, this.ask, this.today).map(round),
      tidiness: tidinessOf(situation.signals, quarantineFor(this.db, plant, this.today)),
      mix: mix.id,
      options: options.map(({ option }) => option),
      soakMinutes: options[0]?.soak ?? 0,
      support: support.isNew && support.plan ? poleOf(support.plan) : null,
    };
  }

  /** Pots that would do, the best first. */
  private optionsOf(wanting: Wanting): { option: DayOption; soak: number }[] {
    const { judgement, plan, mix, support } = wanting;
    const { file } = judgement;
    const { plant, situation } = file;
    const settings = this.settings;
    const layer = plan?.layer ?? this.pantry.recipe(mix.recipeId).extras.layer ?? 'screen';
    const cuts = plan?.cuts ?? NO_CUTS;
    const parts = mix.parts.map(({ ingredient, parts: n }) => ({
      component: ingredient.id,
      parts: n,
    }));
    const newKind =
      mix.recipeId === plant.recipeId
        ? plant.mediumKind
        : kindOfRecipe(mix.recipeId, parts, this.pantry);
    const standing = support.plan ? standingSupport(support.plan) : supportOf(plant);
    const ladder = potLadder({
      situation: {
        ...situation,
        schools: { ...situation.schools, ...(plan ? { size: plan.size } : {}) },
      },
      options: this.potsFor(plant, situation.pot),
      mix: blend(mix.parts),
      newKind,
      plantHeightCm: heightOf(file).cm,
      presentMaterial: plant.potMaterial,
      log: file.logs.water,
      headroomCm: file.spot.headroomCm,
      cuts,
      layer,
      ...(standing ? { support: standing } : {}),
    });
    return rankedRungs(ladder, plan).map(({ rung, penalty }) => {
      const steps = fittedSteps({
        situation,
        rung,
        newKind,
        cuts,
        layer,
        components: mix.parts.map(({ ingredient }) => ingredient),
        potMaterial: plant.potMaterial,
        support: support.isNew ? support.plan : null,
        topDressing: null,
        mound: plan?.mound ?? false,
        wetKg: rung.stance.wetKg,
        schools: {
          firstWater: plant.schools.firstWater ?? settings.firstWaterSchool,
          wetting: settings.wettingSchool,
          weakRoots: plant.schools.weakRoots ?? settings.weakRootSchool,
          rot: plant.schools.rot ?? settings.rotSchool,
          toPebbles: plant.schools.toPebbles ?? settings.toPebblesSchool,
        },
      });
      const minutes = plantMinutes(steps, Math.max(0.05, rung.fillL), this.pace);
      return {
        option: {
          pot: rung.option.id,
          minutes: Math.round(10 * minutes) / 10,
          filledL: round(rung.newMediumL),
          penalty: round(penalty),
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
        label: '',
        outside: plant.pot,
        material: plant.potMaterial,
        source: 'present',
      },
      ...this.shelf.map((row): PotOption => ({
        id: `shelf-${row.id}`,
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
      const price = this.ask.potPrice;
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

/** A new pole with the piece that it is cut from. */
function poleOf({ kind, section, lengthCm, poles, stock }: SupportPlan): DaySupport {
  const piece = stock && {
    id: stock.owned ? Number(stock.id) : null,
    lengthCm: stock.lengthCm,
  };
  return { kind: kind.id, section, lengthCm, poles, stock: piece };
}

const RULED_OUT = ['tips', 'ballTooWide', 'noHoles', 'tooTall', 'staysWet'];

/** Rungs that would do, the least worse first; what was settled on before any other. */
function rankedRungs({ rungs, choice }: Ladder, plan: FitPlan | null) {
  const best = choice === null ? null : rungs[choice]!;
  const wantedCm = plan ? rimCm(plan.pot) : best?.rimCm;
  if (wantedCm === undefined) return [];
  return rungs
    .filter(({ verdict }) => !RULED_OUT.includes(verdict))
    .map((rung) => {
      const by = rung.rimCm - wantedCm;
      const worse = by < 0 ? -by * WORSE_PER_CM.narrower : by * WORSE_PER_CM.wider;
      const other = plan && !isSettled(rung.option, plan) ? SETTLED_OTHERWISE : 0;
      const full = fullAtOnce(rung) && best && !fullAtOnce(best) ? FULL_AT_ONCE.penalty : 0;
      return { rung, by, penalty: worse + SOURCE_PENALTY[rung.option.source] + other + full };
    })
    .filter(({ by }) => by >= -NEAR_CM.narrower && by <= NEAR_CM.wider)
    .sort((a, b) => a.penalty - b.penalty || a.rung.option.id.localeCompare(b.rung.option.id))
    .slice(0, MOST_OPTIONS);
}

const fullAtOnce = ({ monthsToCrowded }: Rung) =>
  monthsToCrowded !== null && monthsToCrowded < FULL_AT_ONCE.months;

/** The pot of a plan, wherever it stands now. */
function isSettled({ source, id, label, outside }: PotOption, plan: FitPlan): boolean {
  if (plan.potSource === 'handedDown') return source === 'handedDown' && label === plan.leftBy;
  if (plan.potSource === 'present') return source === 'present';
  if (plan.potId !== null) return id === `shelf-${plan.potId}`;
  return source === 'toBuy' && rimCm(outside) === rimCm(plan.pot);
}

const round = (value: number) => Math.round(value * 1e4) / 1e4;
