import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import {
  fakeServer,
  fileOf,
  open,
  pages,
  PLANT,
  refuse,
  SHELF,
  situationOf,
  TASK,
} from '../../test/harness.ts';
import NumberField from '../../components/NumberField.vue';
import TaxonField from '../../components/plant/TaxonField.vue';
import PlantFormView from './PlantFormView.vue';
import PlantView from './PlantView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

describe('the form of a plant', () => {
  const POTS = { 'GET /pots?limit=1000': pages([]) };
  const SPOT = { id: 1, rev: 1, name: 'East glazing', sortOrder: 0, ...situationOf({}).spot };

  async function fillIn(wrapper: VueWrapper): Promise<void> {
    wrapper.findComponent(TaxonField).vm.$emit('update:taxon', 'Nephrolepis exaltata');
    await wrapper.find('input[name=nominalCm]').setValue('15');
    await wrapper
      .findAllComponents({ name: 'VSelect' })
      .find((s) => s.props('label') === m.form.medium)!
      .setValue('peatSoil');
  }

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

  it('of twenty alike sends one plant and how many, and says which they became', async () => {
    const items = [1, 2, 3].map((n) => ({ ...PLANT, id: n, name: `Gangway ${n}` }));
    const server = fakeServer({
      ...POTS,
      'GET /spots?limit=1000': pages([SPOT]),
      'POST /plants/alike': { items },
    });
    const { wrapper, router } = await open(PlantFormView, '/plants/new');
    await fillIn(wrapper);
    wrapper
      .findAllComponents(NumberField)
      .find((field) => field.props('label') === m.form.count)!
      .vm.$emit('update:modelValue', 3);
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    const [sent] = server.calls.filter(({ method }) => method === 'POST');
    expect(sent).toMatchObject({ path: '/plants/alike', body: { count: 3 } });
    expect((sent!.body as { plant: object }).plant).toMatchObject({ spotId: 1, coverId: null });
    expect(useNotices().current?.text).toBe(m.form.addedAlike(3, 'Gangway 1', 'Gangway 3'));
    await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/record'));
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
    await fillIn(wrapper);
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

describe('a plant', () => {
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
});
