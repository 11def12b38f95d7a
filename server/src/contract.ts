import type { CoverFit, Grade, Seen, Settings, Taxon, TaxonGroup } from '@fernbank/core';
import type { plans, recipeVersions } from './db/schema.ts';
import type { CopyList } from './routes/copies.ts';
import type { DeedShown, HistoryPage } from './history/reading.ts';
import type { DeskAnswer } from './importing/desk.ts';
import type { ShownComponent } from './routes/components.ts';
import type { ShownDay } from './routes/days.ts';
import type { PhoneCode, PhonesNow } from './phones/phones.ts';
import type { ShownDevice, Way } from './routes/door.ts';
import type { ShownRecipe } from './routes/recipes.ts';
import type { ShownPot } from './routes/shelf.ts';
import type { ShownBatch } from './routes/tray.ts';
import type { OnBench } from './services/benches.ts';
import type { FoundInDemo, FoundInTray } from './demo.ts';
import type { AheadAnswer } from './services/ahead.ts';
import type { DemoNow } from './routes/demo.ts';
import type { Climate } from './services/climate.ts';
import type { ShownPlant, SpotRow } from './services/collection.ts';
import type { AnswerOf } from './reader/questions.ts';
import type { Fitting, Offered, PlanWithPlant } from './services/fitting.ts';
import type { PhotoRow } from './services/photos.ts';
import type { LookRow, MeasurementRow, OverruleRow, RepotRow } from './services/records.ts';
import type { OverWater, ReservoirRow } from './services/reservoirs.ts';
import type { AllFine, NextOn, Rounds } from './services/rounds.ts';
import type { Visited } from './services/seeing.ts';
import type { PotRow, SupportRow } from './services/shelf.ts';
import type { ShownTask } from './services/tasks.ts';
import type { BatchLookRow, BatchRow } from './services/tray.ts';
import type { VerdictsOn } from './services/verdicts.ts';
import type { WholePlant } from './services/wholePlant.ts';
import type { OutcomeRow } from './services/records.ts';
import type { Worked } from './services/worked.ts';
import type { TrackRecord } from './track/trackRecord.ts';

export type { DayAsk } from './services/dayReach.ts';
export type { DayEvent } from './services/days.ts';

export interface Page<Row> {
  items: Row[];
  nextCursor: number | null;
}
export type PlanRow = typeof plans.$inferSelect;
export type RecipeVersion = typeof recipeVersions.$inferSelect;
/** The keeper's choices, and the day it is where the server stands. */
export type SettingsNow = Settings & {
  today: string;
  /** it is a garden made up for trying whose time goes on when asked */
  clock: boolean;
};

interface DoorNow {
  needed: boolean;
  signedIn: boolean;
  device: string | null;
  way: Way;
}
/** The collection was put in place of another, which is kept as a copy of that name. */
interface Restored {
  deed: number;
  before: string;
}

/** Of a resource of rows: listed and read. */
type Read<At extends string, Row> = Record<`GET ${At}`, Page<Row>> & Record<`GET ${At}/:id`, Row>;
/** And made and changed. */
type Kept<At extends string, Row> = Read<At, Row> & Record<`POST ${At}` | `PATCH ${At}/:id`, Row>;

