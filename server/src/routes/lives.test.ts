import {
  addDays,
  daysBetween,
  isTaskOver,
  nominalPot,
  type IsoDate,
  type Signals,
  type TaskRule,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { plants } from '../db/schema.ts';
import { plantFile } from '../services/collection.ts';
import { readSettings } from '../services/settings.ts';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

/*
 * Whatever is seen and done with a plant, and however much time goes by: no finding outlives the deed that
 * answered it, none comes back, and nothing is asked for that its repot, its tick or its time has ended.
 */

/** Which findings a deed ends: written down before the table was asked; common practice, no source. */
const ENDS: Record<string, readonly string[]> = {
  watered: ['limp'],
  flush: ['saltCrust'],
  secure: ['wobble', 'vinePastSupport'],
  treatPests: ['pests'],
  topDress: ['algae', 'mediumSunk'],
  soak: ['waterRunsThrough'],
};
/** A tick in the aftercare is as good as the deed. */
const TICKS: Partial<Record<TaskRule, keyof typeof ENDS>> = {
  firstWater: 'watered',
  secondWater: 'watered',
  secure: 'secure',
  flushSalts: 'flush',
};
/** What was seen longer ago than a season says nothing of today. */
const SEASON_DAYS = 90;
/** Of what became of a repot, that which is a finding too. */
const SEEN = { shrivel: { limp: true }, rocks: { wobble: 'leans' } } as const;

const days = fc.integer({ min: 0, max: 70 });
const signals = fc.record(
  {
    limp: fc.boolean(),
    saltCrust: fc.constantFrom('none', 'some', 'thick'),
    wobble: fc.constantFrom('no', 'leans'),
    pests: fc.constantFrom('none', 'mealy', 'gnats'),
    algae: fc.boolean(),
    smell: fc.constantFrom('fresh', 'sour'),
    growth: fc.constantFrom('stalled', 'normal', 'vigorous'),
    rootsAtHoles: fc.constantFrom('none', 'every'),
    coldHurt: fc.boolean(),
  },
  { requiredKeys: [] },
);
const step = fc.oneof(
  { weight: 4, arbitrary: fc.record({ kind: fc.constant('look' as const), days, signals }) },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constant('deed' as const),
      days,
      deed: fc.constantFrom(...Object.keys(ENDS)),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('repot' as const),
      days,
      medium: fc.constantFrom('peatSoil', 'bark', 'pebbles'),
      rootsCut: fc.boolean(),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('outcome' as const),
      days,
      seen: fc.constantFrom<(keyof typeof SEEN)[]>([], ['shrivel'], ['rocks']),
    }),
  },
  {
    weight: 3,
    arbitrary: fc.record({ kind: fc.constant('tick' as const), days, which: fc.nat({ max: 5 }) }),
  },
);
type LifeStep = ReturnType<typeof step.generate>['value'];

const RECIPES = { peatSoil: 'everyday', bark: 'barkEpiphyte', pebbles: 'pebblesOnly' } as const;

class Life {
  /** what should be known of it, oldest first; null: repotted, all that was known is of another pot */
  readonly #told: ({ on: IsoDate; finds: Signals } | { on: IsoDate; ends: readonly string[] })[] =
    [];
  #repotted: IsoDate | null = null;
  #repotId = 0;
  readonly #app: TestApp;
  readonly #hands: ReturnType<typeof handsOf>;
  readonly #clock: { today: IsoDate };
  #plantId = 0;

  constructor(app: TestApp, clock: { today: IsoDate }) {
    this.#app = app;
    this.#clock = clock;
    this.#hands = handsOf(() => app);
  }
  async begin(): Promise<this> {
    const pot = nominalPot(13, 'standard');
    this.#plantId = (await this.#hands.addPlant({ pot, lastRepot: null })).id;
    return this;
  }

