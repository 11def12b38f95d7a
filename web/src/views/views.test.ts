import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { EACH, PAGE, ROUNDS, VERDICTS } from '../api/lists.ts';
import type { Rounds, Stop, Task, VerdictsOn, VerdictSummary } from '../api/types.ts';
import { costWords, weeksLost } from '../messages/cost.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';
import { useOutbox } from '../stores/outbox.ts';
import {
  fakeServer,
  fileOf,
  open,
  PLANT,
  refuse,
  SHELF,
  situationOf,
  TODAY,
  undoNotice,
} from '../test/harness.ts';
import AftercareView from './aftercare/AftercareView.vue';
import LookView from './rounds/LookView.vue';
import TaxonField from '../components/plant/TaxonField.vue';
import PlantFormView from './record/PlantFormView.vue';
import PlantView from './record/PlantView.vue';
import RoundsView from './rounds/RoundsView.vue';
import VerdictsView from './verdicts/VerdictsView.vue';
import VerdictView from './verdicts/VerdictView.vue';

// A chart needs a canvas, which there is none of here; the browser tests see it drawn.
vi.mock('../components/verdict/CostCurves.vue', async () => {
  const { defineComponent, h } = await import('vue');
  return {
    __esModule: true,
    __isTeleport: false,
    __isKeepAlive: false,
    default: defineComponent({ render: () => h('div', { class: 'curves' }) }),
  };
});

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

const TASK: Task = {
  createdAt: '',
  updatedAt: '',
  id: 7,
  rev: 2,
  plantId: 5,
  repotId: 1,
  kind: 'look',
  rule: null,
  until: null,
  everyDays: null,
  moved: '',
  due: '2026-03-10',
  title: 'Look at 3 weeks',
  why: 'does it stand firm?',
  done: null,
};

const pages = (items: unknown[]) => ({ items, nextCursor: null });
const button = (wrapper: Awaited<ReturnType<typeof open>>['wrapper'], text: string) =>
  wrapper.findAll('button').find((candidate) => candidate.text().includes(text))!;

