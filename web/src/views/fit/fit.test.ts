import {
  blendOfRecipe,
  CAUTIONS,
  climbAhead,
  measureOut,
  nominalPot,
  partsOf,
  planSupport,
  potLadder,
  recipe,
  resolveTaxon,
  standingSupport,
  whatItBuys,
} from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Fitting, PlanRow } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import {
  button,
  fakeServer,
  fileOf,
  fittingOf,
  open,
  PLANT,
  refuse,
  SHELF,
  situationOf,
  STAMP,
  TODAY,
  undoNotice,
  unfold,
} from '../../test/harness.ts';
import FitView from './FitView.vue';
import SheetView from './SheetView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

describe('Fit & mix', () => {
  const signals = { rootsAtHoles: 'every' } as const;
  const showFit = async () => {
    const server = fakeServer({
      'GET /plants/5/file': fileOf(signals),
      'GET /plants/5/fitting': fittingOf(),
      'POST /repots': { id: 31, tasks: [] },
    });
    const { wrapper, router } = await open(FitView, '/plants/5/fit', '/plants/:id/fit');
    return { server, wrapper, router };
  };
  /** What the core says of the pot on the shelf, worked out beside the view. */
  const usual = situationOf({}).traits.recipe;
  const rung = potLadder({
    situation: situationOf(signals),
    options: [{ id: 'x', label: '', outside: SHELF.shape, material: 'plastic', source: 'free' }],
    mix: blendOfRecipe(usual),
    plantHeightCm: 30,
  }).rungs[0]!;

  it('names the chosen pot with the core’s own numbers', async () => {
    const { wrapper } = await showFit();
    expect(wrapper.find('h1').text()).toContain('green 17');
    expect(wrapper.find('.facts').text()).toContain(
      `${rung.newMediumL.toLocaleString(undefined, { maximumFractionDigits: 2 })} L`,
    );
    expect(wrapper.find('.facts').text()).toContain(
      `${Math.round(rung.drying.growthDays)} in growth`,
    );
  });

  it('measures the usual recipe out in whole scoops', async () => {
    const { wrapper } = await showFit();
    const batch = measureOut(partsOf(recipe(usual).parts), rung.newMediumL);
    const rows = wrapper.findAll('.mix tbody tr').map((row) => row.text());
    batch.measures.forEach(({ component }, i) => {
      expect(rows[i]).toContain(component.label);
      expect(rows[i]).toContain(m.fit.scoops(batch.scoop.scoops[i]!));
    });
  });

  it('says of each part what it buys in this pot, as the core works it out', async () => {
    const { wrapper } = await showFit();
    const parts = partsOf(recipe(usual).parts);
    await unfold(wrapper, m.fit.buysTitle);
    const rows = wrapper.findAll('.buys li').map((row) => row.text());
    expect(rows).toHaveLength(parts.length);
    const { addsAir } = whatItBuys(parts, 0, {
      pot: rung.inside,
      heightCm: rung.fillHeightCm,
    });
    const points = Math.abs(Math.round(100 * addsAir));
    expect(rows[0]).toContain(points === 0 ? 'less than a point' : `${points} point`);
  });

  it('another school chooses anew; another pot can be taken by hand', async () => {
    const { wrapper } = await showFit();
    const before = wrapper.find('h1').text();
    await button(wrapper, 'keep snug').trigger('click');
    expect(wrapper.find('h1').text()).not.toBe(before);
    await wrapper.find('[aria-label="Choose this one: green 17"]').trigger('click');
    expect(wrapper.find('h1').text()).toBe(before);
  });

  it('every losing pot of the table says why', async () => {
    const { wrapper } = await showFit();
    const whys = wrapper.findAll('.scroll tbody tr td:last-child').map((cell) => cell.text());
    expect(whys.length).toBeGreaterThan(5);
    for (const why of whys) expect(why).toMatch(/^[a-z ]+: .{8,}/);
  });

  it('confirming sends the pot of the shelf, and the notice can undo it', async () => {
    const { server, wrapper, router } = await showFit();
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'POST')!;
    expect(sent.body).toMatchObject({
      plantId: 5,
      date: TODAY,
      potId: SHELF.id,
      pot: SHELF.shape,
      recipeId: usual,
      rootsCut: false,
    });
    await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/plants/5'));
    expect(await undoNotice(server)).toBe(true);
    expect(router.currentRoute.value.path).toBe('/plants/5/fit');
  });

  it('a refused date is named by its field, and the note stays', async () => {
    const { server, wrapper, router } = await showFit();
    server.answers['POST /repots'] = refuse(
      422,
      'date must not be before the plant arrived',
      'date',
    );
    await wrapper.find('form textarea').setValue('tight ball');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.find('form').text()).toContain('before the plant arrived');
    expect((wrapper.find('form textarea').element as HTMLTextAreaElement).value).toBe('tight ball');
    expect(router.currentRoute.value.path).toBe('/plants/5/fit');
  });
});

