import { TYPICAL_SPOT, typicalYear } from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { h, ref } from 'vue';
import { guessedHere } from '../../composables/whereabouts.ts';
import { m } from '../../messages/index.ts';
import { fakeServer, open, STAMP } from '../../test/harness.ts';
import NumberField from '../NumberField.vue';
import SpotDialog from './SpotDialog.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

describe('the form of a spot', () => {
  const shown = async () => {
    const server = fakeServer({ 'POST /spots': { id: 9 } });
    const { wrapper } = await open({ render: () => h(SpotDialog, { modelValue: true }) }, '/');
    await flushPromises();
    const form = wrapper.findComponent(SpotDialog);
    const [where] = form.findAllComponents({ name: 'VSelect' });
    const pick = async (indoors: boolean) => {
      where!.vm.$emit('update:modelValue', indoors);
      await flushPromises();
    };
    const latitude = form
      .findAllComponents(NumberField)
      .find((field) => field.props('label') === m.spot.latitude)!;
    const page = document.body.querySelector('.v-dialog')!;
    return { server, pick, latitude, page };
  };

  it('outdoors begins with a typical year of its latitude, and says that it is one', async () => {
    const { server, pick, latitude, page } = await shown();
    expect(page.textContent).not.toContain('typical year');
    await pick(false);
    const here = guessedHere();
    expect(page.textContent).toContain(m.spot.typicalYear(here.spot.latitudeDeg));
    expect(page.textContent).toContain(m.ask.guess[here.from]);
    expect(page.textContent).not.toContain(m.spot.oneMean);
    latitude.vm.$emit('update:modelValue', -34);
    await flushPromises();
    expect(page.textContent).toContain(m.spot.typicalYear(34));
    expect(page.textContent).not.toContain(m.ask.guess[here.from]);
    const name = page.querySelector<HTMLInputElement>('[name="spotName"]')!;
    name.value = 'Yard';
    name.dispatchEvent(new Event('input'));
    page.querySelector('form')!.dispatchEvent(new Event('submit'));
    await flushPromises();
    const [sent] = server.calls.filter(({ method }) => method === 'POST');
    expect(sent!.body).toMatchObject({ indoors: false, temperatureC: typicalYear(-34) });
  });

  it('of a spot outdoors that was kept as one mean asks for its months', async () => {
    fakeServer({});
    const spot = { ...STAMP, name: 'Yard', sortOrder: 0, ...TYPICAL_SPOT, headroomCm: null };
    const yard = { ...spot, latitudeDeg: 54, indoors: false, temperatureC: 11 };
    const shownNow = ref(false);
    const dialog = () => h(SpotDialog, { modelValue: shownNow.value, spot: yard });
    await open({ render: dialog }, '/');
    shownNow.value = true;
    await flushPromises();
    expect(document.body.querySelector('.v-dialog')!.textContent).toContain(m.spot.typicalYear(54));
  });

  it('back in a room the typical year goes with the outdoors', async () => {
    const { pick, page } = await shown();
    await pick(false);
    await pick(true);
    expect(page.textContent).not.toContain('typical year');
    expect(page.textContent).toContain(m.spot.temperature);
  });
});