describe('Rounds', () => {
  const rounds: Rounds = {
    date: TODAY,
    unjudged: [],
    toCome: 0,
    potting: null,
    tally: { act: 1, look: 1, task: 1, reservoir: 0 },
    alarms: [],
    mostWorth: [{ plantId: 5, name: 'Gangway' }],
    tray: [],
    spots: [
      {
        id: 1,
        name: 'East glazing',
        asking: 1,
        quiet: 2,
        plants: [
          {
            plantId: 5,
            name: 'Gangway',
            taxon: 'Davallia fejeensis',
            headline: 'rescueNow',
            overruled: false,
            asks: [
              { kind: 'act', due: TODAY, why: 'roots rot' },
              { kind: 'task', task: TASK },
              { kind: 'look', due: TODAY, why: 'what would help most: smell', worth: 0.31 },
            ],
          },
        ],
      },
      { id: 2, name: 'Porch', asking: 0, quiet: 3, plants: [] },
    ],
  };

  it('tells no saving of a plant that nothing is known of', async () => {
    const [first, ...rest] = rounds.spots;
    const unknown = {
      ...first!.plants[0]!,
      headline: 'lookFirst',
      asks: [{ kind: 'look', due: TODAY, why: 'never looked at', worth: 2.3 }],
    };
    fakeServer({
      [`GET ${ROUNDS}`]: { ...rounds, spots: [{ ...first!, plants: [unknown] }, ...rest] },
    });
    const { wrapper } = await open(RoundsView, '/rounds');
    expect(wrapper.text()).toContain('never looked at');
    expect(wrapper.text()).not.toContain('worth about');
  });

  it('counts what asks, says why and how late, and which spots are quiet', async () => {
    fakeServer({ [`GET ${ROUNDS}`]: rounds });
    const { wrapper } = await open(RoundsView, '/rounds');
    const text = wrapper.text();
    expect(text).toContain('1 to repot · 1 to look at · 1 aftercare');
    expect(text).toContain('roots rot');
    expect(text).toContain('6 days late');
    expect(text).toContain('worth about 2½ weeks of growth');
    expect(text).toContain('One look is expected to save most at Gangway');
    expect(text).toContain('2 others are quiet');
    expect(text).toContain('All quiet here.');
  });

  it('asks again by itself as long as plants are still being judged, and says how many', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    try {
      let toCome = 300;
      const server = fakeServer({
        [`GET ${ROUNDS}`]: () => ({ ...rounds, toCome: (toCome -= 150) }),
      });
      const { wrapper } = await open(RoundsView, '/rounds');
      const asked = () => server.calls.filter(({ path }) => path === ROUNDS).length;
      expect(wrapper.text()).toContain('150 plants are still being judged');
      expect(asked()).toBe(1);
      await vi.advanceTimersByTimeAsync(2000);
      expect(asked()).toBe(2);
      expect(wrapper.text()).not.toContain('still being judged');
      await vi.advanceTimersByTimeAsync(10_000);
      expect(asked()).toBe(2);
    } finally {
      vi.useRealTimers();
    }
  });

  it('tells of more plants of a spot when asked, and of as many when it is told anew', async () => {
    const [glazing, porch] = rounds.spots as [Stop, Stop];
    const second = { ...glazing.plants[0]!, plantId: 6, name: 'Hawser' };
    const server = fakeServer({
      // Every answer is a fresh one, as from a server.
      [`GET ${ROUNDS}`]: () => ({
        ...rounds,
        spots: [{ ...glazing, asking: 2, plants: [...glazing.plants] }, porch],
      }),
      [`GET /rounds?spot=1&from=1&each=${EACH}`]: () => ({
        ...rounds,
        spots: [{ ...glazing, asking: 2, plants: [second] }],
      }),
      'PATCH /tasks/7': { ...TASK, rev: 3, done: TODAY },
    });
    const { wrapper } = await open(RoundsView, '/rounds');
    expect(wrapper.text()).not.toContain('Hawser');
    await button(wrapper, '1 of 2 shown').trigger('click');
    await flushPromises();
    expect(wrapper.text()).toContain('Hawser');
    expect(wrapper.text()).not.toContain('shown: show more');
    const before = server.calls.length;
    await button(wrapper, 'Done').trigger('click');
    await vi.waitFor(() =>
      expect(server.calls.slice(before).map(({ path }) => path)).toEqual([
        '/tasks/7',
        ROUNDS,
        `/rounds?spot=1&from=1&each=${EACH}`,
      ]),
    );
    expect(wrapper.text()).toContain('Hawser');
  });

  it('a task is done with its revision, and the notice takes it back', async () => {
    const server = fakeServer({
      [`GET ${ROUNDS}`]: rounds,
      'PATCH /tasks/7': { ...TASK, rev: 3, done: TODAY },
    });
    const { wrapper } = await open(RoundsView, '/rounds');
    await button(wrapper, 'Done').trigger('click');
    await flushPromises();
    const writes = () => server.calls.filter(({ method }) => method === 'PATCH');
    expect(writes()[0]).toMatchObject({ body: { done: TODAY }, ifMatch: '"2"' });
    expect(await undoNotice(server)).toBe(true);
    expect(writes()).toHaveLength(1);
  });

  it('a refused task says so, and is sent once', async () => {
    const server = fakeServer({
      [`GET ${ROUNDS}`]: rounds,
      'PATCH /tasks/7': refuse(412, 'changed elsewhere'),
    });
    const { wrapper } = await open(RoundsView, '/rounds');
    await button(wrapper, 'Done').trigger('click');
    await flushPromises();
    expect(useNotices().current).toMatchObject({ kind: 'fault', text: 'changed elsewhere' });
    expect(server.calls.filter(({ method }) => method === 'PATCH')).toHaveLength(1);
  });

  it('an empty collection leads to the first plant', async () => {
    fakeServer({
      [`GET ${ROUNDS}`]: { ...rounds, spots: [], mostWorth: [] },
    });
    const { wrapper } = await open(RoundsView, '/rounds');
    expect(wrapper.find('a[href="/plants/new"]').exists()).toBe(true);
  });

  it('a silent server is named and can be asked again', async () => {
    const server = fakeServer({});
    const { wrapper } = await open(RoundsView, '/rounds');
    expect(wrapper.find('[role=alert]').text()).toContain('does not answer');
    server.answers[`GET ${ROUNDS}`] = rounds;
    await button(wrapper, 'Try again').trigger('click');
    await flushPromises();
    expect(wrapper.text()).toContain('East glazing');
  });
});