/** A climber that is young enough for a pole, judged by the core itself. */
const vine = {
  ...fileOf({ rootsAtHoles: 'several' }, { traits: resolveTaxon('Syngonium podophyllum')!.traits }),
  plant: { ...PLANT, taxon: 'Syngonium podophyllum', heightCm: 20 },
  height: { cm: 20, typical: false },
};

const startPlan = {
  pot: PLANT.pot,
  potMaterial: 'plastic',
  potLabel: 'its own pot',
  potId: null,
  potSource: 'present',
  recipeId: vine.situation.traits.recipe,
  size: 'oneUp',
  layer: 'screen',
  cuts: { pieces: 1, rootsPruned: false },
  support: null,
};

describe('the fit of a climber', () => {
  const show = async (over: Partial<Fitting> = {}, file: object = vine) => {
    const server = fakeServer({
      'GET /plants/5/file': file,
      'GET /plants/5/fitting': fittingOf(over),
    });
    const { wrapper, router } = await open(FitView, '/plants/5/fit', '/plants/:id/fit');
    return { server, wrapper, router };
  };
  const handle = (wrapper: Awaited<ReturnType<typeof open>>['wrapper'], label: string) =>
    wrapper.find(`[role=slider][aria-label="${label}"]`);

  it('names pot and support together, the support as long as the core plans it', async () => {
    const { wrapper } = await show();
    const { situation } = vine;
    const climb = climbAhead({ heightCm: 20, heights: [], ...situation });
    const pot17 = potLadder({
      situation,
      options: [{ id: 'x', label: '', outside: SHELF.shape, material: 'plastic', source: 'free' }],
      mix: blendOfRecipe(situation.traits.recipe),
      plantHeightCm: 20,
    }).rungs[0]!;
    const plan = planSupport({
      kind: 'mossMesh',
      depthCm: pot17.fillHeightCm,
      floorCm: 0.1,
      plantCm: 20,
      climb,
      horizonWeeks: 52,
      stock: [],
    });
    expect(wrapper.find('h1').text()).toContain('green 17');
    expect(wrapper.find('h1').text()).toContain(`pole of damp moss, ${plan.lengthCm} cm`);
    expect(standingSupport(plan).wetKg).toBeGreaterThan(standingSupport(plan).dryKg);
  });

  it('the rim goes by arrow keys to the next pot there is, and every number follows', async () => {
    const { wrapper } = await show();
    const before = [wrapper.find('h1').text(), wrapper.find('.facts').text()];
    const rim = handle(wrapper, m.fit.rimHandle);
    const width = Number(rim.attributes('aria-valuenow'));
    await rim.trigger('keydown', { key: 'ArrowRight' });
    const after = handle(wrapper, m.fit.rimHandle);
    expect(Number(after.attributes('aria-valuenow'))).toBeGreaterThan(width);
    expect(wrapper.find('h1').text()).not.toBe(before[0]);
    expect(wrapper.find('.facts').text()).not.toBe(before[1]);
    await after.trigger('keydown', { key: 'ArrowLeft' });
    expect(wrapper.find('h1').text()).toBe(before[0]);
  });

  it('the tip goes by arrow keys in steps of 5 cm', async () => {
    const { wrapper } = await show();
    const length = () => Number(handle(wrapper, m.fit.support.handle).attributes('aria-valuenow'));
    const before = length();
    await handle(wrapper, m.fit.support.handle).trigger('keydown', { key: 'ArrowDown' });
    expect(length()).toBe(before - 5);
    expect(wrapper.find('h1').text()).toContain(`${before - 5} cm`);
  });

  it('a place that is too low for any support says so and loses nothing', async () => {
    const { wrapper } = await show({ headroomCm: 14 });
    expect(wrapper.find('.support [role=alert]').text()).toContain('too low for any support');
    expect(wrapper.find('.support input').exists()).toBe(true);
  });

  it('few minutes a week turn the advice away from damp moss', async () => {
    const lazy = { ...vine, plant: { ...vine.plant, supportWish: { minutesPerWeek: 1 } } };
    const { wrapper } = await show({}, lazy);
    expect(wrapper.find('h1').text()).not.toContain('damp moss');
  });

  it('a grown plant is shown the three schools with what each would give', async () => {
    const grown = {
      ...vine,
      plant: { ...vine.plant, heightCm: 90 },
      height: { cm: 90, typical: false },
    };
    const { wrapper } = await show({}, grown);
    const schools = wrapper.findAll('.schools li').map((school) => school.text());
    expect(schools).toHaveLength(3);
    expect(schools[0]).toContain('100 % usable');
    expect(schools[2]).toContain('0 min a week');
  });

  it('warns before, not after: what would topple once grown is said with what helps', async () => {
    const { wrapper } = await show();
    expect(wrapper.find('.answer [role=note]').text()).toMatch(
      /In 12 months it would topple at \d+°/,
    );
  });

  it('up to three pots stand side by side; a fourth takes the first one’s place', async () => {
    const { wrapper } = await show();
    const toggles = wrapper.findAll(`[aria-label^="${m.fit.compareThis}: "]`);
    for (const toggle of toggles.slice(0, 4)) await toggle.trigger('click');
    const columns = wrapper.findAll('th.pot');
    expect(columns).toHaveLength(3);
    await wrapper.find(`[aria-label^="${m.fit.dropCompared}"]`).trigger('click');
    expect(wrapper.findAll('th.pot')).toHaveLength(2);
  });

  it('what others leave and what soaks stands on the ladder with where it comes from', async () => {
    const { wrapper } = await show({
      pots: [{ ...SHELF, id: 11, label: 'wet 19', shape: nominalPot(19), free: 0, soaking: 1 }],
      handDowns: [
        {
          plantId: 13,
          name: 'Pansy Locker',
          pot: nominalPot(17),
          potMaterial: 'plastic',
          potId: null,
          leftIn: null,
        },
      ],
    });
    const ladder = wrapper.find('ol.ladder').text();
    expect(ladder).toContain('pot of Pansy Locker');
    expect(ladder).toContain(m.fit.source.handedDown);
    expect(ladder).toContain(m.fit.source.soaking);
    expect(ladder).toContain(m.fit.ownPot);
  });

  it('a pot that another plant is settled on is not offered twice, and is named with it', async () => {
    const shelf = { pots: [{ ...SHELF, free: 1 }], covers: [] };
    const promised = [{ potId: SHELF.id, to: ['Pansy Locker'] }];
    const taken = await show({ ...shelf, promised });
    expect(taken.wrapper.find('.answer h1').text()).not.toContain(SHELF.label);
    expect(taken.wrapper.text()).toContain(m.fit.promisedPot(SHELF.label, 'Pansy Locker'));
    const two = await show({ pots: [{ ...SHELF, free: 2 }], promised });
    expect(two.wrapper.find('ol.ladder').text()).toContain(m.fit.shelf(1));
  });

  it('what a pot to buy costs is said wherever one is, once the keeper told it', async () => {
    const { wrapper } = await show({ pots: [] });
    expect(wrapper.find('ol.ladder').text()).toContain(m.fit.source.toBuy);
    expect(wrapper.find('.answer').text()).not.toContain('€');
    useSettings().current.potPrice = 4.5;
    await flushPromises();
    expect(wrapper.find('ol.ladder').text()).toContain('to buy, about € 4.50');
    expect(wrapper.find('.answer').text()).toContain(
      'It would have to be bought, for about € 4.50.',
    );
  });

  it('“use this” keeps pot, mix and support, and its undo drops them', async () => {
    const { server, wrapper } = await show();
    server.answers['PUT /plants/5/plan'] = { id: 1, rev: 1, plantId: 5, date: TODAY, fit: {} };
    server.answers['PATCH /plants/5'] = PLANT;
    await button(wrapper, m.fit.useOf(1)).trigger('click');
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'PUT')!.body;
    expect(sent).toMatchObject({
      potId: SHELF.id,
      potSource: 'free',
      recipeId: vine.situation.traits.recipe,
      layer: 'screen',
      cuts: { pieces: 1, rootsPruned: false },
      support: { poles: 1 },
    });
    expect(wrapper.text()).toContain(m.fit.sheet);
    expect(await undoNotice(server)).toBe(true);
    expect(wrapper.text()).not.toContain(m.fit.sheet);
  });

  it('settled anew, its undo brings back what was settled before', async () => {
    const before = { ...startPlan, potLabel: 'its own pot' };
    const row = { id: 1, rev: 1, plantId: 5, date: TODAY, fit: before };
    const { server, wrapper } = await show({ plan: row as PlanRow });
    server.answers['PUT /plants/5/plan'] = row;
    server.answers['PATCH /plants/5'] = PLANT;
    await handle(wrapper, m.fit.rimHandle).trigger('keydown', { key: 'ArrowRight' });
    await button(wrapper, m.fit.useOf(1)).trigger('click');
    await flushPromises();
    expect(await undoNotice(server)).toBe(true);
    await button(wrapper, m.fit.useOf(1)).trigger('click');
    await flushPromises();
    // What stands settled again is the one from before: the turned one can be settled once more.
    expect(server.calls.filter(({ method }) => method === 'PUT')).toHaveLength(2);
  });

  it('when the server is silent nothing that was turned is lost', async () => {
    const { wrapper } = await show();
    await handle(wrapper, m.fit.rimHandle).trigger('keydown', { key: 'ArrowRight' });
    const turned = wrapper.find('h1').text();
    await button(wrapper, m.fit.useOf(1)).trigger('click');
    await flushPromises();
    expect(useNotices().current!.kind).toBe('fault');
    expect(wrapper.find('h1').text()).toBe(turned);
  });

  it('the support goes with the repot, and one that is kept is not told anew', async () => {
    const { server, wrapper } = await show();
    server.answers['POST /repots'] = { id: 31, tasks: [] };
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const body = server.calls.find(({ method }) => method === 'POST')!.body as { support: object };
    expect(body.support).toMatchObject({ supportId: null, kind: expect.stringMatching(/moss/) });

    const kept = { ...vine, plant: { ...vine.plant, supportCm: 60, supportKind: 'coirPole' } };
    const other = await show({}, kept);
    other.server.answers['POST /repots'] = { id: 32, tasks: [] };
    await other.wrapper.find('form').trigger('submit');
    await flushPromises();
    const again = other.server.calls.find(({ method }) => method === 'POST')!.body;
    expect(again).not.toHaveProperty('support');
  });
});

