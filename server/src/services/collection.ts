import {
  CARE_KINDS,
  findingsOf,
  insideOfMaterial,
  isAfter,
  resolveTaxon,
  rootsBroughtForward,
  monthsToFill,
  paceBy,
  recordInForce,
  rimCm,
  taxonOfGroup,
  traitsOf,
  daysBetween,
  sectionAreaCm2,
  standingFindings,
  supportKind,
  supportMaterial,
  type CareKind,
  type IsoDate,
  type Moment,
  type RootReading,
  type Signals,
  type Situation,
  type Spot,
  type StandingSupport,
  type Taxon,
  type Settings,
  schoolsFollowed,
  type Schools,
  type Component,
  type Part,
  type RootFindings,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { spots, type HousedSupport, type plants } from '../db/schema.ts';
import { learnedOf, type Learned } from './learning.ts';
import { logsOf, type Logs } from './logs.ts';
import { partsIn } from './pantry.ts';
import {
  momentOf,
  recordsOf,
  type LookRow,
  type MeasurementRow,
  type OutcomeRow,
  type PlantRecords,
} from './records.ts';

export type PlantRow = typeof plants.$inferSelect;
export type SpotRow = typeof spots.$inferSelect;

/** A finding speaks for the plant this long; older ones only tell how far its roots were. */
const FINDINGS_LAST_DAYS = 90;

/** The catalogue's entry of a plant, or its group's where the keeper named one. */
export function taxonOf(plant: Pick<PlantRow, 'taxon' | 'groupId'>): Taxon {
  const known = plant.groupId ? null : resolveTaxon(plant.taxon);
  return known ?? taxonOfGroup(plant.groupId ?? 'foliageShrub', plant.taxon);
}

export function spotOf(row: SpotRow): Spot {
  const { latitudeDeg, indoors, temperatureC, relativeHumidity, light, lampHours } = row;
  return { latitudeDeg, indoors, temperatureC, relativeHumidity, light, lampHours };
}

/** A situation whose schools are all answered, and whose medium is of the pantry. */
export interface KnownSituation extends Situation {
  schools: Schools;
  medium: Omit<Situation['medium'], 'parts'> & { parts?: Part<Component>[] };
}

/** Everything a verdict on a plant rests on, as the core takes it. */
export interface PlantFile {
  plant: PlantRow;
  spot: SpotRow;
  taxon: Taxon;
  situation: KnownSituation;
  /** newest first, since the last repot */
  looks: LookRow[];
  logs: Logs;
  /** what its earlier pots taught; `situation` rests on it */
  learned: Learned;
}

/**
 * Reads a plant with all that bears on it, as of a date; where that lies before its last repot (the
 * clock was set back, or it was set wrong then), as of that.
 */
export function plantFile(
  db: Db,
  plant: PlantRow,
  asked: IsoDate,
  settings: Settings,
  spot = db.select().from(spots).where(eq(spots.id, plant.spotId)).get()!,
  records = recordsOf(db, [plant.id]).get(plant.id)!,
): PlantFile {
  const since = plant.lastRepot ?? '0000-01-01';
  const date = since > asked ? since : asked;
  const within = inPresentPot(records, since, date);
  const seen = records.looks.filter(within).reverse();
  const sightings = sightingsOf(seen, records.outcomes.filter(within));
  const taxon = taxonOf(plant);
  const traits = traitsOf(taxon, plant.traits);
  const inside = insideOfMaterial(plant.pot, plant.potMaterial);
  const parts = partsIn(db, plant);
  const base: PlantFile['situation'] = {
    traits,
    date,
    spot: spotOf(spot),
    pot: inside,
    medium: {
      kind: plant.mediumKind,
      ...(plant.recipeId ? { recipe: plant.recipeId } : {}),
      ...(parts ? { parts } : {}),
    },
    lastRepot: plant.lastRepot,
    together: plant.together,
    signals: currentFindings(sightings, records.measurements.filter(within), date),
    schools: schoolsOf(plant, settings, taxon),
    ...(sightings[0] ? { lookedOn: sightings[0].date } : {}),
  };
  const logs = logsOf(records.measurements.filter(within), base.spot, traits);
  if (logs.measured.length > 0) base.measured = logs.measured;
  const own = recordInForce(settings);
  const usual = own?.filling ? paceBy(own.filling) : null;
  const learned = learnedOf(db, records, base, usual ?? undefined);
  const pace = learned.pace ?? usual;
  if (pace || learned.life || own) {
    base.learned = {
      ...(pace ? { pace } : {}),
      ...(learned.life ? { mediumLifeFactor: learned.life.factor } : {}),
      ...(own?.use ? { useFactor: own.use.factor } : {}),
      ...(own ? { corrections: own.corrections } : {}),
    };
  }
  const roots = rootsByEarlierLooks(seen, base);
  return {
    plant,
    spot,
    taxon,
    looks: seen,
    logs,
    learned,
    situation: roots ? { ...base, roots } : base,
  };
}

/** Whether something was seen or done since the last repot: what was found that day before it spoke of the pot that was left. */
export function inPresentPot(
  { repots }: Pick<PlantRecords, 'repots'>,
  since: IsoDate,
  date: IsoDate,
): (row: { date: IsoDate; createdAt: string }) => boolean {
  const repot = repots.findLast((row) => row.date === since);
  return (row) =>
    row.date >= since && row.date <= date && (!repot || isAfter(momentOf(row), momentOf(repot)));
}

const isCare = (kind: string): kind is CareKind => (CARE_KINDS as readonly string[]).includes(kind);

type Sighting = Moment & { signals: Signals };
/** What was seen of it, by looks and by judgements of its repot, newest first. */
const sightingsOf = (newestFirst: readonly LookRow[], judged: readonly OutcomeRow[]): Sighting[] =>
  [
    ...newestFirst.map((look) => ({ ...momentOf(look), signals: look.signals })),
    ...judged.map((one) => ({ ...momentOf(one), signals: findingsOf(one.seen) })),
  ].sort((one, other) => (isAfter(one, other) ? -1 : isAfter(other, one) ? 1 : 0));

/** The newest answer to each question, where it is recent enough and nothing that was done answers it. */
function currentFindings(
  newestFirst: readonly Sighting[],
  measured: readonly MeasurementRow[],
  date: IsoDate,
): Signals {
  return standingFindings(
    newestFirst.filter((one) => daysBetween(one.date, date) <= FINDINGS_LAST_DAYS),
    measured.flatMap((row) => (isCare(row.kind) ? [{ ...momentOf(row), kind: row.kind }] : [])),
  );
}

/** How far roots had gone by the last look that is no longer current, grown on until today. */
function rootsByEarlierLooks(
  newestFirst: readonly LookRow[],
  { date, spot, traits, pot, together }: Situation,
): RootReading | null {
  for (const look of newestFirst) {
    if (daysBetween(look.date, date) <= FINDINGS_LAST_DAYS) continue;
    const forward = rootsBroughtForward(
      look.signals as RootFindings,
      look.date,
      date,
      spot,
      traits,
      monthsToFill(traits.vigour, rimCm(pot), together),
    );
    if (forward) return forward;
  }
  return null;
}

/** Height of the shoots: as measured, else as plants of this kind have it. */
export function heightOf({ plant, situation }: PlantFile): { cm: number; typical: boolean } {
  return plant.heightCm === null
    ? { cm: Math.round(situation.traits.heightInPots * rimCm(plant.pot)), typical: true }
    : { cm: plant.heightCm, typical: false };
}

/** A plant as it is drawn from across the room. */
export function drawnOf(file: PlantFile) {
  const { pot, potMaterial, supportCm, together } = file.plant;
  const { growthForm } = file.situation.traits;
  return { pot, potMaterial, supportCm, together, growthForm, heightCm: heightOf(file).cm };
}
export type Drawn = ReturnType<typeof drawnOf>;

/** What is taken for a support whose kind nobody said: the lightest there is. */
const UNKNOWN_KIND = 'stake';

/** A support with its weights, dry and wet. */
export function weighSupport({ lengthCm, kind, section }: HousedSupport): StandingSupport {
  const of = kind ?? UNKNOWN_KIND;
  const shape = section ?? supportKind(of).section;
  const { dryKg, wetKg } = supportMaterial(of, shape, lengthCm);
  return { lengthCm, dryKg, wetKg, sectionCm2: sectionAreaCm2(shape) };
}

export function supportOf(plant: PlantRow): StandingSupport | undefined {
  const { supportCm: lengthCm, supportKind: kind, supportSection, supportId } = plant;
  if (lengthCm === null) return undefined;
  return weighSupport({ lengthCm, kind, section: supportSection ?? null, supportId });
}

export type ShownPlant = ReturnType<typeof withTaxon>;
/** Adds the catalogue's names, so that lists need no second call. */
export function withTaxon(row: PlantRow) {
  const { common, group, groupLabel } = taxonOf(row);
  return { ...row, common, group, groupLabel };
}

/** What is followed for a plant: its own choice, else its group's, else the collection's. */
export const schoolsOf = (plant: PlantRow, settings: Settings, taxon = taxonOf(plant)): Schools =>
  schoolsFollowed(settings, plant.schools, settings.groupSchools[taxon.group]);