describe('Verdicts', () => {
  const summary = (over: Partial<VerdictSummary>): VerdictSummary => ({
    plantId: 5,
    name: 'Gangway',
    taxon: 'Davallia fejeensis',
    common: 'fern',
    spot: 'East glazing',
    pot: PLANT.pot,
    potMaterial: 'plastic',
    mediumKind: 'bark',
    recipeId: null,
    heightCm: 30,
    growthForm: 'walker',
    supportCm: null,
    headline: 'repotInWindow',
    week: '2026-04-20',
    lookAgain: '2026-04-13',
    group: 'epiphyteFern',
    groupLabel: 'ferns that walk and cling',
    overrule: null,
    lookWorth: 0,
    lookWhy: '',
    bloom: 0,
    now: [],
    window: null,
    states: { crowded: 0.9, mediumFailing: 0.1, danger: 0, tooWet: 0, unstable: 0 },
    costOfWaiting: 1,
    contradictions: [],
    reasons: [{ signal: 'rootsAtHoles', state: 'crowded', logOdds: 1.4, text: 'roots show' }],
    readiness: Array.from({ length: 52 }, () => 0.7),
    ...over,
  });

  it('shows week, reasons and contradictions, and filters by any of its words', async () => {
    fakeServer({
      [`GET ${VERDICTS}`]: {
        date: TODAY,
        total: 2,
        matching: 2,
        kinds: ['repotInWindow'],
        spots: ['East glazing', 'Porch'],
        items: [
          summary({}),
          summary({ plantId: 6, name: 'Bosun', spot: 'Porch', contradictions: ['wet and dry'] }),
        ],
        unjudged: [
          { plantId: 8, name: 'Coxswain', spot: 'Porch', why: 'there is no recipe own-9' },
        ],
      },
    });
    const { wrapper } = await open(VerdictsView, '/verdicts');
    expect(wrapper.text()).toContain('1 plant cannot be judged');
    expect(wrapper.text()).toContain('Coxswain (Porch): something in its record does not hold.');
    expect(wrapper.text()).toContain('there is no recipe own-9');
    expect(wrapper.find('a[href="/plants/8/edit"]').exists()).toBe(true);
    expect(wrapper.text()).toContain('roots show');
    expect(wrapper.text()).toContain('Contradiction: wet and dry');
    await wrapper.find('input').setValue('porch bosun');
    expect(wrapper.findAll('.entry')).toHaveLength(1);
    await wrapper.find('input').setValue('nothing');
    expect(wrapper.text()).toContain('No plant matches.');
  });

  it('of a large house fetches what is scrolled to, and searches it where it lies', async () => {
    const many = Array.from({ length: PAGE + 20 }, (_, i) =>
      summary({ plantId: i + 1, name: `Plant ${i + 1}` }),
    );
    const told = (items: VerdictSummary[], matching = many.length): VerdictsOn => ({
      date: TODAY,
      items,
      matching,
      total: many.length,
      kinds: ['repotInWindow'],
      spots: ['East glazing'],
      unjudged: [],
    });
    const server = fakeServer({
      [`GET ${VERDICTS}`]: () => told(many.slice(0, PAGE)),
      [`GET ${VERDICTS}&words=plant+517`]: () => told([many[516]!], 1),
    });
    const { wrapper } = await open(VerdictsView, '/verdicts');
    expect(wrapper.text()).toContain(`${many.length} plants`);
    await wrapper.find('input').setValue('plant 517');
    await vi.waitFor(() => expect(wrapper.findAll('.entry')).toHaveLength(1));
    expect(wrapper.text()).toContain('Plant 517');
    expect(server.calls.at(-1)?.path).toBe(`${VERDICTS}&words=plant+517`);
  });
});

