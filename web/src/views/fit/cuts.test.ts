import { planCuts, planMesh, solveByHighs, type Solve } from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import highsLoader from 'highs';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { m } from '../../messages/index.ts';
import { fakeServer, open, pages, TODAY } from '../../test/harness.ts';
import CutsView from './CutsView.vue';

let solve: Solve;
beforeAll(async () => {
  solve = solveByHighs(await highsLoader());
});
// There are no workers here: the same core and solver answer in place.
vi.mock('../../composables/useCutter.ts', () => ({
  useCutter: () => ({
    bars: async (request: Parameters<typeof planCuts>[0]) => planCuts(request, solve),
    mesh: async (...ask: [Parameters<typeof planMesh>[0], Parameters<typeof planMesh>[1]]) =>
      planMesh(...ask, solve),
  }),
}));
beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

const plan = (name: string, lengthCm: number) => ({
  id: lengthCm,
  rev: 1,
  plantId: lengthCm,
  name,
  date: TODAY,
  fit: {
    support: {
      kind: 'mossSheet',
      section: { form: 'd', widthCm: 8 },
      lengthCm,
      stock: null,
      poles: 1,
    },
  },
});
const stock = (lengthCm: number, free: number) => ({
  id: lengthCm,
  rev: 1,
  label: `sheet ${lengthCm}`,
  kind: 'mossSheet',
  section: { form: 'd', widthCm: 8 },
  lengthCm,
  extension: false,
  count: free,
  free,
});
const show = async (plans: object[], supports: object[] = [stock(100, 2)]) => {
  fakeServer({ 'GET /plans': pages(plans), 'GET /supports?limit=1000': pages(supports) });
  const { wrapper } = await open(CutsView, '/fit/cuts');
  await vi.waitFor(() => expect(wrapper.text()).not.toContain(m.cuts.working));
  await new Promise((done) => setTimeout(done, 400));
  await flushPromises();
  return wrapper;
};

describe('cutting a batch', () => {
  it('cuts what plants are settled on from what is owned, and tells what is left', async () => {
    const wrapper = await show([plan('Coxswain', 60), plan('Bosun', 39)]);
    expect(wrapper.text()).toContain('1 × 60 cm, Coxswain');
    expect(wrapper.find('.lead').text()).toContain(m.cuts.optimal);
    // 60 + 0.2 + 39 = 99.2 of one length of 100.
    expect(wrapper.findAll('.bars li')).toHaveLength(1);
    expect(wrapper.find('.bars').text()).toContain('1 × 60 cm + 1 × 39 cm');
  });

  it('a piece made to stand on top of another is not cut up', async () => {
    const wrapper = await show([plan('Coxswain', 60)], [{ ...stock(100, 2), extension: true }]);
    expect(wrapper.find('.bars').text()).toContain(m.fit.source.toBuy);
  });

  it('what the shelf does not hold is bought, and said so', async () => {
    const wrapper = await show([plan('Coxswain', 110)]);
    expect(wrapper.find('.bars').text()).toContain(m.fit.source.toBuy);
    expect(wrapper.find('.bars').text()).toContain('120 cm');
  });

  it('their sheet comes off a roll in strips, each piece as wide as its section asks', async () => {
    const wrapper = await show([plan('Coxswain', 60), plan('Bosun', 60)]);
    // (π/2 + 1)·8 + 2 = 22.6 wide; two beside each other in 60 cm of a roll 100 wide.
    expect(wrapper.find('.strips').text()).toContain('60 cm');
    expect(wrapper.find('.strips').text()).toContain('2 × ');
    expect(wrapper.text()).toContain(m.cuts.meshOptimal);
  });

  it('a piece longer than everything is refused in words; nothing typed is lost', async () => {
    const wrapper = await show([plan('Coxswain', 400)]);
    expect(wrapper.find('[role=alert]').text()).toContain('pieces must fit into the stock');
    expect(wrapper.text()).toContain('1 × 400 cm, Coxswain');
  });

  it('with nothing settled it asks for a piece', async () => {
    const wrapper = await show([]);
    expect(wrapper.text()).toContain(m.cuts.nothing);
    expect(wrapper.text()).toContain(m.cuts.fromPlans(0));
  });
});
