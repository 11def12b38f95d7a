import type { TaskRow as Task } from '../../../server/src/services/tasks.ts';
export type { Task };
export type { NextOn, Rounds, RoundsAsk, Stop } from '../../../server/src/services/rounds.ts';
export type { Unjudged } from '../../../server/src/services/judging.ts';
export type {
  VerdictsOn,
  Summary as VerdictSummary,
} from '../../../server/src/services/verdicts.ts';
import type {
  Beta,
  CareKind,
  BenchState,
  Checkpoint,
  Comparison,
  Component,
  ComponentRecord,
  Decision,
  Factor,
  FitPlan,
  FirstPot,
  FirstWaterSchool,
  FlushSchool,
  Grade,
  GrowthRate,
  KitchenReading,
  LearnedLife,
  LightClass,
  MediumKind,
  Method,
  MoveOnAdvice,
  OldMediumSchool,
  OwnNumbers,
  PotExtra,
  PotMaterialId,
  PotShape,
  PotTone,
  Practice,
  Quarantine,
  Recipe,
  RecipePart,
  ReservoirState,
  RootPace,
  RotSchool,
  Section,
  Seen,
  Signals,
  Situation,
  SizeSchool,
  StandingSupport,
  SupportKindId,
  SupportWish,
  Tally,
  Taxon,
  ToPebbles,
  Traits,
  TrayMedium,
  TrayMethod,
  TraySuccess,
  VerdictKind,
  WaterFindings,
  WeakRootSchool,
  WettingSchool,
  WhenSchool,
  WickKind,
  WinterSchool,
  Settings as KeeperSettings,
} from '@fernbank/core';

export type { FitPlan, PlannedSupport, SupportWish } from '@fernbank/core';

/** What the API answers with. */

interface Row {
  id: number;
  rev: number;
}

export interface Page<T> {
  items: T[];
  nextCursor: number | null;
}

export interface Plant extends Row {
  name: string;
  taxon: string;
  groupId: string | null;
  common: string;
  groupLabel: string;
  spotId: number;
  acquired: string | null;
  pot: PotShape;
  potMaterial: PotMaterialId;
  potId: number | null;
  mediumKind: MediumKind;
  recipeId: string | null;
  mediumParts: RecipePart[] | null;
  lastRepot: string | null;
  heightCm: number | null;
  supportCm: number | null;
  supportKind: SupportKindId | null;
  supportSection: Section | null;
  supportId: number | null;
  supportWish: SupportWish;
  stems: number;
  coverId: number | null;
  schools: {
    when?: WhenSchool;
    size?: SizeSchool;
    oldMedium?: OldMediumSchool;
    firstWater?: FirstWaterSchool;
    weakRoots?: WeakRootSchool;
    rot?: RotSchool;
    toPebbles?: ToPebbles;
    flush?: FlushSchool;
    winter?: WinterSchool;
  };
  goneOn: string | null;
  apartSince: string | null;
  clearedOn: string | null;
  traits: Partial<Traits>;
  note: string;
}

export interface SpotRow extends Row {
  name: string;
  sortOrder: number;
  latitudeDeg: number;
  indoors: boolean;
  temperatureC: number | number[];
  relativeHumidity: number;
  light: LightClass;
  lampHours: number;
  headroomCm: number | null;
}

export interface ShelfPot extends Row {
  label: string;
  shape: PotShape;
  material: PotMaterialId;
  emptyKg: number | null;
  count: number;
  free: number;
  role: 'pot' | 'cover';
  soaking: number;
  soakingSince: string | null;
  apart: number;
  holes: number | null;
  tone: PotTone | null;
  reservoirL: number;
  wicks: number;
  hangs: boolean;
  fillL?: number;
}

export interface ShelfSupport extends Row {
  label: string;
  kind: SupportKindId;
  section: Section;
  lengthCm: number;
  extension: boolean;
  count: number;
  free: number;
}

export interface PlanRow extends Row {
  plantId: number;
  date: string;
  fit: FitPlan;
}

/** A plan with what it asks of the tub. */
export interface NamedPlan extends PlanRow {
  name: string;
  taxon: string;
  parts: RecipePart[];
  filledL: number;
  extras: PotExtra[];
}

/** A component as the keeper has it, and what there is of it. Found by its id, a string. */
export interface PantryComponent extends Component {
  rev: number;
  shipped: boolean;
  own: OwnNumbers;
  handling: NonNullable<ComponentRecord['handling']>;
  wetting: WettingSchool | null;
  grade: string;
  note: string;
  bagL: number | null;
  pricePerBag: number | null;
  bags: number;
  openL: number;
  kitchen: { on: string; reading: KitchenReading } | null;
  removed: boolean;
}

export interface PantryRecipe extends Recipe {
  rev: number;
  shipped: boolean;
  removed: boolean;
}
export interface RecipeVersion {
  id: number;
  version: number;
  label: string;
  parts: RecipePart[];
  extras: Recipe['extras'];
  until: string;
}

