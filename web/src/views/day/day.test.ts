import {
  component,
  nominalPot,
  TYPICAL_HANDS,
  USUAL_OVERHEADS,
  type DayProblem,
  type LaidDay,
  type Pin,
} from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import highsLoader from 'highs';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Day } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import { useBench } from '../../stores/bench.ts';
import { useDay } from '../../stores/day.ts';
import { useLive } from '../../stores/live.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import {
  STAMP,
  fakeServer,
  open,
  pantryAnswers,
  refuse,
  TODAY,
  type FakeServer,
} from '../../test/harness.ts';
import { dayPlanner, type Told } from '../../workers/dayPlanner.ts';
import DayBenchView from './DayBenchView.vue';
import DayListsView from './DayListsView.vue';
import DayOrderView from './DayOrderView.vue';
import DayPotsView from './DayPotsView.vue';
import DayView from './DayView.vue';

vi.setConfig({ testTimeout: 60_000 });
beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

const pot = (id: string, cm: number, over: object) => ({
  id,
  label: id,
  shape: nominalPot(cm),
  material: 'plastic' as const,
  ...over,
});
/** Ribbon gets the tub, Lantern the pot that Ribbon leaves; Driftlace gains nothing. */
const PROBLEM: DayProblem = {
  dates: [{ date: TODAY, minutes: 180 }],
  hands: 1,
  money: 50,
  cleaning: 'rinse',
  overheads: USUAL_OVERHEADS,
  plants: [
    {
      id: 1,
      name: 'Ribbon',
      gain: [0.4],
      tidiness: 'clean',
      mix: 'airy|',
      soakMinutes: 0,
      support: { kind: 'stake', lengthCm: 60, poles: 1 },
      options: [
        { pot: 'shelf-9', minutes: 25, filledL: 4, penalty: 0 },
        { pot: 'standard-24', minutes: 25, filledL: 4, penalty: 0.02 },
      ],
    },
    {
      id: 2,
      name: 'Lantern',
      gain: [0.3],
      tidiness: 'suspect',
      mix: 'airy|',
      soakMinutes: 0,
      support: null,
      options: [{ pot: 'left-1', minutes: 20, filledL: 2, penalty: 0 }],
    },
    {
      id: 3,
      name: 'Driftlace',
      gain: [-0.1],
      tidiness: 'clean',
      mix: 'airy|',
      soakMinutes: 0,
      support: null,
      options: [{ pot: 'standard-24', minutes: 20, filledL: 2, penalty: 0 }],
    },
  ],
  pots: [
    pot('shelf-9', 24, { label: 'tub 24', source: 'shelf', ready: [1] }),
    pot('left-1', 19, { label: 'pot of Ribbon', source: 'left', of: 1 }),
    pot('left-2', 15, { label: 'pot of Lantern', source: 'left', of: 2 }),
    pot('standard-24', 24, { label: '24 cm', source: 'toBuy', price: 4 }),
  ] as DayProblem['pots'],
  mixes: [
    {
      id: 'airy|',
      label: 'airy',
      recipeId: 'airy',
      parts: [
        { ingredient: component('perlite'), parts: 1 },
        { ingredient: component('barkMedium'), parts: 2 },
      ],
    },
  ],
  stock: ['perlite', 'barkMedium'].map((id) => ({
    component: id,
    label: component(id).label,
    bagL: 5,
    bags: 0,
    openL: 3,
    pricePerBag: 6,
    counted: true,
  })),
  poles: [{ kind: 'stake', lengthCm: 120, count: 1 }],
  pins: [],
};
const DAY: Day = {
  ...STAMP,
  plansBefore: [],
  id: 4,
  rev: 1,
  dates: PROBLEM.dates,
  hands: 1,
  money: 50,
  cleaning: 'rinse',
  nextChance: '2026-05-01',
  pins: [],
  state: 'planning',
  plan: null,
  bought: [],
  mixed: [],
  cut: [],
  startedAt: {},
  done: [],
};
let laid: LaidDay;
beforeAll(async () => {
  const planner = dayPlanner(highsLoader());
  const planned = await planner.plan(PROBLEM, 'preWet', () => undefined);
  if (planned.kind !== 'plan') throw new Error('no plan');
  laid = planned.laid;
});

