import {
  daysBetween,
  filledInBatch,
  fitOf,
  ladderOptions,
  measureOut,
  meetsAbove,
  mondayOf,
  plantMinutes,
  repotAfter,
  rimCm,
  startingChoices,
  stepsOf,
  taxonGroup,
  weeksAhead,
  type AheadPlant,
  type AheadProblem,
  type Fit,
  type IsoDate,
  type PotShape,
  type Rung,
  type WeekWindow,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { components, days, plans, pots } from '../db/schema.ts';
import { heightOf, type PlantFile, type PlantRow } from './collection.ts';
import { fitSubjectOf } from './fitSubject.ts';
import { judgedOn, type Judgement } from './judging.ts';
import { paceOf } from './pace.ts';
import { pantryFor } from './pantry.ts';
import { isCounted } from './stockDraw.ts';

/** What two years are drawn from, and what it is held against. */
export interface AheadAnswer {
  problem: AheadProblem;
  groups: { id: string; label: string }[];
  spots: { id: number; name: string }[];
  /** what this part may need, with what of it is there; litres null: not counted */
  stock: { component: string; label: string; litres: number | null; bagL: number | null }[];
  /** plants of this part that cannot be judged, or fitted, stand in no forecast */
  leftOut: string[];
  /** where the next part begins; null: this is the last one */
  next: number | null;
}

/** So many repots of each plant are reckoned; later ones are like the last. */
const REPOTS = 3;

/**
 * Part by part: a fit for each of thousands of plants takes longer than others should wait.
 *
 * @param today  the day on which plants are judged
 * @param from  so many plants were told before
 * @param withinMs  then the part ends; at least one plant was looked at for it
 */
export function aheadOn(db: Db, today: IsoDate, from = 0, withinMs = Infinity): AheadAnswer {
  const until = Date.now() + withinMs;
  const { judgements, unjudged } = judgedOn(db, today);
  const reckoned = new Reckoning(db, today);
  const plants: AheadPlant[] = [];
  const leftOut = from === 0 ? unjudged.map(({ name }) => name) : [];
  let told = from;
  for (const judgement of judgements.slice(from)) {
    told += 1;
    try {
      plants.push(reckoned.plantOf(judgement));
    } catch {
      // Its own pages say what does not hold of it; the others are foreseen all the same.
      leftOut.push(judgement.file.plant.name);
    }
    if (Date.now() >= until) break;
  }
  const shelf = readable(db, pots)
    .filter(({ role, free, soaking }) => role === 'pot' && free + soaking > 0)
    .map(({ shape, free, soaking }) => ({ rimCm: rimCm(shape), count: free + soaking }));
  const spots = new Map(judgements.map(({ file }) => [file.spot.id, file.spot.name]));
  return {
    problem: { from: mondayOf(today), plants, shelf },
    groups: [...new Set(judgements.map(({ file }) => file.taxon.group))].map((id) => ({
      id,
      label: taxonGroup(id).label,
    })),
    spots: [...spots].map(([id, name]) => ({ id, name })),
    stock: reckoned.stock(plants),
    leftOut,
    next: told < judgements.length ? told : null,
  };
}

class Reckoning {
  private readonly pantry;
  private readonly pace;
  private readonly settled;
  /** date of the potting day that was settled for a plant */
  private readonly onDay;

  constructor(
    private readonly db: Db,
    private readonly today: IsoDate,
  ) {
    this.pantry = pantryFor(db);
    this.pace = paceOf(db);
    this.settled = new Map(readable(db, plans).map((row) => [row.plantId, row.fit]));
    this.onDay = new Map(
      readable(db, days, eq(days.state, 'settled')).flatMap(({ plan }) =>
        (plan?.lines ?? []).map(({ plant, date }) => [plant, plan!.dates[date]!.date] as const),
      ),
    );
  }

  plantOf(judgement: Judgement): AheadPlant {
    const { file, decision, overrule } = judgement;
    const { plant, situation, taxon } = file;
    const { first, parts } = this.nextOf(judgement);
    const repots = [first];
    while (repots.length < REPOTS) {
      const last = repots[repots.length - 1]!;
      repots.push(repotAfter(last, repots[repots.length - 2]?.rimCm ?? rimCm(plant.pot)));
    }
    const word = overrule?.instead === 'leave' ? daysBetween(this.today, overrule.until) : 0;
    return {
      id: plant.id,
      name: plant.name,
      spotId: plant.spotId,
      group: taxon.group,
      rimCm: rimCm(plant.pot),
      parts,
      weeks: weeksAhead(situation),
      notBefore: Math.max(0, Math.ceil(word / 7)),
      settledIn: this.settledIn(plant),
      window: decision.window && this.weeksOf(decision.window),
      meets: this.meets(file),
      danger: decision.states.danger,
      rescue: decision.headline === 'rescueNow',
      repots,
    };
  }

  private week(date: IsoDate): number {
    return Math.max(0, Math.floor(daysBetween(mondayOf(this.today), date) / 7));
  }
  private weeksOf({ from, best, to }: NonNullable<Judgement['decision']['window']>): WeekWindow {
    return { from: this.week(from), best: this.week(best), to: this.week(to) };
  }
  /** A day that was is no appointment any more; nor is one on which it was potted already. */
  private settledIn({ id, lastRepot }: PlantRow): number | null {
    const date = this.onDay.get(id);
    return date === undefined || date < this.today || lastRepot === date ? null : this.week(date);
  }
  private meets(file: PlantFile): AheadPlant['meets'] {
    const { plant, spot, situation } = file;
    const { headroomCm } = spot;
    if (headroomCm === null) return { likely: null, soonest: null };
    const { heights } = fitSubjectOf(this.db, file);
    return meetsAbove({
      standsCm: plant.pot.heightCm + heightOf(file).cm,
      headroomCm,
      heights: heights ?? [],
      from: mondayOf(this.today),
      spot: situation.spot,
      traits: situation.traits,
    });
  }

  /** What its next repot would be: what was settled on, else what its fit would say of pots that are sold. */
  private nextOf({ file }: Judgement): Pick<AheadPlant, 'parts'> & {
    first: AheadPlant['repots'][number];
  } {
    const { plant } = file;
    const subject = fitSubjectOf(this.db, file);
    const plan = this.settled.get(plant.id) ?? null;
    const choices = startingChoices(subject, plan, this.pantry);
    const own = {
      id: 'present',
      potId: plant.potId,
      label: '',
      outside: plant.pot,
      material: plant.potMaterial,
      source: 'present' as const,
    };
    const shelf = {
      pots: ladderOptions(plant.pot, [own]),
      covers: [],
      presentCover: null,
      supports: [],
      headroomCm: file.spot.headroomCm,
    };
    const fit = fitOf(subject, shelf, choices, this.pantry);
    return { first: this.repotIn(fit, plan?.pot ?? null, plant.pot), parts: perLitreOf(fit) };
  }

  private repotIn(
    fit: Fit,
    settled: PotShape | null,
    present: PotShape,
  ): AheadPlant['repots'][number] {
    const { rungs, choice, leastBad } = fit.ladder;
    const { plan, choices, extras } = fit;
    const feedG = extras.reduce(
      (sum, { kind, grams = 0 }) => sum + (kind === 'feed' ? grams : 0),
      0,
    );
    const rung = settled ? nearestTo(rimCm(settled), rungs) : rungs[choice ?? leastBad ?? -1];
    if (!rung) return { rimCm: rimCm(present), newMediumL: 0, minutes: 0 };
    return {
      rimCm: rimCm(rung.option.outside),
      newMediumL: filledInBatch(rung, fit.mixed.parts),
      minutes: plantMinutes(stepsOf(fit, rung), Math.max(0.05, rung.fillL), this.pace),
      ...(feedG > 0 ? { feedG } : {}),
      ...(plan && choices.supportMode === 'new'
        ? { pole: { label: plan.kind.label, lengthCm: Math.round(plan.lengthCm) } }
        : {}),
    };
  }

  stock(plants: readonly AheadPlant[]): AheadAnswer['stock'] {
    const rows = new Map(readable(this.db, components).map((row) => [row.key, row]));
    const ids = new Set(plants.flatMap(({ parts }) => parts.map(({ component }) => component)));
    return [...ids].map((component) => {
      const row = rows.get(component);
      const { label } = this.pantry.component(component);
      const counted = row !== undefined && isCounted(row);
      return {
        component,
        label,
        litres: counted ? row.bags * (row.bagL ?? 0) + row.openL : null,
        bagL: row?.bagL ?? null,
      };
    });
  }
}

const nearestTo = (wantedCm: number, rungs: readonly Rung[]): Rung | undefined =>
  [...rungs].sort((a, b) => Math.abs(a.rimCm - wantedCm) - Math.abs(b.rimCm - wantedCm))[0];

/** Of each component, what a litre in the pot takes. */
function perLitreOf({ mixed }: Fit): AheadPlant['parts'] {
  const perL = new Map<string, number>();
  for (const { component, litres } of measureOut(mixed.parts, 1).measures) {
    perL.set(component.id, (perL.get(component.id) ?? 0) + litres);
  }
  return [...perL].map(([component, measureL]) => ({ component, measureL }));
}
