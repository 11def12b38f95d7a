import { STEP_IDS, type StepId } from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { m } from '../../messages/index.ts';
import { useBench } from '../../stores/bench.ts';
import type { FitPlan } from '../../api/types.ts';
import {
  STAMP,
  fakeServer,
  fileOf,
  fittingOf,
  open,
  pantryAnswers,
  PLANT,
  refuse,
  TODAY,
} from '../../test/harness.ts';
import BenchView from './BenchView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

async function show(answers: Record<string, unknown> = {}) {
  const server = fakeServer({
    'GET /plants/5/file': fileOf({ rootsAtHoles: 'every' }),
    'GET /plants/5/fitting': fittingOf(),
    ...answers,
  });
  const { wrapper, router } = await open(BenchView, '/plants/5/bench', '/plants/:id/bench');
  return { server, wrapper, router };
}
type Wrapper = Awaited<ReturnType<typeof show>>['wrapper'];
const button = (wrapper: Wrapper, text: string) =>
  wrapper.findAll('button').find((candidate) => candidate.text() === text)!;
const heading = (wrapper: Wrapper) => wrapper.find('h2.big').text();
async function finish(wrapper: Wrapper): Promise<void> {
  for (let i = 0; i < 60 && heading(wrapper) !== m.bench.finished; i++) {
    await button(wrapper, m.bench.done).trigger('click');
  }
}

