import {
  kitchenTest,
  mixInPot,
  nominalPot,
  partsOf,
  planMound,
  planTub,
  recipe,
  type Component,
} from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { nextTick, type Component as View } from 'vue';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import {
  fakeServer,
  fileOf,
  fittingOf,
  open,
  pantryAnswers,
  refuse,
  unfold,
  undoNotice,
} from '../../test/harness.ts';
import BatchView from './BatchView.vue';
import ComponentsView from './ComponentsView.vue';
import FitView from '../fit/FitView.vue';
import MoundView from './MoundView.vue';
import PebblesView from './PebblesView.vue';
import RecipesView from './RecipesView.vue';
import RecipeView from './RecipeView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

const STOCK = {
  perlite: { bagL: 20, bags: 1, openL: 0.4, pricePerBag: 10 },
  pottingSoil: { bagL: 40, bags: 0, openL: 30, pricePerBag: 12 },
  coconutChips: { bagL: 50, bags: 0, openL: 0 },
};
const NOBODY = { 'GET /plants?limit=1000': { items: [], nextCursor: null } };
async function show(
  view: View,
  address: string,
  answers: Record<string, unknown> = {},
  pattern = address,
) {
  const server = fakeServer({ ...pantryAnswers(STOCK), ...NOBODY, ...answers });
  const { wrapper, router } = await open(view, address, pattern, { pantry: true });
  return { server, wrapper, router };
}
type Wrapper = Awaited<ReturnType<typeof show>>['wrapper'];
const labelled = (wrapper: Wrapper, label: string) => wrapper.find(`[aria-label="${label}"]`);
const button = (wrapper: Wrapper, text: string) =>
  wrapper.findAll('button').find((candidate) => candidate.text() === text)!;
/** In a dialog, which stands outside the view. */
const inPage = (selector: string) => document.body.querySelector<HTMLElement>(selector)!;
async function type(selector: string, text: string) {
  const field = inPage(selector) as HTMLInputElement;
  field.value = text;
  field.dispatchEvent(new Event('input'));
  await nextTick();
}
const pageButton = (text: string) =>
  [...document.body.querySelectorAll('button')].find((b) => b.textContent.trim() === text)!;
const percent = (share: number) => `${Math.round(100 * share)} %`;
const FOLIAGE = { pot: { ...nominalPot(14), heightCm: 12 }, airNeed: 0.12, temperatureC: 20 };

describe('recipes', () => {
  it('tells of each what it holds in the pot, as the core works it out', async () => {
    const { wrapper } = await show(RecipesView, '/mix');
    const cards = wrapper.findAll('.tiles li');
    const { air } = mixInPot(partsOf(recipe('bog').parts), { ...FOLIAGE, drying: 'littleDry' });
    const bog = cards.find((card) => card.text().includes('Bog'))!;
    expect(bog.text()).toContain(`${percent(air)} air`);
    const chunky = cards.find((card) => card.text().includes('Chunky climber'))!;
    expect(chunky.text()).toContain(m.mix.holdsOut('coconut chips'));
  });

  it('a third joins the comparison, a fourth takes the first one’s place', async () => {
    const { wrapper } = await show(RecipesView, '/mix');
    const compared = () => wrapper.findAll('.columns .name').map((name) => name.text());
    const before = compared();
    expect(before.length).toBe(2);
    await labelled(wrapper, `${m.fit.compareThis}: Bog`).trigger('click');
    expect(compared()).toEqual([...before, 'Bog']);
    await labelled(wrapper, `${m.fit.compareThis}: Moss alone`).trigger('click');
    expect(compared()).toEqual([before[1], 'Bog', 'Moss alone']);
  });

  it('what holds something avoided says so', async () => {
    const { wrapper } = await show(RecipesView, '/mix');
    useSettings().current.avoided = { contents: ['peat'], components: [] };
    await nextTick();
    const bog = wrapper.findAll('.tiles li').find((card) => card.text().includes('Bog'))!;
    expect(bog.text()).toContain(m.mix.holdsAvoided('peat'));
  });
});

