import { beforeEach, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { m } from '../../messages/index.ts';
import { fakeServer, open } from '../../test/harness.ts';
import SolutionsView from './SolutionsView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
  fakeServer({});
});

const show = async () => (await open(SolutionsView, '/aftercare/solutions')).wrapper;
type Wrapper = Awaited<ReturnType<typeof show>>;
const fieldIn = (wrapper: Wrapper, section: number, label: string) =>
  wrapper
    .findAll('section')
    [section]!.findAll('input')
    .find((input) => input.element.closest('.v-input')?.textContent.includes(label))!;

it('one part of 5 % bleach in ten gives 0.5 %, with contact time and caution beside it', async () => {
  const wrapper = await show();
  const bath = wrapper.findAll('section')[0]!;
  expect(bath.text()).toContain('1 L of stock in 9 L of water: 1 part in 10.');
  expect(bath.text()).toContain(m.solutions.contact(10));
  expect(bath.find('.caution').text()).toContain('Never bleach with acid');
});

it.each([
  [0, 'Stock', '0', /The stock must/],
  [0, 'Wanted', '9', /The wanted strength must/],
  [2, 'Wanted', '99', /The rate must not be above the label’s 5 mL\/L|The wanted ppm/],
  [5, 'N', '90', /All three together must/],
  [4, 'pH now', '15', /The pH now must/],
  [3, 'Label’s most', '1', /The rate must not be above the label’s 1 mL\/L/],
])('section %i, %s of %s is refused in words', async (section, label, typed, words) => {
  const wrapper = await show();
  const inputs = wrapper.findAll('section')[section]!.findAll('input');
  const field = section === 2 ? inputs[3]! : fieldIn(wrapper, section, label);
  await field.setValue(typed);
  await nextTick();
  const faults = wrapper.findAll('section')[section]!.findAll('p[role=alert]');
  expect(faults.map((fault) => fault.text()).join()).toMatch(words);
});

it('a label’s N-P-K is told as elements, and a pen on its own scale', async () => {
  const wrapper = await show();
  const label = wrapper.findAll('section')[5]!;
  expect(label.text()).toContain('20 % N, 8.7 % P, 16.6 % K');
  expect(label.text()).toContain('600 ppm');
});

it('bottles are poured in order, calcium last of the feeds; a pH is told by its drift', async () => {
  const wrapper = await show();
  const [bottles, drift] = [wrapper.findAll('section')[3]!, wrapper.findAll('section')[4]!];
  const pours = bottles.findAll('.pours li').map((pour) => pour.text());
  expect(pours.map((pour) => pour.slice(0, 11))).toEqual(['1. B: 20 mL', '2. A: 20 mL']);
  await bottles
    .findAll('button')
    .find((one) => one.text() === m.solutions.addBottle)!
    .trigger('click');
  expect(bottles.findAll('.pours li')).toHaveLength(3);
  expect(drift.text()).toContain('It rises by 0.04 a day; 7 more days');
});
