import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import TapRow from '../../components/ask/TapRow.vue';
import TaxonField from '../../components/plant/TaxonField.vue';
import { m } from '../../messages/index.ts';
import { fakeServer, fittingOf, open, refuse, SHELF } from '../../test/harness.ts';
import AskView from './AskView.vue';

beforeEach(() => localStorage.clear());

const { covers, handDowns, promised, supports } = fittingOf();
const OFFERED = { pots: [], covers, handDowns, promised, supports };
const NOWHERE = {
  'GET /spots?limit=1000': { items: [], nextCursor: null },
  'GET /fitting': OFFERED,
};

async function asking(answers: Record<string, unknown> = {}) {
  const server = fakeServer({ ...NOWHERE, ...answers });
  const { wrapper } = await open(AskView, '/ask');
  await flushPromises();
  return { server, wrapper };
}
type Asking = Awaited<ReturnType<typeof asking>>['wrapper'];
async function say(wrapper: Asking, taxon: string, rimCm: number): Promise<void> {
  wrapper.findComponent(TaxonField).vm.$emit('update:taxon', taxon);
  wrapper.findComponent(TapRow).vm.$emit('update:modelValue', rimCm);
  await flushPromises();
}
const answer = (wrapper: Asking) => wrapper.find('.answer').text();

describe('Ask about a plant', () => {
  it('waits for plant and pot, then answers at once, with what it takes for granted', async () => {
    const { wrapper } = await asking();
    expect(answer(wrapper)).toBe(m.ask.waiting);
    await say(wrapper, 'Aspidistra elatior', 15);
    expect(answer(wrapper)).toContain(m.ask.keep);
    expect(answer(wrapper)).toContain('In peat-based soil, as is usual for it.');
    expect(wrapper.findAll('.question')).toHaveLength(3);
  });

  it('answers anew with each thing that is seen, asking the same three things', async () => {
    const { wrapper } = await asking();
    await say(wrapper, 'Aspidistra elatior', 15);
    const asked = () =>
      wrapper.findAll('.question .label').map((label) => label.text().split(' not')[0]);
    const [before, first] = [answer(wrapper), asked()];
    const mat = wrapper.findAll('.question button').find((one) => one.text() === 'a mat beneath')!;
    await mat.trigger('click');
    expect(answer(wrapper)).not.toBe(before);
    expect(answer(wrapper)).toContain('roots form a mat under the pot');
    expect(asked().map((label) => label!.trim())).toEqual(first.map((label) => label!.trim()));
    await mat.trigger('click');
    expect(answer(wrapper)).toBe(before);
  });

  it('what was seen of another kind before is not weighed where it is not shown', async () => {
    const fresh = await asking();
    await say(fresh.wrapper, 'Aspidistra elatior', 15);
    const [clean, asked] = [answer(fresh.wrapper), fresh.wrapper.findAll('.question').length];
    const shown = fresh.wrapper.findAll('.question .label').map((label) => label.text());
    localStorage.setItem('fernbank.draft.ask', JSON.stringify({ signals: { limp: true } }));
    const { wrapper } = await asking();
    await say(wrapper, 'Aspidistra elatior', 15);
    expect(shown.join()).not.toContain('Limp');
    expect(wrapper.findAll('.question')).toHaveLength(asked);
    expect(answer(wrapper)).toBe(clean);
  });

  it('offers a pot of the shelf before one to buy', async () => {
    const pots = [
      {
        ...SHELF,
        label: 'black 17',
        shape: { shape: 'round', topDiameterCm: 17, baseDiameterCm: 12, heightCm: 15 },
        free: 1,
      },
    ];
    const { wrapper } = await asking({ 'GET /fitting': { ...OFFERED, pots } });
    await say(wrapper, 'Aspidistra elatior', 15);
    expect(answer(wrapper)).toContain('black 17');
  });

  it('a server that refuses says why and loses nothing; the next try keeps room, plant and look', async () => {
    const { server, wrapper } = await asking({
      'POST /plants/asked': refuse(503, 'the disk is full'),
    });
    await say(wrapper, 'Aspidistra elatior', 15);
    await wrapper
      .findAll('.question button')
      .find((one) => one.text() === 'at several')!
      .trigger('click');
    const said = answer(wrapper);
    const keep = wrapper.findAll('.answer button').find((one) => one.text() === m.ask.keep)!;
    await keep.trigger('click');
    await flushPromises();
    expect(wrapper.find('.answer [role=alert]').text()).toBe('the disk is full');
    expect(answer(wrapper)).toContain(said.slice(0, 60));
    const { body } = server.calls.at(-1)!;
    expect(body).toMatchObject({
      plant: { taxon: 'Aspidistra elatior', mediumKind: 'peatSoil', lastRepot: null },
      spot: { name: m.ask.guessedSpot },
      signals: { rootsAtHoles: 'several' },
    });
  });
});