describe('a recipe on the bench', () => {
  const openRecipe = (id: string, answers: Record<string, unknown> = {}) =>
    show(
      RecipeView,
      `/mix/${id}`,
      { [`GET /recipes/${id}/versions`]: { items: [], nextCursor: null }, ...answers },
      '/mix/:id',
    );

  it('its column follows a part that is turned, beside the one that is saved', async () => {
    const { wrapper } = await openRecipe('everyday');
    await labelled(wrapper, m.mix.more('perlite')).trigger('click');
    await nextTick();
    const names = wrapper.findAll('.columns .name').map((name) => name.text());
    expect(names).toEqual([m.mix.asSaved, m.mix.asTurned]);
    const parts = [
      { component: 'pottingSoil', parts: 3 },
      { component: 'perlite', parts: 2 },
    ];
    const { air } = mixInPot(partsOf(parts), { ...FOLIAGE, drying: 'littleDry' });
    expect(wrapper.find('.columns').attributes('aria-label')).toContain(
      `${m.mix.asTurned}: air ${percent(air)}`,
    );
  });

  it('all parts at 0 are refused in words, and nothing can be saved', async () => {
    const { wrapper } = await openRecipe('pebblesOnly');
    await labelled(wrapper, m.mix.less('clay pebbles')).trigger('click');
    await nextTick();
    expect(wrapper.find('.parts p[role=alert]').text()).toBe(
      'All parts are 0: nothing would be mixed.',
    );
    expect(wrapper.find('form button[type=submit]').attributes('disabled')).toBeDefined();
  });

  it('saved, it goes with its revision and comes back as the next version', async () => {
    const { server, wrapper } = await openRecipe('everyday', {
      'PATCH /recipes/everyday': { ...recipe('everyday'), version: 2, rev: 1 },
    });
    await labelled(wrapper, m.mix.more('perlite')).trigger('click');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'PATCH')!;
    expect(sent.ifMatch).toBe('"0"');
    expect(sent.body).toMatchObject({
      parts: [
        { component: 'pottingSoil', parts: 3 },
        { component: 'perlite', parts: 2 },
      ],
    });
    expect(useNotices().current!.text).toBe(m.mix.savedVersion('Everyday foliage', 2));
  });

  it('a silent server loses nothing, and the draft is there when it is opened again', async () => {
    const { wrapper } = await openRecipe('everyday');
    await labelled(wrapper, m.mix.more('perlite')).trigger('click');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.find('form p[role=alert]').text()).toBe(m.error.network);
    wrapper.unmount();
    const again = await openRecipe('everyday');
    expect(again.wrapper.text()).toContain(m.app.draftKept);
    const perlite = again.wrapper.findAll('.parts input').at(1)!.element as HTMLInputElement;
    expect(perlite.value).toBe('2');
  });

  it('a name that is taken is told by its field; an unknown recipe says so', async () => {
    const { wrapper } = await show(
      RecipeView,
      '/mix/new?parts=coir:2,perlite:1,soup:4',
      { 'POST /recipes': refuse(422, 'there is a recipe called Bog already', 'label') },
      '/mix/:id',
    );
    expect(wrapper.findAll('.parts li')).toHaveLength(2);
    await wrapper.find('input[name=label]').setValue('Bog');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.find('form').text()).toContain('there is a recipe called Bog already');
    const unknown = await openRecipe('soup');
    expect(unknown.wrapper.text()).toContain(m.mix.noRecipe);
  });
});

describe('components', () => {
  it('the kitchen test leads step by step, refuses where it stands, and keeps what it found', async () => {
    const { server, wrapper } = await show(ComponentsView, '/mix/components', {
      'POST /components/coir/kitchen-test': { id: 'coir', label: 'coir pith', own: {} },
    });
    await labelled(wrapper, m.mix.test.title('coir pith')).trigger('click');
    await flushPromises();
    const next = async () => {
      inPage('.in-dialog').dispatchEvent(new Event('submit'));
      await nextTick();
    };
    const titles = [inPage('.in-dialog h3').textContent];
    await next();
    await type('input[name=mediumL]', '1');
    await type('input[name=heightCm]', '11');
    titles.push(inPage('.in-dialog h3').textContent);
    await next();
    await type('input[name=pouredL]', '1,2');
    expect(inPage('.in-dialog p[role=alert]').textContent).toBe(m.mix.test.pouredMost('1 L'));
    await next();
    expect(inPage('.in-dialog h3').textContent).toBe(m.mix.test.steps.pour.title);
    await type('input[name=pouredL]', '0,9');
    await next();
    await type('input[name=drainedL]', '0,95');
    expect(inPage('.in-dialog p[role=alert]').textContent).toBe(m.mix.test.drainedMost('900 mL'));
    await type('input[name=drainedL]', '0,2');
    await next();
    await next();
    const coir = usePantry().pantry.component('coir');
    const reading = { mediumL: 1, pouredL: 0.9, drainedL: 0.2, heightCm: 11 };
    const { value } = kitchenTest(reading, coir.n).airAt7_6cm;
    expect(inPage('.in-dialog table').textContent).toContain((100 * value).toFixed(1));
    expect(titles).toEqual([m.mix.test.steps.plug.title, m.mix.test.steps.fill.title]);
    pageButton(m.mix.test.keep).click();
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'POST')!;
    expect(sent).toMatchObject({ body: reading, ifMatch: '"0"' });
    expect(useNotices().current!.text).toBe(m.mix.test.kept('coir pith'));
  });

  it('one of the keeper’s own needs a name and what it is like; what is typed goes with its day', async () => {
    const { server, wrapper } = await show(ComponentsView, '/mix/components', {
      'PATCH /components/perlite': { id: 'perlite' },
    });
    await button(wrapper, m.mix.addComponent).trigger('click');
    await flushPromises();
    inPage('.form').dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(inPage('.form').textContent).toContain(m.form.required);
    expect(server.calls.some(({ method }) => method === 'POST')).toBe(false);
    pageButton(m.app.cancel).click();
    await flushPromises();
    await labelled(wrapper, m.shelf.edit('perlite')).trigger('click');
    await flushPromises();
    await type('.form input[name=dryKgPerL]', '9');
    inPage('.form').dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(inPage('.form').textContent).toContain(m.mix.range(0.01, 3));
    await type('.form input[name=dryKgPerL]', '0.12');
    inPage('.form').dispatchEvent(new Event('submit'));
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'PATCH')!;
    expect(sent.body).toMatchObject({
      own: { dryKgPerL: { value: 0.12, from: 'typed', on: '2026-03-16' } },
      bags: 1,
      openL: 0.4,
    });
  });
});

