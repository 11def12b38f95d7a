import { flushPromises } from '@vue/test-utils';
import { h } from 'vue';
import { beforeEach, describe, expect, it } from 'vitest';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import {
  fakeServer,
  fileOf,
  open,
  PLANT,
  refuse,
  SHELF,
  TODAY,
  undoNotice,
} from '../../test/harness.ts';
import PotCards from '../shelf/PotCards.vue';
import QuarantineBand from './QuarantineBand.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

const apart = {
  since: '2026-03-01',
  until: '2026-03-29',
  why: 'arrived' as const,
  text: 'it came lately',
};
const show = (quarantine: typeof apart | null, onChanged = () => undefined) =>
  open(
    { render: () => h(QuarantineBand, { file: { ...fileOf({}), quarantine }, onChanged }) },
    '/',
  );

describe('a plant in quarantine', () => {
  it('says since when, why, and what is kept apart with it', async () => {
    fakeServer({});
    const { wrapper } = await show(apart);
    expect(wrapper.text()).toContain(m.quarantine.title);
    expect(wrapper.text()).toContain('it came lately');
    expect(wrapper.text()).toContain(m.quarantine.keeps);
  });

  it('is cleared as of today, and put back by undo', async () => {
    let changed = 0;
    const server = fakeServer({ 'PATCH /plants/5': { ...PLANT } });
    const { wrapper } = await show(apart, () => void (changed += 1));
    await wrapper.find('button').trigger('click');
    await flushPromises();
    expect(server.calls[0]!.body).toEqual({ clearedOn: TODAY });
    expect(server.calls[0]!.ifMatch).toBe(`"${PLANT.rev}"`);
    expect(await undoNotice(server)).toBe(true);
    expect(changed).toBe(2);
  });

  it('is put apart by hand; a stale copy is said', async () => {
    const server = fakeServer({ 'PATCH /plants/5': refuse(412, 'changed elsewhere') });
    const { wrapper } = await show(null);
    expect(wrapper.find('button').text()).toBe(m.quarantine.putApart);
    await wrapper.find('button').trigger('click');
    await flushPromises();
    expect(server.calls[0]!.body).toEqual({ apartSince: TODAY, clearedOn: null });
    expect(useNotices().current!.text).toBe('changed elsewhere');
  });
});

describe('pots that are kept apart', () => {
  it('are counted by themselves, and disinfected in one tap', async () => {
    const told: number[] = [];
    const pot = { ...SHELF, fillL: 3, count: 4, free: 1, soaking: 1, apart: 1 };
    const { wrapper } = await open(
      {
        render: () =>
          h(PotCards, {
            pots: [pot],
            inUseBy: () => [],
            covers: [],
            onDisinfect: ({ id }: { id: number }) => told.push(id),
          }),
      },
      '/',
    );
    const counts = wrapper.findAll('.counts div').map((row) => row.text());
    expect(counts).toContain(`${m.shelf.used}1`);
    expect(counts).toContain(`${m.shelf.apart}1`);
    await wrapper.find(`[aria-label="${m.shelf.disinfect}: ${pot.label}"]`).trigger('click');
    expect(told).toEqual([pot.id]);
  });
});
