import type {
  Avoided,
  Component,
  ComponentRecord,
  Decision,
  DrainageLayer,
  FirstWaterSchool,
  GrownSchool,
  GrowthRate,
  KitchenReading,
  LightClass,
  MediumKind,
  OldMediumSchool,
  OwnNumbers,
  PotExtra,
  PotMaterialId,
  PotShape,
  PotSource,
  PotTone,
  Recipe,
  RecipePart,
  RootCuts,
  Section,
  Signals,
  Situation,
  SizeSchool,
  StandingSupport,
  SupportGoal,
  SupportKindId,
  TaskKind,
  Taxon,
  Traits,
  VerdictKind,
  WaterFindings,
  WettingSchool,
  WhenSchool,
} from '@fernbank/core';

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
  };
  traits: Partial<Traits>;
  note: string;
}

/** What the keeper wants of a plant's support. */
export interface SupportWish {
  goal?: SupportGoal;
  minutesPerWeek?: number | null;
  school?: GrownSchool;
  wound?: boolean;
  internodeCm?: number;
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

/** A pot, a mix and a support that were settled on together. */
export interface FitPlan {
  pot: PotShape;
  potMaterial: PotMaterialId;
  potLabel: string;
  potId: number | null;
  potSource: PotSource;
  leftBy?: string;
  recipeId: string;
  /** as they are to be mixed, where they are not the recipe's own */
  parts?: RecipePart[];
  size: SizeSchool;
  layer: DrainageLayer;
  cuts: RootCuts;
  support: PlannedSupport | null;
}
export interface PlannedSupport {
  kind: SupportKindId;
  section: Section;
  lengthCm: number;
  stock: { id: number | null; lengthCm: number } | null;
  poles: number;
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
    week: string | null;
  }[];
  headroomCm: number | null;
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
    | 'reservoirEcMsCm';
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
  before: Housing;
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
  note: string;
}

export interface Task extends Row {
  plantId: number;
  repotId: number | null;
  kind: TaskKind;
  due: string;
  title: string;
  why: string;
  done: string | null;
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

export interface VerdictSummary {
  plantId: number;
  name: string;
  taxon: string;
  common: string;
  spot: string;
  pot: PotShape;
  potMaterial: PotMaterialId;
  mediumKind: MediumKind;
  recipeId: string | null;
  heightCm: number;
  growthForm: Traits['growthForm'];
  supportCm: number | null;
  verdict: VerdictKind;
  week: string | null;
  lookAgain: string | null;
  lookFirst: boolean;
  unpotFirst: boolean;
  troubleshootFirst: boolean;
  group: string;
  groupLabel: string;
  overrule: Pick<Overrule, 'instead' | 'until' | 'reason'> | null;
  lookWorth: number;
  bloom: number;
  refresh: string[];
  states: Decision['states'];
  costOfWaiting: number;
  contradictions: string[];
  reasons: Decision['reasons'];
  readiness: number[];
}

export type RoundsAsk =
  | { kind: 'act'; due: string; why: string }
  | { kind: 'look'; due: string; why: string; worth: number }
  | { kind: 'task'; task: Task };

export interface Rounds {
  date: string;
  mostWorth: number[];
  spots: {
    id: number;
    name: string;
    quiet: number;
    plants: {
      plantId: number;
      name: string;
      taxon: string;
      verdict: VerdictKind;
      lookFirst: boolean;
      asks: RoundsAsk[];
    }[];
  }[];
}

export interface Settings {
  collectionName: string;
  units: 'metric' | 'us';
  whenSchool: WhenSchool;
  sizeSchool: SizeSchool;
  oldMediumSchool: OldMediumSchool;
  groupSchools: Record<
    string,
    { when?: WhenSchool; size?: SizeSchool; oldMedium?: OldMediumSchool }
  >;
  firstWaterSchool: FirstWaterSchool;
  scoopL: number | null;
  tubL: number | null;
  avoided: Avoided;
  wettingSchool: WettingSchool;
  currency: string;
  demo: boolean;
  today: string;
}