describe('Verdict', () => {
  const show = async (...given: Parameters<typeof fileOf>) => {
    const file = fileOf(...given);
    fakeServer({ 'GET /plants/5/file': file });
    const { wrapper } = await open(VerdictView, '/plants/5/verdict', '/plants/:id/verdict');
    await flushPromises();
    return { text: wrapper.text(), wrapper, decision: file.decision };
  };

  it('puts the answer first, then every reason with how much likelier it makes its state', async () => {
    const { text, wrapper, decision } = await show({ rootsAtHoles: 'every', smell: 'fresh' });
    expect(wrapper.find('h1').text()).toMatch(/^Repot/);
    for (const { signal, text: reason, logOdds } of decision.reasons) {
      if (signal === 'baseRate') continue;
      expect(text).toContain(reason);
      const times = Math.exp(Math.abs(logOdds));
      const figure = times > 100 ? '100+' : times.toFixed(times < 9.95 ? 1 : 0);
      expect(text).toContain(`${logOdds > 0 ? '×' : '÷'}${figure}`);
    }
  });

  it('shows the four states, the timing, the schools and what would turn it', async () => {
    const { text, decision } = await show({ rootsAtHoles: 'several' });
    for (const words of Object.values(m.state)) expect(text).toContain(words);
    for (const { text: factor } of decision.readiness) expect(text).toContain(factor);
    for (const { label } of decision.schools) expect(text).toContain(label);
    expect(text).toContain('(yours)');
    expect(decision.turningPoint.length).toBeGreaterThan(0);
    expect(text).toContain('would change this');
  });

  it('tells what waiting costs against what it saves when it names a later week', async () => {
    const { text, decision } = await show({ rootsAtHoles: 'every' }, { date: '2026-01-10' });
    expect(decision.verdict).toBe('repotInWeek');
    expect(text).toContain(`costs ${costWords(decision.curves.disturbing[0]!)} now`);
  });

  it('has the whole curve as a table', async () => {
    const { wrapper, decision } = await show({ rootsAtHoles: 'every' });
    const rows = wrapper.findAll('details tbody tr');
    expect(rows).toHaveLength(52);
    expect(rows[10]!.text()).toContain(weeksLost(decision.curves.waiting[10]!).toFixed(1));
  });

  it('names the lesser act where that is the verdict', async () => {
    const { text } = await show({ wobble: 'topples' }, { lastRepot: '2026-02-01' });
    expect(text).toContain('No new pot: stake, tie or weight it');
    expect(text).toContain('stake, tie or weight it');
  });

  it('with nothing known asks for a look and claims nothing else', async () => {
    const { wrapper } = await show({}, { lastRepot: null });
    expect(wrapper.find('h1').text()).toContain('Look at it first');
  });

  it('shows a contradiction as one', async () => {
    const { wrapper } = await show({ waterRunsThrough: true, staysWetLonger: true });
    expect(wrapper.find('[role=note]').text()).toContain('Contradiction');
  });
});

