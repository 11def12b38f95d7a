import type { Answers } from './contract.ts';

/** What the API answers with, by the names that the interface gives it. */

type RowOf<Route extends keyof Answers> = Answers[Route] extends { items: (infer Row)[] }
  ? Row
  : never;

export type { FitPlan, PlannedSupport, SupportWish } from '@fernbank/core';
export type { DayAsk, DayEvent, Page } from './contract.ts';

export type Plant = Answers['GET /plants/:id'];
export type SpotRow = Answers['GET /spots/:id'];
export type ShelfPot = Answers['GET /plants/:id/fitting']['pots'][number];
/** With what it holds inside, L. */
export type FilledPot = Answers['GET /pots/:id'];
export type ShelfSupport = Answers['GET /supports/:id'];
export type PlanRow = Answers['PUT /plants/:id/plan'];
/** A plan with what it asks of the tub. */
export type NamedPlan = RowOf<'GET /plans'>;
/** A component as the keeper has it, and what there is of it. Found by its id, a string. */
export type PantryComponent = Answers['GET /components/:id'];
export type PantryRecipe = Answers['GET /recipes/:id'];
export type RecipeVersion = RowOf<'GET /recipes/:id/versions'>;
export type Fitting = Answers['GET /plants/:id/fitting'];
export type Offered = Answers['GET /fitting'];
export type Climate = Answers['GET /spots/:id/readings'];
export type Photo = Answers['POST /photos'];
export type Task = Answers['GET /tasks/:id'];
/** A plant on the bench, as every device shows it. */
export type BenchRow = Omit<RowOf<'GET /benches'>, 'id' | 'rev' | 'createdAt' | 'updatedAt'>;
export type OverWater = RowOf<'GET /reservoirs'>;
/** A batch of the propagation tray, with what it asks for. */
export type TrayBatch = RowOf<'GET /batches/tray'>;
export type BatchLook = TrayBatch['looks'][number];
export type Worked = Answers['GET /worked'];
export type Settings = Answers['GET /settings'];

export type PlantFile = Answers['GET /plants/:id/file'];
export type Look = PlantFile['looks'][number];
export type Measurement = PlantFile['measurements'][number];
/** With the deed by which it is taken back; null: the history does not know it. */
export type Repot = PlantFile['repots'][number];
export type Outcome = PlantFile['outcomes'][number];
export type Overrule = PlantFile['overrules'][number];

export type Rounds = Answers['GET /rounds'];
/** A spot of the walk. */
export type Stop = Rounds['spots'][number];
export type RoundsAsk = Stop['plants'][number]['asks'][number];
export type Unjudged = Rounds['unjudged'][number];
export type VerdictsOn = Answers['GET /verdicts'];
export type VerdictSummary = VerdictsOn['items'][number];

export type Day = Answers['GET /days/:id'];
/** All that a day is chosen from. */
export type DayProblemAnswer = Answers['GET /days/:id/problem'];
/** A plant that a day does not consider. */
export type NotAsked = DayProblemAnswer['notAsked'][number];

export type HistoryPage = Answers['GET /history'];
export type Deed = HistoryPage['items'][number];
export type Entry = Deed['entries'][number];
export type CopyList = Answers['GET /copies'];
export type Copy = CopyList['items'][number];
/** What is being done with the whole collection, and how far it has come. */
export type Working = NonNullable<CopyList['working']>;
export type PhoneCode = Answers['POST /phones/code'];
/** By what one comes in. */
export type Way = Answers['GET /door']['way'];
export type DeviceRow = Answers['GET /devices']['items'][number];
/** A file of rows that was read, before anything is brought in. */
export type ReadFile = Answers['POST /imports'];
export type Mapping = NonNullable<ReadFile['remembered']>;
export type Preview = Answers['POST /imports/:token/preview'];
export type FateKind = keyof Preview['counts'];