interface Single {
  'GET /rounds': Rounds;
  'GET /rounds/next': NextOn;
  'GET /verdicts': VerdictsOn;
  'GET /plants/:id/file': WholePlant;
  'GET /plants/:id/fitting': Fitting;
  'GET /fitting': Offered;
  'GET /plans': Page<PlanWithPlant>;
  'POST /plants/alike': { items: ShownPlant[] };
  'POST /plants/asked': ShownPlant;
  'PUT /plants/:id/plan': PlanRow;
  'POST /spots/:id/fine': AllFine;
  'GET /spots/:id/readings': Climate;
  'GET /recipes/:id/versions': Page<RecipeVersion>;
  'POST /components/:id/kitchen-test': ShownComponent;
  'POST /components/stock': { items: ShownComponent[] };
  'POST /measurements/together': { plants: number };
  'POST /tasks/together': { tasks: number };
  'POST /repots': RepotRow & { tasks: ShownTask[] };
  'POST /visits': Visited;
  'GET /worked': Worked;
  'GET /benches': Page<OnBench>;
  'POST /benches/:id/events': OnBench;
  'GET /days/now': Page<ShownDay>;
  'GET /days/:id/problem': AnswerOf<'dayProblem'>;
  'POST /days/:id/settle': ShownDay;
  'POST /days/:id/reopen': ShownDay;
  'POST /days/:id/events': ShownDay;
  'POST /days/:id/close': ShownDay;
  'POST /days/:id/undo': ShownDay;
  'GET /ahead': AheadAnswer;
  'POST /ahead/calendar': { ics: string };
  'GET /track-record': TrackRecord;
  'GET /reservoirs': Page<OverWater>;
  'GET /reservoirs/:id': { reservoir: OverWater | null };
  'PUT /reservoirs/:id': ReservoirRow;
  'GET /batches/tray': Page<ShownBatch>;
  'GET /batches/:id/file': ShownBatch;
  'POST /batches/:id/looks': BatchLookRow;
  'POST /batches/:id/pot-on': { plantIds: number[] };
  'GET /photos': { items: { plantId: number; id: number; date: string }[] };
  'POST /photos': PhotoRow;
  'POST /spots/:id/readings': { kept: number };
  'GET /pots/:id/covers': Page<CoverFit & Pick<PotRow, 'id' | 'label' | 'free'>>;
  'GET /groups': { items: readonly TaxonGroup[]; nextCursor: null };
  'GET /settings': SettingsNow;
  'PATCH /settings': SettingsNow;
  'GET /demo': DemoNow;
  'POST /demo/on': Pick<DemoNow, 'day'>;
  'POST /demo/anew': Pick<DemoNow, 'day'>;
  'GET /demo/plants/:id/look': FoundInDemo;
  'GET /demo/batches/:id/look': FoundInTray;
  'GET /demo/repots/:id/outcome': { grade: Grade; seen: Seen[] };
  'GET /door': DoorNow;
  'POST /door': DoorNow;
  'POST /door/code': DoorNow;
  'GET /phones': PhonesNow;
  'POST /phones': PhonesNow;
  'POST /phones/code': PhoneCode;
  'GET /devices': { items: ShownDevice[] };
  'POST /devices/calendar': { address: string };
  'GET /history': HistoryPage;
  'POST /history/:id/undo': { deed: number | null };
  'GET /bin': { days: number; items: DeedShown[] };
  'POST /imports': DeskAnswer<'read'>;
  'POST /imports/:token/preview': DeskAnswer<'preview'>;
  'POST /imports/:token/run': Pick<DeskAnswer<'run'>, 'counts'>;
  'POST /copies/:name/restore': Restored;
  'POST /backup': Restored & { rows: number; photos: number };
  'GET /copies': CopyList;
  'POST /copies': CopyList;
  'GET /tables': { items: { name: string; rows: number }[] };
  'GET /taxa': Page<Taxon>;
}

/** What goes out as a file or as a stream, and is no JSON. */
export interface Files {
  [csv: `GET /tables/${string}.csv` | `GET /days/:id/${string}.csv`]: string;
  'GET /tasks/calendar.ics': string;
  'GET /backup/schema.json': string;
  'POST /imports/:token/refused.csv': string;
  'GET /backup': unknown;
  'GET /photos/:id': unknown;
  'GET /events': unknown;
}

/**
 * What the API answers with, route by route. Handlers are held to it as they are written, and the
 * interface is read against it, so that neither can say what the other does not.
 */
export interface Answers
  extends
    Single,
    Kept<'/plants', ShownPlant>,
    Kept<'/spots', SpotRow>,
    Kept<'/pots', ShownPot>,
    Kept<'/supports', SupportRow>,
    Kept<'/components', ShownComponent>,
    Kept<'/recipes', ShownRecipe>,
    Kept<'/looks', LookRow>,
    Kept<'/measurements', MeasurementRow>,
    Read<'/repots', RepotRow>,
    Kept<'/tasks', ShownTask>,
    Kept<'/overrules', OverruleRow>,
    Kept<'/outcomes', OutcomeRow>,
    Kept<'/days', ShownDay>,
    Kept<'/batches', BatchRow> {}