/** What a plant could be fitted with. */
export interface Fitting {
  pots: ShelfPot[];
  covers: ShelfPot[];
  presentCover: ShelfPot | null;
  presentPot: ShelfPot | null;
  supports: ShelfSupport[];
  handDowns: {
    plantId: number;
    name: string;
    pot: PotShape;
    potMaterial: PotMaterialId;
    potId: number | null;
    /** the Monday of the week in which it is left, where that is later than it would be wanted */
    leftIn: string | null;
  }[];
  headroomCm: number | null;
  /** the settled potting day that it is part of, and the recipe that stands mixed for it */
  day: { id: number; date: string; mixedRecipe: string | null } | null;
  plan: PlanRow | null;
}

export interface Look extends Row {
  plantId: number;
  date: string;
  signals: Signals;
  note: string;
}

export interface Measurement extends Row {
  plantId: number;
  date: string;
  minute: number | null;
  kind:
    | 'weightKg'
    | 'heightCm'
    | 'watered'
    | 'leafCount'
    | 'leafCm'
    | 'reservoirPh'
    | 'reservoirEcMsCm'
    | 'reservoirFilledL'
    | 'reservoirFlushed'
    | 'reservoirLeft'
    | 'wickDamp'
    | 'saltCrust'
    | CareKind;
  value: number;
}

export interface Photo extends Row {
  plantId: number;
  date: string;
  bytes: number;
}

export interface Overrule extends Row {
  plantId: number;
  date: string;
  advised: VerdictKind;
  instead: 'repotNow' | 'leave';
  until: string;
  reason: string;
}

export interface Climate {
  count: number;
  newest: { at: string; temperatureC: number; relativeHumidity: number } | null;
  monthlyC: (number | null)[];
  relativeHumidity: number | null;
  days: { date: string; lowC: number; meanC: number; highC: number; relativeHumidity: number }[];
}

interface Housing {
  pot: PotShape;
  potMaterial: PotMaterialId;
  mediumKind: MediumKind;
  recipeId: string | null;
}

export interface Repot extends Row {
  plantId: number;
  date: string;
  /** by which it is taken back; null: the history does not know it */
  deed: number | null;
  before: Housing & { fromBatch?: { id: number } };
  after: Housing;
  mixedIn: {
    label: string;
    version?: number;
    extras?: PotExtra[];
    filledL: number;
    mixedL: number;
    scoopL: number;
    measures: { component: string; label: string; litres: number; scoops: number }[];
  } | null;
  rootsCut: boolean;
  practice: Practice | null;
  liveRoots: number | null;
  pieces: number;
  note: string;
}

/** What became of a repot at a checkpoint. */
export interface Outcome extends Row {
  plantId: number;
  repotId: number;
  at: Checkpoint;
  date: string;
  grade: Grade;
  seen: Seen[];
  photoId: number | null;
  note: string;
  /** by which it is taken back; null: the history does not know it */
  deed: number | null;
}

/** A plant on the bench, as every device shows it. */
export interface BenchRow extends BenchState {
  plantId: number;
  name: string;
}

/** A plant over water with how its reservoir stands. */
export interface OverWater {
  plantId: number;
  name: string;
  spot: string;
  reservoir: { rev: number; fullL: number; wick: WickKind | null; note: string };
  state: ReservoirState;
  school: FlushSchool;
  winter: WinterSchool;
}

export interface BatchLook extends Row {
  batchId: number;
  date: string;
  rooted: number;
  rootCm: number | null;
  roots: number | null;
  branching: boolean | null;
  lost: number;
  note: string;
  /** by which it is taken back; null: the history does not know it */
  deed: number | null;
}

/** A batch of the propagation tray, with what it asks for. */
export interface TrayBatch extends Row {
  method: TrayMethod;
  medium: TrayMedium;
  parentId: number | null;
  name: string;
  taxon: string;
  groupId: string | null;
  common: string;
  spotId: number;
  date: string;
  count: number;
  lost: number;
  pottedOn: number;
  living: number;
  nodes: number | null;
  planned: boolean;
  note: string;
  looks: BatchLook[];
  advice: MoveOnAdvice;
  expectedOn: string;
  lookOn: string | null;
  first: FirstPot;
  children: { id: number; name: string }[];
}

/** What worked in this collection. */
export interface Worked {
  cases: number;
  groups: string[];
  factors: { factor: Factor; label: string; tallies: (Tally & { belief: Beta })[] }[];
  comparisons: Comparison[];
  tray: TraySuccess[];
}

export interface PlantFile {
  plant: Plant;
  taxon: Taxon;
  spot: SpotRow;
  situation: Situation;
  decision: Decision;
  lookDue: { date: string; why: string; worth: number };
  overrule: Overrule | null;
  overrules: Overrule[];
  quarantine: Quarantine | null;
  learned: { pace: RootPace | null; life: LearnedLife | null; stays: number };
  outcomes: Outcome[];
  /** how other repots of its newest method went */
  worked: { method: Method; label: string; tally: Tally } | null;
  reservoir: OverWater | null;
  water: WaterFindings | null;
  growth: GrowthRate | null;
  photos: Photo[];
  height: { cm: number; typical: boolean };
  support: StandingSupport | null;
  cover: ShelfPot | null;
  looks: Look[];
  repots: Repot[];
  measurements: Measurement[];
  tasks: Task[];
}

/** The keeper's choices, and the day it is where the server stands. */
export type Settings = KeeperSettings & { today: string };
