import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { ShelfPot, ShelfSupport } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import {
  fakeServer,
  open,
  pages,
  PLANT,
  refuse,
  SHELF,
  STAMP,
  TODAY,
  undoNotice,
} from '../../test/harness.ts';
import ShelfView from './ShelfView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

const WET: ShelfPot = {
  ...SHELF,
  id: 10,
  label: 'black 21',
  free: 1,
  soaking: 2,
  soakingSince: TODAY,
};
const MESH: ShelfSupport = {
  ...STAMP,
  id: 4,
  rev: 1,
  label: 'moss sheet 60',
  kind: 'mossSheet',
  section: { form: 'd', widthCm: 8 },
  lengthCm: 60,
  extension: false,
  count: 3,
  free: 2,
};
const show = async (pots: object[] = [SHELF, WET], supports: object[] = [MESH]) => {
  const server = fakeServer({
    'GET /pots?limit=1000': pages(pots),
    'GET /supports?limit=1000': pages(supports),
    'GET /plants?limit=1000': pages([{ ...PLANT, potId: 10 }]),
    'PATCH /pots/9': SHELF,
    'PATCH /pots/10': WET,
    'POST /pots': SHELF,
    'POST /supports': MESH,
  });
  const { wrapper } = await open(ShelfView, '/record/shelf');
  return { server, wrapper };
};
const inDialog = (selector: string) => [
  ...document.querySelectorAll<HTMLElement>(`.v-overlay ${selector}`),
];
const sent = (server: ReturnType<typeof fakeServer>, method: string) =>
  server.calls.find((call) => call.method === method)!;
async function type(label: string, value: string): Promise<void> {
  const field = inDialog('.v-input').find((input) => input.textContent?.includes(label))!;
  const input = field.querySelector('input')!;
  input.value = value;
  input.dispatchEvent(new Event('input'));
  await flushPromises();
}

describe('the shelf', () => {
  it('counts what is free, in use and soaking, and names who stands in it', async () => {
    const { wrapper } = await show();
    const card = wrapper.findAll('.shelf li').find((item) => item.text().includes('black 21'))!;
    const counts = card.findAll('.counts dd').map((count) => count.text());
    expect(counts).toEqual(['1', '1', '2']);
    expect(card.text()).toContain('Gangway');
    expect(card.text()).toMatch(/soaking since/);
  });

  it('one tap makes what soaked free, and can be taken back', async () => {
    const { server, wrapper } = await show();
    await wrapper.find(`[aria-label="${m.shelf.clean}: black 21"]`).trigger('click');
    await flushPromises();
    expect(sent(server, 'PATCH')).toMatchObject({
      path: '/pots/10',
      body: { free: 3, soaking: 0 },
    });
    expect(await undoNotice(server)).toBe(true);
  });

  it('twelve more of these are two taps and a number', async () => {
    const { server, wrapper } = await show();
    await wrapper.find(`[aria-label="${m.shelf.more}: green 17"]`).trigger('click');
    await flushPromises();
    await type(m.shelf.count, '12');
    inDialog('form')[0]!.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(sent(server, 'PATCH').body).toEqual({ count: 16, free: 16 });
  });

  it('a pot in use cannot be taken off the shelf', async () => {
    const { wrapper } = await show();
    const remove = wrapper.find(`[aria-label="${m.shelf.remove}: black 21"]`);
    expect(remove.attributes('disabled')).toBeDefined();
  });

  it('a new pot needs its width; refused, what was typed stays in its field', async () => {
    const { server, wrapper } = await show([]);
    expect(wrapper.text()).toContain(m.shelf.empty);
    await wrapper
      .findAll('button')
      .find((b) => b.text() === m.shelf.add)!
      .trigger('click');
    await flushPromises();
    inDialog('form')[0]!.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(inDialog('form')[0]!.textContent).toContain(m.form.required);
    expect(server.calls.some(({ method }) => method === 'POST')).toBe(false);

    server.answers['POST /pots'] = refuse(422, 'holes must be fewer', 'holes');
    await type(m.form.nominalSize, '17');
    await type(m.shelf.holes, '900');
    inDialog('form')[0]!.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(inDialog('form')[0]!.textContent).toContain('holes must be fewer');
    expect(inDialog('input').some((input) => (input as HTMLInputElement).value === '17')).toBe(
      true,
    );
  });

  it('a pole folded from a flat sheet gets its width from the sheet', async () => {
    const { server, wrapper } = await show();
    await wrapper
      .findAll('button')
      .find((b) => b.text() === m.shelf.addSupport)!
      .trigger('click');
    await flushPromises();
    await type(m.fit.support.length, '60');
    await type(m.shelf.flat, '24');
    inDialog('form')[0]!.dispatchEvent(new Event('submit'));
    await flushPromises();
    // (24 − 2) / (π/2 + 1) = 8.56
    expect(sent(server, 'POST').body).toMatchObject({
      kind: 'mossSheet',
      lengthCm: 60,
      section: { form: 'd', widthCm: 8.6 },
    });
  });
});