describe('Look', () => {
  const VISITED = { look: { id: 77 }, measurements: [], photos: [] };
  const showLook = async (answers: Record<string, unknown> = {}) => {
    const server = fakeServer({
      'GET /plants/5/file': fileOf({}),
      'POST /visits': VISITED,
      ...answers,
    });
    const { wrapper, router } = await open(LookView, '/plants/5/look', '/plants/:id/look');
    return { server, wrapper, router };
  };
  const posts = (server: ReturnType<typeof fakeServer>) =>
    server.calls.filter(({ method }) => method === 'POST');
  const tap = (
    wrapper: Awaited<ReturnType<typeof showLook>>['wrapper'],
    id: string,
    text: string,
  ) =>
    wrapper
      .findAll(`[aria-labelledby="signal-${id}"] button`)
      .find((answer) => answer.text() === text)!
      .trigger('click');

  it('sends what was tapped and nothing else', async () => {
    const { server, wrapper, router } = await showLook();
    await tap(wrapper, 'rootsAtHoles', 'at one');
    await tap(wrapper, 'limp', 'no');
    await tap(wrapper, 'algae', 'yes');
    await tap(wrapper, 'algae', 'yes');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(posts(server)).toHaveLength(1);
    expect(posts(server)[0]!.body).toEqual({
      plantId: 5,
      date: TODAY,
      minute: expect.any(Number),
      signals: { rootsAtHoles: 'one', limp: false },
      note: '',
      measurements: [],
    });
    await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/plants/5/verdict'));
  });

  it('asks about the ball only when the plant is out of its pot', async () => {
    const { wrapper } = await showLook();
    expect(wrapper.find('[aria-labelledby="signal-ballCover"]').exists()).toBe(false);
    await button(wrapper, 'It is out of the pot').trigger('click');
    expect(wrapper.find('[aria-labelledby="signal-ballCover"]').exists()).toBe(true);
  });

  it('an empty look is not sent', async () => {
    const { server, wrapper } = await showLook();
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(posts(server)).toHaveLength(0);
    expect(wrapper.text()).toContain('Tap at least one answer');
  });

  it('what the server is too far away to take waits in the browser, and is sent once it answers', async () => {
    const { server, wrapper } = await showLook({ 'POST /visits': null });
    await tap(wrapper, 'smell', 'fresh');
    const weight = wrapper.findAll('input').find((field) => {
      const label = wrapper.find(`label[for="${field.attributes('id')}"]`);
      return label.exists() && label.text().startsWith('Weight');
    })!;
    await weight.setValue('1,25');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    await vi.waitFor(() =>
      expect(wrapper.text()).toContain('kept here and sent as soon as it does'),
    );
    const outbox = useOutbox();
    expect(outbox.waiting.map(({ path }) => path)).toEqual(['/visits']);
    server.answers['POST /visits'] = VISITED;
    expect(await outbox.send()).toBe(1);
    expect(outbox.parcels).toEqual([]);
    // The same visit twice: once into silence, once taken, both under one key.
    const sent = posts(server).filter(({ path }) => path === '/visits');
    expect(sent.map(({ body }) => body)).toEqual([sent[1]!.body, sent[1]!.body]);
    expect(sent[0]!.body).toMatchObject({
      signals: { smell: 'fresh' },
      measurements: [{ kind: 'weightKg', value: 1.25 }],
    });
    expect(sent[0]!.key).toBe(sent[1]!.key);
  });

  const PARCEL = {
    path: '/visits',
    key: 'key-0001',
    body: { plantId: 5 },
    label: 'Look: Gangway',
  };
  it.each([401, 408, 429, 500, 503, 507])(
    'what is answered with %i waits on, with its pictures, and is never dropped by itself',
    async (status) => {
      const { server } = await showLook({ 'POST /visits': refuse(status, 'not now') });
      const outbox = useOutbox();
      await outbox.keep(PARCEL, ['aGVsbG8=']);
      expect(await outbox.send()).toBe(0);
      expect(outbox.refused).toEqual([]);
      expect(outbox.waiting).toHaveLength(1);
      server.answers['POST /visits'] = VISITED;
      expect(await outbox.send()).toBe(1);
      expect(posts(server).at(-1)!.body).toEqual({ plantId: 5, photos: ['aGVsbG8='] });
      expect(outbox.parcels).toEqual([]);
    },
  );

  it('what the server refuses is kept with its reason, can be tried again, and goes only by hand', async () => {
    const { server } = await showLook();
    const outbox = useOutbox();
    server.answers['POST /visits'] = refuse(
      422,
      'date must not be before the plant arrived',
      'date',
    );
    await outbox.keep(PARCEL);
    await outbox.keep({ ...PARCEL, key: 'key-0002' });
    expect(await outbox.send()).toBe(0);
    expect(outbox.refused[0]!.refused).toContain('before the plant arrived');
    server.answers['POST /visits'] = VISITED;
    expect(await outbox.again(outbox.refused[0]!)).toBe(1);
    expect(outbox.refused).toHaveLength(1);
    await outbox.drop(outbox.refused[0]!);
    expect(outbox.parcels).toEqual([]);
  });

  it('a share is read off drawn balls', async () => {
    const { server, wrapper } = await showLook();
    await button(wrapper, 'It is out of the pot').trigger('click');
    const balls = wrapper.findAll('[aria-labelledby="signal-liveRoots"] button');
    expect(balls.length).toBe(6);
    const dead = balls.map((ball) => ball.findAll('path.dead').length);
    expect(dead).toEqual([...dead].sort((a, b) => b - a));
    await balls[2]!.trigger('click');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(posts(server)[0]!.body).toMatchObject({ signals: { liveRoots: 0.5 } });
  });
});