describe('a batch', () => {
  const row = (count: number, rim: number, work = 'noBall') => ({
    count,
    rimCm: rim,
    fromCm: work === 'noBall' ? null : rim - 4,
    work,
  });
  const openBatch = (rows: object[], answers: Record<string, unknown> = {}) => {
    localStorage.setItem('fernbank.draft.mix.batch', JSON.stringify({ rows, leftOut: [] }));
    return show(
      BatchView,
      '/mix/batch?recipe=everyday',
      { 'GET /plans': { items: [], nextCursor: null }, ...answers },
      '/mix/batch',
    );
  };

  it('says what to add when nothing waits', async () => {
    const { wrapper } = await openBatch([]);
    expect(wrapper.text()).toContain(m.mix.noneWaiting);
    expect(wrapper.text()).toContain(m.mix.nothingToMix);
  });

  it('measures pots out in loads of the keeper’s tub, as the core does', async () => {
    const { wrapper } = await openBatch([row(12, 17)]);
    const fields = wrapper.findAll('.fields input');
    await fields.at(-1)!.setValue('10');
    await nextTick();
    const { fillL } = await import('@fernbank/core');
    const plan = planTub({
      parts: partsOf(recipe('everyday').parts),
      filledL: Array.from({ length: 12 }, () => fillL(nominalPot(17))),
      tubL: 10,
    });
    expect(plan.loads).toBeGreaterThan(1);
    expect(wrapper.text()).toContain(m.mix.eachLoad(plan.loads));
    const cells = wrapper.findAll('td.big').map((cell) => cell.text());
    expect(cells).toEqual(plan.scoop.scoops.map((count) => m.fit.scoops(count)));
  });

  it.each([
    ['no width yet', { ...row(1, 17), rimCm: null }, m.mix.rowOpen],
    ['half a pot', row(1.5, 17), m.mix.rowCount],
    ['a ball that fills the pot', { ...row(1, 12, 'ballKept'), fromCm: 16 }, m.mix.rowBall],
  ])('%s is told beside its row', async (_what, bad, words) => {
    const { wrapper } = await openBatch([bad]);
    expect(wrapper.find('.rows .sum').text()).toBe(words);
  });

  it('a scoop of 0 L is told by its field, and the handiest is taken', async () => {
    const { wrapper } = await openBatch([row(2, 17)]);
    const scoop = wrapper.findAll('.fields input').at(-2)!;
    await scoop.setValue('0');
    await nextTick();
    expect(wrapper.find('.fields').text()).toContain(m.mix.scoopNone);
    expect(wrapper.findAll('td.big').length).toBe(2);
  });

  it('what was used comes off the stock, with revisions, and goes back by undo', async () => {
    const answered = (server: { calls: { body: unknown }[] }) => {
      const { changes } = server.calls.at(-1)!.body as { changes: { id: string; rev: number }[] };
      return { items: changes.map(({ id, rev }) => ({ id, rev: rev + 1 })) };
    };
    const { server, wrapper } = await openBatch([row(2, 17)]);
    server.answers['POST /components/stock'] = () => answered(server);
    await button(wrapper, m.mix.takeStock).trigger('click');
    await flushPromises();
    const stockCalls = () => server.calls.filter(({ path }) => path === '/components/stock');
    const taken = (stockCalls()[0]!.body as { changes: Record<string, number | string>[] }).changes;
    expect(taken.map(({ id, rev }) => [id, rev])).toEqual([
      ['pottingSoil', 1],
      ['perlite', 1],
    ]);
    // Perlite: the 0.4 L that were open do not do, the bag is opened.
    expect(taken[1]).toMatchObject({ bags: 0 });
    expect(Number(taken[1]!.openL)).toBeLessThan(20.4);
    expect(await undoNotice(server)).toBe(true);
    expect(stockCalls()).toHaveLength(1);
  });
});

