import { nominalPot } from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { EACH, ROUNDS } from '../../api/lists.ts';
import type { Rounds, Stop } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useOutbox } from '../../stores/outbox.ts';
import {
  button,
  fakeServer,
  fileOf,
  open,
  painted,
  refuse,
  TASK,
  TODAY,
  undoNotice,
} from '../../test/harness.ts';
import LookView from './LookView.vue';
import RoundsView from './RoundsView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

describe('Rounds', () => {
  const drawn = {
    pot: nominalPot(14),
    potMaterial: 'plastic',
    heightCm: 30,
    supportCm: null,
    together: 1,
    growthForm: 'walker',
  } as const;
  const rounds: Rounds = {
    date: TODAY,
    first: {
      plantId: 5,
      name: 'Gangway',
      taxon: 'Davallia fejeensis',
      kind: 'rescue',
      headline: 'rescueNow',
      why: 'roots rot',
      worth: 0.6,
      drawn,
    },
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
            drawn,
          },
        ],
      },
      { id: 2, name: 'Porch', asking: 0, quiet: 3, plants: [] },
    ],
  };

  it('shows first what matters first, as a picture with its way on', async () => {
    fakeServer({ [`GET ${ROUNDS}`]: rounds });
    const { wrapper } = await open(RoundsView, '/rounds');
    await flushPromises();
    const first = wrapper.find(`[aria-label="${m.rounds.first}"]`);
    expect(first.text()).toContain('Gangway');
    expect(first.text()).toContain('roots rot.');
    expect(first.find('a[href="/plants/5/bench"]').text()).toBe(m.rounds.firstWay.rescue);
    expect(first.find('svg.outline').exists()).toBe(true);
    // The walk draws each plant at one scale.
    expect(wrapper.findAll('.entries svg.outline')).toHaveLength(1);
    fakeServer({ [`GET ${ROUNDS}`]: { ...rounds, first: null } });
    const calm = await open(RoundsView, '/rounds');
    await flushPromises();
    expect(calm.wrapper.find(`[aria-label="${m.rounds.first}"]`).exists()).toBe(false);
  });

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

  it('tells plants alike once until they are unfolded', async () => {
    const [first, ...rest] = rounds.spots;
    const look = [{ kind: 'look', due: TODAY, why: 'never looked at', worth: 0 }];
    const plants = ['Bell', 'Buoy', 'Capstan'].map((name, i) => ({
      ...first!.plants[0]!,
      plantId: 30 + i,
      name,
      headline: 'lookFirst',
      asks: look,
    }));
    fakeServer({ [`GET ${ROUNDS}`]: { ...rounds, spots: [{ ...first!, plants }, ...rest] } });
    const { wrapper } = await open(RoundsView, '/rounds');
    const links = () => wrapper.findAll('.entries a[href$="/look"]').length;
    expect(links()).toBe(1);
    const unfold = wrapper.findAll('.entries button').find((one) => /2/.test(one.text()))!;
    await unfold.trigger('click');
    expect(links()).toBe(3);
  });

  it('of a long walk leads to each spot with one tap', async () => {
    const spots = Array.from({ length: 7 }, (_, i) => ({
      ...rounds.spots[1]!,
      id: 40 + i,
      name: `Bay ${i}`,
    }));
    fakeServer({ [`GET ${ROUNDS}`]: { ...rounds, spots } });
    const { wrapper } = await open(RoundsView, '/rounds');
    const seen = vi.spyOn(Element.prototype, 'scrollIntoView');
    await wrapper
      .findAll('button')
      .find((one) => one.text() === 'Bay 5')!
      .trigger('click');
    expect(seen.mock.contexts.map((one) => (one as Element).id)).toEqual(['spot-45']);
    seen.mockRestore();
  });

  it('says how late in days while those are counted, then in months', () => {
    expect([1, 60, 61, 185].map(m.rounds.overdue)).toEqual([
      '1 day late',
      '60 days late',
      '2 months late',
      '6 months late',
    ]);
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
    await painted();
    expect(wrapper.text()).toContain('East glazing');
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

  it('of twenty alike says the same of those that are not tapped out', async () => {
    const alike = [
      { id: 11, name: 'Gangway 2' },
      { id: 12, name: 'Gangway 3' },
    ];
    const { server, wrapper } = await showLook({
      'GET /plants/5/file': { ...fileOf({}), alike },
    });
    await tap(wrapper, 'smell', 'sour');
    await wrapper.find('input[type=checkbox]').setValue(true);
    await wrapper
      .findAll('button')
      .find((one) => one.text() === 'Gangway 2')!
      .trigger('click');
    expect(wrapper.text()).toContain(m.look.save(1, 2));
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(posts(server)[0]!.body).toMatchObject({ plantId: 5, alike: [12] });
  });

  it('asks about the ball only when the plant is out of its pot', async () => {
    const { wrapper } = await showLook();
    expect(wrapper.find('[aria-labelledby="signal-ballCover"]').exists()).toBe(false);
    await button(wrapper, 'It is out of the pot').trigger('click');
    expect(wrapper.find('[aria-labelledby="signal-ballCover"]').exists()).toBe(true);
  });

  it('begins with the roots of a plant that is to be slid out, and keeps no draft of what nobody typed', async () => {
    const sour = fileOf({ smell: 'sour' });
    expect(sour.decision.headline).toBe('unpotAndLook');
    const { wrapper } = await showLook({ 'GET /plants/5/file': sour });
    const [first] = wrapper.findAll('[aria-labelledby^="signal-"]');
    expect(first!.attributes('aria-labelledby')).toBe(`signal-${sour.decision.unpot!.lookFor[0]}`);
    expect(button(wrapper, 'It is out of the pot').attributes('aria-pressed')).toBe('true');
    wrapper.unmount();
    const again = await showLook({ 'GET /plants/5/file': sour });
    expect(again.wrapper.text()).not.toContain(m.app.draftKept);
    await button(again.wrapper, 'It is out of the pot').trigger('click');
    expect(button(again.wrapper, 'It is out of the pot').attributes('aria-pressed')).toBe('false');
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