describe('the form of a plant', () => {
  const POTS = { 'GET /pots?limit=1000': pages([]) };
  const SPOT = { id: 1, rev: 1, name: 'East glazing', sortOrder: 0, ...situationOf({}).spot };

  it('an unchanged plant is sent as it was, with the revision it builds on', async () => {
    const server = fakeServer({
      'GET /spots?limit=1000': pages([SPOT]),
      ...POTS,
      'GET /plants/5': PLANT,
      'PATCH /plants/5': PLANT,
    });
    const { wrapper } = await open(PlantFormView, '/plants/5/edit', '/plants/:id/edit');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'PATCH')!;
    const { name, taxon, pot, potMaterial, mediumKind, recipeId, lastRepot, heightCm } = PLANT;
    expect(sent.ifMatch).toBe('"3"');
    expect(sent.body).toMatchObject({
      name,
      taxon,
      pot,
      potMaterial,
      mediumKind,
      recipeId,
      lastRepot,
      heightCm,
    });
  });

  it('nothing is sent while a field is missing', async () => {
    const server = fakeServer({ 'GET /spots?limit=1000': pages([]), ...POTS });
    const { wrapper } = await open(PlantFormView, '/plants/new');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(server.calls.filter(({ method }) => method !== 'GET')).toEqual([]);
    expect(wrapper.text()).toContain(m.form.required);
  });

  it('of a plant without a name of its own its kind is the name, and the next one follows', async () => {
    const server = fakeServer({
      'GET /spots?limit=1000': pages([SPOT]),
      ...POTS,
      'POST /plants': { ...PLANT, name: 'Nephrolepis exaltata' },
    });
    const { wrapper } = await open(PlantFormView, '/plants/new');
    const another = wrapper.findAll('button').find((b) => b.text() === m.form.another)!;
    await another.trigger('click');
    await flushPromises();
    expect(wrapper.text()).toContain(m.form.faults(3));
    wrapper.findComponent(TaxonField).vm.$emit('update:taxon', 'Nephrolepis exaltata');
    await wrapper.find('input[name=nominalCm]').setValue('15');
    await wrapper
      .findAllComponents({ name: 'VSelect' })
      .find((s) => s.props('label') === m.form.medium)!
      .setValue('peatSoil');
    // What was put right is not blamed any longer.
    expect(wrapper.text()).not.toContain(m.form.required);
    await another.trigger('click');
    await flushPromises();
    expect(server.calls.findLast(({ method }) => method === 'POST')!.body).toMatchObject({
      name: 'Nephrolepis exaltata',
      mediumKind: 'peatSoil',
    });
    expect(wrapper.findComponent(TaxonField).props('taxon')).toBe('');
    expect(wrapper.text()).not.toContain(m.form.required);
  });

  it('a field that the server refuses is named, and the text stays', async () => {
    fakeServer({
      'GET /spots?limit=1000': pages([SPOT]),
      ...POTS,
      'GET /plants/5': PLANT,
      'PATCH /plants/5': refuse(422, 'lastRepot must not be in the future', 'lastRepot'),
    });
    const { wrapper } = await open(PlantFormView, '/plants/5/edit', '/plants/:id/edit');
    await wrapper.find('input[name=name]').setValue('Gangway the Second');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('must not be in the future');
    expect((wrapper.find('input[name=name]').element as HTMLInputElement).value).toBe(
      'Gangway the Second',
    );
  });
});