describe('a keeper in inches', () => {
  it('reads the core’s sentences in inches too, on the same page', async () => {
    fakeServer({ 'GET /plants/5/file': vine, 'GET /plants/5/fitting': fittingOf() });
    const { wrapper } = await open(FitView, '/plants/5/fit', '/plants/:id/fit');
    expect(wrapper.find('.lead').text()).toMatch(/3 cm wider/);
    useSettings().current.units = 'us';
    await flushPromises();
    // 3 cm = 1.18 in
    expect(wrapper.find('.lead').text()).toMatch(/1\.2 in wider/);
    expect(wrapper.find('ol.ladder').text()).not.toMatch(/\d cm/);
  });
});

describe('the bench sheet', () => {
  const plan: PlanRow = {
    ...STAMP,
    plantId: 5,
    date: TODAY,
    fit: {
      pot: SHELF.shape,
      potMaterial: 'plastic',
      potLabel: SHELF.label,
      potId: SHELF.id,
      potSource: 'free',
      recipeId: vine.situation.traits.recipe,
      size: 'oneUp',
      layer: 'ballast',
      cuts: { pieces: 1, rootsPruned: true },
      support: {
        kind: 'mossSheet',
        section: { form: 'd', widthCm: 8 },
        lengthCm: 70,
        stock: null,
        poles: 1,
      },
    },
  };
  const show = async (over: Partial<Fitting>) => {
    fakeServer({ 'GET /plants/5/file': vine, 'GET /plants/5/fitting': fittingOf(over) });
    return (await open(SheetView, '/plants/5/sheet', '/plants/:id/sheet')).wrapper;
  };

  it('tells what to fetch, the scoops, and the steps that the plan asks', async () => {
    const text = (await show({ plan })).text();
    expect(text).toContain('green 17, 17 cm');
    expect(text).toContain('folded-sheet pole of damp moss, 70 cm');
    expect(text).toContain('mesh or sheet, 23 cm × 70 cm');
    expect(text).toMatch(/\d scoops?/);
    const steps = [
      'Pour in grit as ballast, 2 cm',
      'Shorten the longest roots',
      'No water until tomorrow',
    ];
    const places = steps.map((step) => text.indexOf(step));
    expect(places.every((place) => place > 0)).toBe(true);
    expect(text.indexOf('Shorten')).toBeLessThan(text.indexOf('grit as ballast'));
    expect(text.split(CAUTIONS.dust)).toHaveLength(2);
  });

  it('a settled pot that is gone is said so, not swapped in silence', async () => {
    const of = { potLabel: 'blue 16', potSource: 'free' as const, potId: 99 };
    const wrapper = await show({ plan: { ...plan, fit: { ...plan.fit, ...of } } });
    expect(wrapper.find('[role=alert]').text()).toContain('blue 16');
    // Its size and litres stand all the same: as they were settled.
    expect(wrapper.text()).toContain(m.sheet.pot('blue 16', '17 cm', ''));
    expect((await show({ plan })).find('[role=alert]').exists()).toBe(false);
  });

  it('without a plan says where one is made', async () => {
    expect((await show({})).text()).toContain(m.sheet.noPlan);
  });
});