const answer = (pins: Pin[] = []) => ({
  problem: { ...PROBLEM, pins },
  notAsked: [{ plant: 7, name: 'Old Rope', text: 'it is better left as it is' }],
  pace: TYPICAL_HANDS,
});
/** A server that keeps one day. */
function serve(day: Day | null, over: Record<string, unknown> = {}): FakeServer & { day: Day } {
  const server = fakeServer({
    ...pantryAnswers(),
    'GET /days/now': () => ({ items: day ? [server.day] : [], nextCursor: null }),
    'GET /days/4/problem': () => answer(server.day.pins),
    'PATCH /days/4': () => {
      server.day = { ...server.day, ...lastBody(server), rev: server.day.rev + 1 };
      return server.day;
    },
    'POST /days': () => {
      const { carries: _, ...body } = lastBody(server) as Partial<Day> & { carries?: number };
      server.day = { ...DAY, ...body };
      return server.day;
    },
    ...over,
  }) as FakeServer & { day: Day };
  server.day = day ?? DAY;
  return server;
}
const lastBody = (server: FakeServer) => server.calls.at(-1)!.body as Partial<Day>;
/** Waits until the search has ended. */
async function planned(): Promise<void> {
  const store = useDay();
  await vi.waitFor(
    () => expect([store.searching, store.loaded || store.fault !== '']).toEqual([false, true]),
    {
      timeout: 30_000,
      interval: 5,
    },
  );
  await flushPromises();
}
const show = async (view: Parameters<typeof open>[0], path: string) => {
  const opened = await open(view, path);
  await planned();
  return opened;
};
const labelled = (wrapper: Awaited<ReturnType<typeof show>>['wrapper'], label: string) =>
  wrapper.find(`[aria-label="${label}"]`);
const press = (wrapper: Awaited<ReturnType<typeof show>>['wrapper'], text: string) =>
  wrapper
    .findAll('button')
    .find((one) => one.text().includes(text))!
    .trigger('click');
const SETTLED = (): Day => ({ ...DAY, state: 'settled', plan: laid });