  async do(one: LifeStep): Promise<void> {
    const on = addDays(this.#clock.today, one.days);
    this.#clock.today = on;
    const plantId = this.#plantId;
    switch (one.kind) {
      case 'look': {
        if (Object.keys(one.signals).length === 0) return;
        await this.#hands.add('/api/visits', { plantId, date: on, signals: one.signals });
        this.#told.push({ on, finds: one.signals });
        return;
      }
      case 'deed':
        await this.#hands.add('/api/measurements', { plantId, date: on, kind: one.deed, value: 1 });
        this.#told.push({ on, ends: ENDS[one.deed]! });
        return;
      case 'repot': {
        const pot = nominalPot(14, 'standard');
        const mediumKind = one.medium as keyof typeof RECIPES;
        const made = { plantId, date: on, pot, mediumKind, recipeId: RECIPES[mediumKind] };
        // Twice on one day is asked about, and done once.
        if (this.#repotted === on) return;
        const answer = await this.#hands.add('/api/repots', { ...made, rootsCut: one.rootsCut });
        this.#repotId = answer.id;
        this.#repotted = on;
        this.#told.length = 0;
        return;
      }
      case 'outcome': {
        if (this.#repotted === null || daysBetween(this.#repotted, on) < 1) return;
        const grade = one.seen.length > 0 ? 'suffers' : 'thrives';
        const body = { repotId: this.#repotId, date: on, grade, seen: one.seen };
        const answer = await this.#app.call.post('/api/outcomes').send(body);
        expect(answer.status, JSON.stringify(answer.body)).toBeLessThan(500);
        if (answer.status !== 201) return;
        const finds: Signals = Object.assign({}, ...one.seen.map((id) => SEEN[id]));
        this.#told.push({ on, finds });
        return;
      }
      case 'tick': {
        const open = (await this.tasks()).filter(({ done }) => done === null);
        const task = open[one.which];
        if (!task || task.due > on) return;
        await this.#app.call.patch(`/api/tasks/${task.id}`).send({ done: on }).expect(200);
        const deed = TICKS[task.rule];
        if (deed && !task.title.startsWith('Fill the reservoir')) {
          this.#told.push({ on, ends: ENDS[deed]! });
        }
      }
    }
  }

  tasks = async (): Promise<
    {
      id: number;
      rule: TaskRule;
      due: IsoDate;
      until: IsoDate | null;
      done: IsoDate | null;
      repotId: number | null;
      title: string;
    }[]
  > => (await this.#hands.get(`/api/tasks?plantId=${this.#plantId}&limit=500`)).items;

  /** What ought to be known today, by the order of what was told. */
  #known(): Record<string, unknown> {
    const known = new Map<string, unknown>();
    for (const told of this.#told) {
      if ('ends' in told) told.ends.forEach((id) => known.delete(id));
      else if (daysBetween(told.on, this.#clock.today) <= SEASON_DAYS) {
        Object.entries(told.finds).forEach(([id, value]) => known.set(id, value));
      }
    }
    return Object.fromEntries(known);
  }

  async check(): Promise<void> {
    const { db } = this.#app.context;
    const { today } = this.#clock;
    const row = db.select().from(plants).where(eq(plants.id, this.#plantId)).get()!;
    const { situation } = plantFile(db, row, today, readSettings(db));
    expect(situation.signals, `on ${today}`).toEqual(this.#known());

    const tasks = await this.tasks();
    const open = tasks.filter(({ done }) => done === null);
    for (const { rule, due, repotId } of open) {
      if (repotId !== null) expect(repotId, `${rule} of the newest repot`).toBe(this.#repotId);
      if (this.#repotted) expect(due >= this.#repotted, `${rule} on ${due}`).toBe(true);
    }
    const asked = open
      .filter(({ rule, due, until }) => !isTaskOver({ rule, due, until }, today))
      .map(({ rule }) => rule);
    expect(asked, 'each is asked for once').toEqual([...new Set(asked)]);
  }

  async checkRounds(): Promise<void> {
    const { today } = this.#clock;
    const open = (await this.tasks()).filter(({ done }) => done === null);
    const rounds = await this.#hands.get(`/api/rounds?date=${today}`);
    const asks: { kind: string; task?: { id: number; due: IsoDate; until: IsoDate | null } }[] =
      rounds.spots.flatMap((spot: { plants: { asks: object[] }[] }) =>
        spot.plants.flatMap((plant) => plant.asks),
      );
    for (const { task } of asks) {
      if (!task) continue;
      expect(
        open.some(({ id }) => id === task.id),
        'an ask is an open task',
      ).toBe(true);
      expect(task.until === null || task.until >= today, 'a span that is over').toBe(true);
      if (task.until === null)
        expect(daysBetween(task.due, today), JSON.stringify(task)).toBeLessThanOrEqual(180);
    }
  }
}

it('no finding outlives its deed and no task its sense, over any life of a plant', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 16 }), async (steps) => {
      const clock = { today: addDays(TODAY, -500) };
      const app = testApp({ today: () => clock.today });
      try {
        const life = await new Life(app, clock).begin();
        for (const one of steps) {
          await life.do(one);
          await life.check();
        }
        await life.checkRounds();
      } finally {
        app.close();
      }
    }),
    { numRuns: 20 },
  );
}, 120_000);