describe('bench mode', () => {
  it('to open the page puts nothing on the bench; the first tap does', async () => {
    const { wrapper } = await show();
    expect(useBench().plants).toEqual([]);
    await button(wrapper, m.bench.done).trigger('click');
    expect(useBench().plants.map(({ name }) => name)).toEqual(['Gangway']);
  });

  it('shows one step, its why, its caution and its scoops', async () => {
    const { wrapper } = await show();
    expect(heading(wrapper)).toBe('Soak and rinse what goes into the mix');
    expect(wrapper.find('.now').text()).toContain('Why: dry grains draw water out of roots');
    expect(wrapper.find('.now .caution').text()).toMatch(/wear a mask/);
    expect(wrapper.find('.now table').text()).toContain('bark 8–12 mm');
    expect(wrapper.findAll('.now h2')).toHaveLength(1);
  });

  it('the steps are the core’s, in its order, and any of them can be jumped to', async () => {
    const { wrapper } = await show();
    const listed = wrapper.findAll('.all button').map((row) => row.text().slice(2));
    expect(new Set(listed).size).toBe(listed.length);
    expect(listed.length).toBeGreaterThan(12);
    expect(listed.length).toBeLessThan(STEP_IDS.length);
    expect(listed[0]).toBe(heading(wrapper));
    await wrapper.findAll('.all button')[5]!.trigger('click');
    expect(heading(wrapper)).toBe(listed[5]);
  });

  it('arrow keys go on and back, but not while a note is typed', async () => {
    const { wrapper } = await show();
    const first = heading(wrapper);
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await nextTick();
    const second = heading(wrapper);
    expect(second).not.toBe(first);
    wrapper
      .find('.now textarea')
      .element.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await nextTick();
    expect(heading(wrapper)).toBe(second);
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
    await nextTick();
    expect(heading(wrapper)).not.toBe(second);
  });

  it('a timer is started, or started and left to run while the next step is done', async () => {
    const { wrapper } = await show();
    const bench = useBench();
    await wrapper
      .findAll('.now button')
      .find((candidate) => candidate.text().startsWith('Start the timer'))!
      .trigger('click');
    expect(bench.running).toHaveLength(1);
    expect(wrapper.find('.clock').text()).toMatch(/\d+ h|\d+:\d\d/);
    bench.stopTimer(bench.running[0]!);
    await nextTick();
    const before = heading(wrapper);
    await button(wrapper, m.bench.meanwhile).trigger('click');
    expect(bench.running).toHaveLength(1);
    expect(heading(wrapper)).not.toBe(before);
  });

  it('all done, it is written down with the notes, and leaves the bench', async () => {
    const { server, wrapper, router } = await show({ 'POST /repots': { id: 8, tasks: [] } });
    await wrapper.find('.now textarea').setValue('bark was sour');
    await finish(wrapper);
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const sent = server.calls.find(({ path }) => path === '/repots')!;
    expect(sent.body).toMatchObject({ plantId: 5, date: TODAY });
    expect((sent.body as { note: string }).note).toContain('bark was sour');
    expect(useBench().plants).toEqual([]);
    await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/plants/5'));
  });

  it('what the server refuses, or is too far away to take, stays on the bench', async () => {
    const { server, wrapper } = await show({
      'POST /repots': refuse(409, 'a repot of this plant is recorded that day', 'date'),
    });
    await finish(wrapper);
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.find('form').text()).toContain('recorded that day');
    server.answers['POST /repots'] = null;
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.find('form').text()).toContain(m.error.network);
    expect(useBench().plantOf(5)!.done.length).toBeGreaterThan(10);
  });

  it('taken off the bench, nothing of it is kept; another plant is not touched', async () => {
    const { wrapper } = await show();
    const bench = useBench();
    bench.start(7, 'Purser');
    bench.done(7, 'screen' as StepId);
    await nextTick();
    expect(wrapper.text()).toContain(m.bench.others);
    await button(wrapper, m.bench.leave).trigger('click');
    expect(bench.plantOf(PLANT.id)).toBeNull();
    expect(bench.plantOf(7)!.done).toEqual(['screen']);
  });

  it('fewer live roots than planned: a smaller pot, what is left of the mix, told to the other devices, and back', async () => {
    const { wrapper } = await show();
    const bench = useBench();
    const line = () => wrapper.find('.found [role=status]').text();
    expect(line()).toContain(m.bench.litresSame);
    bench.start(5, 'Gangway');
    bench.report(5, { kind: 'found', found: { liveRoots: 0.2 } });
    await flushPromises();
    expect(line()).toMatch(/are left over/);
    expect(line()).toMatch(/It now goes into .* instead of green 17/);
    expect(bench.unsent.at(-1)!.event).toEqual({ kind: 'found', found: { liveRoots: 0.2 } });
    await button(wrapper, m.bench.back2plan).trigger('click');
    await flushPromises();
    expect(line()).toContain(m.bench.litresSame);
  });

  it('what was found goes into the record', async () => {
    const { server, wrapper } = await show({ 'POST /repots': { id: 8, tasks: [] } });
    useBench().start(5, 'Gangway');
    useBench().report(5, { kind: 'found', found: { liveRoots: 0.4, rootsPruned: true } });
    await flushPromises();
    await finish(wrapper);
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const sent = server.calls.find(({ path }) => path === '/repots')!;
    expect(sent.body).toMatchObject({
      liveRoots: 0.4,
      rootsCut: true,
      cuts: { pieces: 1, rootsPruned: true },
    });
  });

  it('a mound that was planned is seated and wrapped, not filled', async () => {
    const fit: FitPlan = {
      pot: PLANT.pot,
      potMaterial: 'plastic',
      potLabel: 'its own',
      potId: null,
      potSource: 'present',
      recipeId: 'mossOnly',
      size: 'oneUp',
      layer: 'screen',
      cuts: { pieces: 1, rootsPruned: false },
      mound: true,
      support: null,
    };
    const plan = { ...STAMP, plantId: 5, date: TODAY, fit };
    const { wrapper } = await show({
      ...pantryAnswers(),
      'GET /plants/5/fitting': fittingOf({ plan }),
    });
    const steps = wrapper.find('ol.all').text();
    expect(steps).toMatch(/Seat the plant on the upturned \d+ cm net pot.*Wrap long strands/s);
    expect(steps).not.toMatch(/Fill the mix|Tuck damp moss in/);
  });
});