describe('planning a day', () => {
  it('plans anew what another window asks otherwise, and only that', async () => {
    const server = serve(DAY);
    await show(DayView, '/day');
    const asked = () => server.calls.filter(({ path }) => path === '/days/4/problem').length;
    const before = asked();
    useLive().told({ tables: ['looks'] });
    await vi.waitUntil(() => server.calls.at(-1)!.path === '/days/now');
    await planned();
    expect(asked()).toBe(before);
    // Another tub is another plan too: a day is laid by the settings there are.
    useSettings().current.tubL = 12;
    await useDay().load();
    expect(asked()).toBe(before + 1);
    server.day = { ...server.day, hands: 2, rev: 2 };
    useLive().told({ tables: ['days'] });
    await vi.waitUntil(() => asked() === before + 2);
    await planned();
    expect(useDay().current?.hands).toBe(2);
  });

  it('asks when and with what; no minutes is named and nothing is sent', async () => {
    const server = serve(null);
    const { wrapper } = await show(DayView, '/day');
    expect(wrapper.text()).toContain(m.day.none);
    const minutes = wrapper.findAll('input').find((one) => one.element.value === '180')!;
    await minutes.setValue('0');
    await wrapper.find('form').trigger('submit');
    expect(wrapper.text()).toContain(m.day.minutesError);
    expect(server.calls.some(({ method }) => method === 'POST')).toBe(false);
    await minutes.setValue('120');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    await planned();
    expect(
      lastBody({ ...server, calls: server.calls.filter((c) => c.method === 'POST') }),
    ).toMatchObject({ dates: [{ minutes: 120 }], hands: 1, cleaning: 'soak' });
    expect(wrapper.text()).toMatch(/2 plants to repot|1 plant to repot/);
  });

  it('shows who is potted, what each saves, the plan by hand, and why the rest is left out', async () => {
    serve(DAY);
    const { wrapper } = await show(DayView, '/day');
    const text = wrapper.text();
    expect(text).toContain('plants to repot: spares them');
    expect(text).toContain(m.day.proven);
    expect(text).toMatch(/Taken one by one/);
    expect(text).toContain('Driftlace');
    expect(text).toContain(m.day.whyLeft.waits);
    expect(text).toContain('would cost about 6 days of growth more than to wait');
    expect(text).toContain('Old Rope');
    expect(text).toContain(m.day.tidiness.suspect);
  });

  it('changed, it closes its form and is planned anew', async () => {
    const server = serve(DAY);
    const { wrapper } = await show(DayView, '/day');
    await press(wrapper, m.day.change);
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(server.day.rev).toBe(DAY.rev + 1);
    expect(wrapper.find('form').exists()).toBe(false);
    await planned();
  });

  it('says of a day that has gone by that it has', async () => {
    const told = async (date: string) => {
      serve({ ...DAY, dates: [{ date, minutes: 120 }] });
      return (await show(DayView, '/day')).wrapper.text().includes(m.day.gone);
    };
    expect(await told('2020-03-14')).toBe(true);
    expect(await told('2099-03-14')).toBe(false);
  });

  it('a pin is one tap, planned with at once, and undone from the notice', async () => {
    const server = serve(DAY);
    const { wrapper } = await show(DayView, '/day');
    await labelled(wrapper, m.day.takeIn('Driftlace')).trigger('click');
    await flushPromises();
    await planned();
    expect(server.day.pins).toEqual([{ kind: 'in', plant: 3 }]);
    expect(labelled(wrapper, m.day.letGo('Driftlace')).exists()).toBe(true);
    server.answers['POST /history/901/undo'] = () => {
      server.day = { ...server.day, pins: [] };
      return { deed: 902 };
    };
    await useNotices().undo();
    await planned();
    expect(server.day.pins).toEqual([]);
    await labelled(wrapper, m.day.leaveOut('Ribbon')).trigger('click');
    await flushPromises();
    await planned();
    expect(server.day.pins).toEqual([{ kind: 'out', plant: 1 }]);
    expect(wrapper.text()).toContain(m.day.whyLeft.banned);
  });

  it('another pot is refused where it would not do, and pinned where it would', async () => {
    const server = serve(DAY);
    const { wrapper } = await show(DayView, '/day');
    const line = wrapper.findAllComponents({ name: 'PlantLine' })[0]!;
    line.vm.$emit('pot', 'left-2');
    await flushPromises();
    expect(useNotices().current!.text).toContain('would not do');
    expect(server.day.pins).toEqual([]);
    line.vm.$emit('pot', 'standard-24');
    await flushPromises();
    await planned();
    expect(server.day.pins).toEqual([{ kind: 'pot', plant: 1, pot: 'standard-24' }]);
    expect(wrapper.text()).toContain(m.day.sources.toBuy);
  });

  it('names pins that cannot hold, and keeps the day from being settled on them', async () => {
    const server = serve({
      ...DAY,
      pins: [
        { kind: 'out', plant: 1 },
        { kind: 'pot', plant: 2, pot: 'left-1' },
      ],
    });
    const { wrapper } = await show(DayView, '/day');
    const alert = wrapper.find('[role="alert"]');
    expect(alert.text()).toContain(m.day.conflict);
    expect(alert.text()).toContain(m.day.pinWords.out('Ribbon'));
    expect(alert.text()).toContain(m.day.pinWords.pot('Lantern', 'pot of Ribbon'));
    await press(wrapper, m.day.dropPin);
    await flushPromises();
    await planned();
    expect(server.day.pins).toHaveLength(1);
  });

  it('settles by pot and date; what changed meanwhile is said and planned anew', async () => {
    let times = 0;
    const changed = 'the collection has changed since this was planned: tub 24: 1 taken of 0';
    const server = serve(DAY, {
      'POST /days/4/settle': () => (times++ === 0 ? refuse(409, changed) : SETTLED()),
    });
    const { wrapper } = await show(DayView, '/day');
    await press(wrapper, m.day.settle);
    await flushPromises();
    expect(useNotices().current!.text).toBe(changed);
    await planned();
    await press(wrapper, m.day.settle);
    await flushPromises();
    const sent = server.calls.filter(({ path }) => path.endsWith('/settle'));
    expect(sent).toHaveLength(2);
    expect(sent[0]!.ifMatch).toBe('"1"');
    expect(sent[0]!.body).toMatchObject({
      moves: expect.arrayContaining([{ plant: 1, pot: 'shelf-9', date: TODAY }]),
    });
    expect(wrapper.text()).toContain(m.day.settledMark);
  });

  it('says that the server is silent, and offers to try again', async () => {
    const server = serve(DAY, { 'GET /days/now': null });
    const { wrapper } = await show(DayView, '/day');
    expect(wrapper.find('[role="alert"]').text()).toContain(m.error.network);
    server.answers['GET /days/now'] = { items: [], nextCursor: null };
    await press(wrapper, m.app.retry);
    await flushPromises();
    expect(wrapper.text()).toContain(m.day.none);
  });
});