describe('a plant and its aftercare', () => {
  it('its life has every event, newest first, with what was measured out', async () => {
    const file = fileOf({});
    const taken = { rev: 1, plantId: 5, date: '2026-02-01', minute: null };
    const housing = {
      pot: PLANT.pot,
      potMaterial: 'plastic' as const,
      mediumKind: 'bark' as const,
      recipeId: 'barkEpiphyte',
    };
    fakeServer({
      'GET /plants/5/file': {
        ...file,
        looks: [
          {
            id: 1,
            rev: 1,
            plantId: 5,
            date: '2026-03-01',
            signals: { rootsAtHoles: 'one' },
            note: 'dim',
          },
        ],
        measurements: [
          { ...taken, id: 1, kind: 'weightKg', value: 0.7 },
          { ...taken, id: 2, kind: 'watered', value: 1 },
        ],
        repots: [
          {
            id: 4,
            rev: 1,
            plantId: 5,
            date: '2024-05-01',
            before: housing,
            after: { ...housing, pot: SHELF.shape },
            mixedIn: {
              label: 'Bark epiphyte',
              filledL: 1,
              mixedL: 1.2,
              scoopL: 0.5,
              measures: [{ component: 'barkMedium', label: 'bark 8–12 mm', litres: 1, scoops: 2 }],
            },
            rootsCut: false,
            note: '',
          },
        ],
        tasks: [TASK],
      },
    });
    const { wrapper } = await open(PlantView, '/plants/5', '/plants/:id');
    const events = wrapper.findAll('.life li').map((event) => event.text());
    expect(events).toHaveLength(4);
    expect(events[0]).toContain('roots at the drainage holes: at one');
    expect(events[1]).toContain('weight 700 g · watered');
    expect(events[2]).toContain('14 cm → 17 cm');
    expect(events[2]).toContain('bark 8–12 mm 2 scoops (500 mL)');
    expect(events[3]).toContain('Arrived');
    expect(wrapper.text()).toContain('Look at 3 weeks');
  });

  it('aftercare lists open tasks by plant, the most urgent plant first', async () => {
    fakeServer({
      'GET /tasks?limit=1000': pages([
        { ...TASK, id: 1, plantId: 6, due: '2026-04-01' },
        TASK,
        { ...TASK, id: 3, done: '2026-03-11', title: 'Done already' },
      ]),
      'GET /plants?limit=1000': pages([{ ...PLANT, id: 6, name: 'Bosun' }, PLANT]),
    });
    const { wrapper } = await open(AftercareView, '/aftercare');
    expect(wrapper.findAll('h2 a').map((link) => link.text())).toEqual(['Gangway', 'Bosun']);
    expect(wrapper.text()).not.toContain('Done already');
  });
});