describe('the mix of one plant', () => {
  const showFit = async (avoid: Parameters<typeof pantryAnswers>[0] = {}) => {
    const climber = fileOf({}, { medium: { kind: 'mix', recipe: 'chunkyClimber' } });
    climber.situation.traits = { ...climber.situation.traits, recipe: 'chunkyClimber' };
    return show(
      FitView,
      '/plants/5/fit',
      {
        'GET /plants/5/file': climber,
        'GET /plants/5/fitting': fittingOf(),
        ...pantryAnswers({ ...STOCK, ...avoid }),
      },
      '/plants/:id/fit',
    );
  };

  it('offers what stands in for what is out of stock, and one tap swaps it', async () => {
    const { server, wrapper } = await showFit();
    expect(wrapper.text()).toContain(m.mix.outOf('coconut chips'));
    await button(wrapper, m.mix.whatInstead).trigger('click');
    await flushPromises();
    const first = inPage('.swap li');
    const instead = first.querySelector('strong')!.textContent;
    first.querySelector('button')!.click();
    await flushPromises();
    const labels = wrapper.findAll('.mix tbody tr').map((tr) => tr.text());
    expect(labels.some((text) => text.includes(instead))).toBe(true);
    expect(labels.some((text) => text.includes('coconut chips'))).toBe(false);
    server.answers['PUT /plants/5/plan'] = { id: 1, rev: 1, date: '2026-03-16', fit: {} };
    server.answers['PATCH /plants/5'] = {};
    await button(wrapper, m.fit.useOf(1)).trigger('click');
    await flushPromises();
    const kept = server.calls.find(({ method }) => method === 'PUT')!;
    const { parts } = kept.body as { parts: { component: string }[] };
    expect(parts.map(({ component }) => component)).not.toContain('coconutChips');
  });

  it('never mixes what is avoided: a substitute stands in and says what it changes', async () => {
    const { wrapper } = await showFit();
    useSettings().current.avoided = { contents: ['coconut'], components: [] };
    await nextTick();
    const labels = wrapper.findAll('.mix tbody tr').map((tr) => tr.text());
    expect(labels.some((text) => /coir|coconut/.test(text))).toBe(false);
    expect(wrapper.text()).toContain('coir pith is on your avoid-list');
  });

  it('tells how much air the old medium has left, and never to reuse what smells sour', async () => {
    const { wrapper } = await showFit();
    await unfold(wrapper, m.mix.old.title);
    expect(wrapper.text()).toMatch(/After \d+ months about \d+ % of its first air is left/);
    const sour = fileOf({ smell: 'sour' });
    const again = await show(
      FitView,
      '/plants/5/fit',
      { 'GET /plants/5/file': sour, 'GET /plants/5/fitting': fittingOf() },
      '/plants/:id/fit',
    );
    await unfold(again.wrapper, m.mix.old.title);
    expect(again.wrapper.text()).toContain('must not be used again: it smells sour');
  });
});

describe('mounds and pebbles', () => {
  it('a mound that would slip in says by how much it must be wider', async () => {
    const { wrapper } = await show(MoundView, '/mix/mound');
    expect(wrapper.text()).toContain('It holds');
    const margin = wrapper.findAll('.fields input')[1]!;
    await margin.setValue('0.2');
    const core = { topDiameterCm: 8, baseDiameterCm: 5.5, heightCm: 6 };
    const { leastMarginCm } = planMound({ mouthCm: 12, core, marginCm: 0.2, overCm: 3 });
    expect(wrapper.find('.caution').text()).toContain(`${leastMarginCm.toFixed(1)} cm wider`);
    await margin.setValue('-1');
    expect(wrapper.find('[role=alert]').text()).toContain('between 0 and 20');
  });

  it('a wick that cannot lift so high is a warning, not a number', async () => {
    const { wrapper } = await show(PebblesView, '/mix/pebbles');
    expect(wrapper.find('h2').text()).toMatch(/of pebbles over .* of water/);
    const inside = wrapper.findAll('.fields input').find((input) => {
      return input.element.closest('.v-field')?.textContent.includes(m.mix.pebbles.inside);
    })!;
    await inside.setValue('10.8');
    const gap = wrapper.findAll('.fields input').find((input) => {
      return input.element.closest('.v-field')?.textContent.includes(m.mix.pebbles.gap);
    })!;
    await gap.setValue('12');
    expect(wrapper.find('.caution').text()).toContain('dry clay draws water out of roots');
  });
});

it('without a pantry fetched the shipped one stands in', async () => {
  fakeServer({});
  await open(MoundView, '/mix/mound');
  const ids = usePantry().pantry.components.map(({ id }: Component) => id);
  expect(ids).toContain('peat');
});