describe('the rooms of a settled day', () => {
  it('draws pots from plant to plant, what ends free and what is to buy', async () => {
    serve(SETTLED());
    const { wrapper } = await show(DayPotsView, '/day/pots');
    expect(wrapper.text()).toContain('tub 24');
    expect(wrapper.text()).toContain(m.day.chainFree);
    expect(wrapper.findAll('.chain svg').length).toBeGreaterThanOrEqual(2);
  });

  it('tells the order by the clock, batches in scoops, and whose pace it is', async () => {
    serve(SETTLED());
    const { wrapper } = await show(DayOrderView, '/day/order');
    const rows = wrapper.findAll('tbody tr').map((row) => row.text());
    expect(rows[0]).toContain(m.day.stretch.setUp);
    expect(rows.find((row) => row.includes('Ribbon'))).toMatch(/→ .+, airy/);
    expect(wrapper.find('.batch').text()).toContain(m.day.scoopOf(''));
    const told = wrapper.findAll('.batch').map((batch) => batch.text());
    for (const [i, { pots }] of laid.batches.entries()) {
      expect(pots.filter(({ name }) => told[i]!.includes(name))).toEqual(pots);
    }
  });

  it('tells plants that take as much of a batch once', async () => {
    const [batch] = laid.batches;
    const pots = ['Bell', 'Buoy', 'Capstan'].map((name, i) => ({
      plant: 70 + i,
      name,
      filledL: i < 2 ? 0.66 : 1.2,
      potL: 1,
    }));
    serve({ ...SETTLED(), plan: { ...laid, batches: [{ ...batch!, pots }] } });
    const { wrapper } = await show(DayOrderView, '/day/order');
    expect(wrapper.find('.batch').text()).toContain('660 mL each into Bell, Buoy');
    expect(wrapper.find('.batch').text()).toContain('1.2 L into Capstan');
  });

  it('lists what to buy and to fetch; a bag that was bought goes to the stock', async () => {
    const server = serve(SETTLED(), {
      'POST /days/4/events': () => ({ ...SETTLED(), bought: [{ component: 'barkMedium' }] }),
    });
    const { wrapper } = await show(DayListsView, '/day/lists');
    const text = wrapper.text();
    expect(text).toContain(m.day.shoppingTitle);
    expect(text).toMatch(/bag of 5 L/);
    expect(text).toContain('1 × 120 cm: 1 × 60 cm');
    const box = wrapper.findAll('input[type="checkbox"]')[0]!;
    await box.setValue(true);
    await flushPromises();
    const told = server.calls.find(({ path }) => path === '/days/4/events')!;
    expect(told.body).toMatchObject({ kind: 'bought' });
  });

  it('has no lists to download before the day is settled', async () => {
    serve(DAY);
    const { wrapper } = await show(DayListsView, '/day/lists');
    expect(wrapper.text()).toContain(m.day.notSettled);
  });
});

describe('the day at the bench', () => {
  it('begins, says what is next, and takes a batch off the stock once', async () => {
    const server = serve(SETTLED(), {
      'POST /days/4/events': () => {
        const { kind } = lastBody(server) as { kind: string };
        server.day =
          kind === 'begin'
            ? { ...server.day, startedAt: { [TODAY]: Date.now() } }
            : { ...server.day, mixed: [{ mix: 'airy|', date: TODAY }] };
        return server.day;
      },
    });
    const { wrapper } = await show(DayBenchView, '/day/bench');
    await press(wrapper, m.day.begin);
    await flushPromises();
    expect(wrapper.text()).toContain(m.day.onTime);
    expect(wrapper.find('.now h2').text()).toBe(m.day.mixNow({ label: 'airy', measures: [1, 2] }));
    await press(wrapper, m.day.mixedWord);
    await flushPromises();
    expect(wrapper.find('.now h2').text()).toBe('Ribbon');
    expect(wrapper.find('.now a').attributes('href')).toBe('/plants/1/bench');
  });

  it('says how late it is, and plans the rest anew with the minutes that are left', async () => {
    const late = Date.now() - 150 * 60_000;
    const server = serve(
      {
        ...SETTLED(),
        startedAt: { [TODAY]: late },
        mixed: [{ mix: 'airy|', date: TODAY }],
        done: [{ plantId: 1, repotId: 8, minutes: 31, at: '' }],
        pins: [{ kind: 'in', plant: 1 }],
      },
      { 'POST /days/4/close': () => ({ ...server.day, state: 'closed' }) },
    );
    // A second plant is still to come, and the minutes are over.
    server.day = { ...server.day, dates: [{ date: TODAY, minutes: 155 }] };
    server.day.plan = { ...laid, dates: server.day.dates };
    const lantern = laid.schedules[0]!.stretches.find(({ plant }) => plant === 2)!;
    const { wrapper } = await show(DayBenchView, '/day/bench');
    expect(wrapper.text()).toContain(m.day.late(150 - lantern.from));
    expect(wrapper.text()).toContain(m.day.behindAsk(1));
    expect(wrapper.text()).toMatch(/of airy in the tub/);
    await press(wrapper, m.day.replan);
    await flushPromises();
    const made = server.calls.find(({ method, path }) => method === 'POST' && path === '/days')!;
    expect(made.body).toMatchObject({
      dates: [{ date: TODAY, minutes: 5 }],
      pins: [],
      carries: 4,
    });
  });

  it('follows what another phone does at the same day, by itself', async () => {
    const server = serve(SETTLED());
    const { wrapper } = await show(DayBenchView, '/day/bench');
    expect(wrapper.find('.now h2').text()).not.toBe('Ribbon');
    // The other one begins and mixes: two deeds in a row are one turn.
    server.day = {
      ...server.day,
      startedAt: { [TODAY]: Date.now() },
      mixed: [{ mix: 'airy|', date: TODAY }],
    };
    useLive().told({ tables: ['days'] });
    useLive().told({ tables: ['repots'] });
    await vi.waitUntil(() => wrapper.find('.now h2').text() === 'Ribbon');
    expect(wrapper.text()).toContain(m.day.onTime);
    expect(useLive().newest.tables).toEqual(['days', 'repots']);
  });

  it('what somebody has in hand is not next for the others, and comes back when nothing else is left', async () => {
    serve(
      { ...SETTLED(), startedAt: { [TODAY]: Date.now() }, mixed: [{ mix: 'airy|', date: TODAY }] },
      { 'POST /benches/1/events': () => null },
    );
    const { wrapper } = await show(DayBenchView, '/day/bench');
    const next = () => wrapper.find('.now h2').text();
    expect(next()).toBe('Ribbon');
    const { start } = useBench();
    start(1, 'Ribbon');
    await flushPromises();
    expect(next()).toBe('Lantern');
    expect(wrapper.find('.rows').text()).toMatch(/Ribbon\s*on the bench/);
    start(2, 'Lantern');
    await flushPromises();
    expect(next()).toBe('Ribbon');
  });

  it('asks for no mix whose plants are all potted, whether or not its mixing was told', async () => {
    const potted = (plantId: number) => ({ plantId, repotId: plantId, minutes: null, at: '' });
    serve({ ...SETTLED(), startedAt: { [TODAY]: Date.now() }, done: [potted(1), potted(2)] });
    const { wrapper } = await show(DayBenchView, '/day/bench');
    expect(wrapper.find('.now').exists()).toBe(false);
    expect(wrapper.text()).toContain(m.day.left(0));
  });

  it('asks before a whole day is taken back', async () => {
    const server = serve(SETTLED(), { 'POST /days/4/undo': () => SETTLED() });
    const { wrapper } = await show(DayBenchView, '/day/bench');
    await press(wrapper, m.day.undo);
    expect(wrapper.text()).toContain(m.day.undoAsk(0));
    expect(server.calls.some(({ path }) => path.endsWith('/undo'))).toBe(false);
    await wrapper
      .findAll('button')
      .filter((one) => one.text() === m.day.undo)
      .at(-1)!
      .trigger('click');
    await flushPromises();
    expect(server.calls.some(({ path }) => path.endsWith('/undo'))).toBe(true);
  });
});

describe('the planner beside the page', () => {
  it('tells of better plans on the way, and completes one that was stopped with its poles', async () => {
    const planner = dayPlanner(highsLoader());
    const told: Told[] = [];
    await planner.plan(PROBLEM, 'preWet', (one) => told.push(one));
    const better = told.find((one) => one.kind === 'better');
    expect(better).toBeDefined();
    if (better?.kind !== 'better') return;
    expect(better.laid.cuts).toEqual([]);
    const complete = await planner.complete(PROBLEM, 'preWet', better.moves, 2);
    expect(complete).toMatchObject({ kind: 'plan', laid: { bound: 2, proven: false } });
    if (complete.kind === 'plan') {
      expect(complete.laid.cuts[0]!.patterns[0]!.pieces).toEqual([{ lengthCm: 60, count: 1 }]);
    }
  });
});
