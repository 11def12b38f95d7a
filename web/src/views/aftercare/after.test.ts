import {
  betaAfter,
  EVEN,
  firstPot,
  moveOn,
  reservoirState,
  resolveTaxon,
  simulatedPen,
  steadyPen,
  addDays,
} from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { OverWater, Repot, Task, TrayBatch, Worked } from '../../api/types.ts';
import LabelSheets from '../../components/labels/LabelSheets.vue';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import {
  fakeServer,
  fileOf,
  open,
  pages,
  pantryAnswers,
  PLANT,
  refuse,
  SHELF,
  STAMP,
  TASK,
  TODAY,
  undoNotice,
} from '../../test/harness.ts';
import LabelsView from '../record/LabelsView.vue';
import OutcomeView from '../rounds/OutcomeView.vue';
import AftercareView from './AftercareView.vue';
import TrayView from './TrayView.vue';
import WaterView from './WaterView.vue';
import WorkedView from '../record/WorkedView.vue';
import { useUnits } from '../../composables/useUnits.ts';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});
type Wrapper = Awaited<ReturnType<typeof open>>['wrapper'];
const page = (items: unknown[]) => ({ items, nextCursor: null });
const button = (wrapper: Wrapper, text: string) =>
  wrapper.findAll('button, a').find((candidate) => candidate.text().includes(text))!;
/** A dialog stands outside of the page that opened it. */
const inDialog = (text: string) =>
  [...document.querySelectorAll<HTMLElement>('.v-overlay button')].find((one) =>
    one.textContent!.includes(text),
  )!;
const SPOT = { id: 1, rev: 1, name: 'East glazing' };

describe('how a repot went', () => {
  const repotted = (date: string, outcomes: unknown[] = []) => ({
    ...fileOf({}),
    repots: [{ id: 8, rev: 1, plantId: 5, date } as Repot],
    outcomes,
  });
  const show = (file: object, answers: object = {}) => {
    const server = fakeServer({ 'GET /plants/5/file': file, ...answers });
    return open(OutcomeView, '/plants/5/outcome', '/plants/:id/outcome').then((view) => ({
      ...view,
      server,
    }));
  };

  it('takes three taps: what is seen offers a grade, which the keeper may overrule', async () => {
    const { wrapper, server, router } = await show(repotted('2026-02-20'), {
      'POST /outcomes': { id: 3, rev: 1 },
    });
    expect(wrapper.text()).toContain(m.outcome.at('3 weeks'));
    expect(button(wrapper, m.outcome.saveOf(1)).attributes('disabled')).toBeDefined();
    await button(wrapper, 'new growth').trigger('click');
    expect(button(wrapper, 'it thrives').attributes('aria-pressed')).toBe('true');
    expect(button(wrapper, 'it thrives').text()).toContain(m.outcome.offered);
    await button(wrapper, 'it holds on').trigger('click');
    await button(wrapper, m.outcome.saveOf(1)).trigger('click');
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'POST')!;
    expect(sent.body).toEqual({
      repotId: 8,
      date: TODAY,
      grade: 'holdsOn',
      seen: ['newGrowth'],
      note: '',
      photoId: null,
    });
    expect(router.currentRoute.value.path).toBe('/plants/5');
    expect(useNotices().current!.undo).toBeDefined();
  });

  it('loses nothing when the server refuses', async () => {
    const { wrapper } = await show(repotted('2026-02-20'), {
      'POST /outcomes': refuse(409, 'it is written down already'),
    });
    await button(wrapper, 'shrivelled').trigger('click');
    await button(wrapper, m.outcome.saveOf(1)).trigger('click');
    await flushPromises();
    expect(wrapper.find('[role=alert]').text()).toContain('written down already');
    expect(button(wrapper, 'shrivelled').attributes('aria-pressed')).toBe('true');
  });

  it.each([
    ['too soon', repotted('2026-03-10'), 'Too soon to tell'],
    ['too late', repotted('2024-03-10'), m.outcome.over],
    ['never repotted', { ...repotted('2026-02-20'), repots: [] }, m.outcome.none],
  ])('%s: says so, and asks nothing', async (_what, file, words) => {
    const { wrapper } = await show(file);
    expect(wrapper.text()).toContain(words);
    expect(wrapper.findAll('button')).toHaveLength(0);
  });

  it('what was judged can be changed', async () => {
    const kept = {
      id: 3,
      rev: 2,
      plantId: 5,
      repotId: 8,
      at: 'weeks3',
      date: '2026-03-12',
      grade: 'suffers',
      seen: ['shrivel'],
      photoId: null,
      note: '',
    };
    const { wrapper, server } = await show(repotted('2026-02-20', [kept]), {
      'PATCH /outcomes/3': kept,
    });
    expect(button(wrapper, 'it suffers').attributes('aria-pressed')).toBe('true');
    await button(wrapper, 'it holds on').trigger('click');
    await button(wrapper, m.outcome.change).trigger('click');
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'PATCH')!;
    expect([sent.ifMatch, (sent.body as { grade: string }).grade]).toEqual(['"2"', 'holdsOn']);
  });
});

describe('what worked', () => {
  const tally = (label: string, cases: number) => ({
    value: label,
    label,
    cases,
    counts: { thrives: cases, holdsOn: 0, suffers: 0 },
    mean: 0.8,
    low: 0.6,
    high: 0.95,
    belief: betaAfter(EVEN, cases, 0),
    telling: cases >= 5,
  });
  it('shows a share with its band, and claims nothing from too few', async () => {
    const worked: Worked = {
      cases: 8,
      groups: ['groundFern'],
      factors: [
        { factor: 'season', label: 'Season', tallies: [tally('spring', 6), tally('winter', 2)] },
        { factor: 'medium', label: 'Medium', tallies: [tally('moss', 8)] },
      ],
      comparisons: [],
      tray: [],
    };
    fakeServer({ 'GET /worked': worked });
    const { wrapper } = await open(WorkedView, '/record/worked');
    expect(wrapper.text()).toContain(m.worked.share(80, 60, 95));
    expect(wrapper.text()).toContain(m.worked.few(2));
    expect(wrapper.text()).toContain(m.worked.nothing);
    // What was done in one way only has nothing to be held against.
    expect(wrapper.findAll('.share')).toHaveLength(1);
    expect(wrapper.find('dl').text()).toMatch(/^Medium\s*moss \(8\)$/);
  });
  it('an empty record says what will fill it', async () => {
    fakeServer({ 'GET /worked': { cases: 0, groups: [], factors: [], comparisons: [], tray: [] } });
    const { wrapper } = await open(WorkedView, '/record/worked');
    expect(wrapper.text()).toContain(m.worked.empty);
  });
});

describe('the propagation tray', () => {
  const { traits } = resolveTaxon('Cissus alata')!;
  const looks = [
    {
      ...STAMP,
      batchId: 2,
      date: '2026-03-12',
      rooted: 4,
      rootCm: 6,
      roots: 4,
      branching: true,
      lost: 1,
      note: '',
      deed: 44,
    },
  ];
  const batch: TrayBatch = {
    ...STAMP,
    id: 2,
    rev: 1,
    repotId: null,
    callusUntil: null,
    method: 'cutting',
    medium: 'water',
    parentId: 5,
    name: 'Tidewrack cuttings',
    taxon: 'Cissus alata',
    groupId: null,
    common: 'grape ivy',
    spotId: 1,
    date: '2026-02-11',
    count: 5,
    lost: 1,
    pottedOn: 0,
    living: 4,
    nodes: null,
    planned: false,
    note: '',
    looks,
    advice: moveOn('cutting', 'water', 4, looks[0]!),
    expectedOn: '2026-03-11',
    lookOn: null,
    first: firstPot('cutting', 'water', 6, traits),
    children: [],
  };
  const answers = (batches: TrayBatch[], more: object = {}) =>
    fakeServer({
      ...pantryAnswers(),
      'GET /batches/tray': page(batches),
      'GET /plants?limit=1000': page([PLANT]),
      'GET /spots?limit=1000': page([SPOT]),
      'GET /pots?limit=1000': page([SHELF]),
      ...more,
    });
  const show = () => open(TrayView, '/aftercare/tray', undefined, { pantry: true });

  it('says what is ready, why, and into which pot', async () => {
    answers([batch]);
    const { wrapper } = await show();
    expect(wrapper.text()).toContain(m.tray.when.ready);
    expect(wrapper.text()).toContain('water roots go in as they are');
    expect(wrapper.text()).toContain(useUnits().said(m.tray.firstPot({ cm: 8 }, batch.first.why)));
  });

  it('potting on shows pot, scoops and steps, and sends them', async () => {
    const server = answers([batch], { 'POST /batches/2/pot-on': { plantIds: [30, 31, 32, 33] } });
    const { wrapper } = await show();
    await button(wrapper, m.tray.potOn).trigger('click');
    await flushPromises();
    const { textContent } = document.querySelector('.v-overlay')!;
    expect(textContent).toContain('Lift it out of the water with its roots as they are');
    expect(textContent).toMatch(/scoops/);
    inDialog(m.tray.potOnSave).click();
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'POST')!;
    expect(sent.body).toMatchObject({
      date: TODAY,
      count: 4,
      potId: null,
      recipeId: batch.first.recipe,
      spotId: 1,
      together: false,
    });
    expect(useNotices().current!.text).toBe(m.tray.potted(4));
  });

  it('a refused look stands at its field, and nothing typed is lost', async () => {
    answers([batch], {
      'POST /batches/2/looks': refuse(
        422,
        'rooted must be at most the 4 that live, got 9',
        'rooted',
      ),
    });
    const { wrapper } = await show();
    await button(wrapper, m.tray.look).trigger('click');
    await flushPromises();
    const field = document.querySelector<HTMLInputElement>('.v-overlay input')!;
    field.value = '9';
    field.dispatchEvent(new Event('input'));
    await flushPromises();
    inDialog(m.tray.lookSave).click();
    await flushPromises();
    expect(document.querySelector('.v-overlay')!.textContent).toContain(
      'rooted must be at most the 4',
    );
    expect(field.value).toBe('9');
  });

  it('a batch is put right from what it is, on the revision that was seen', async () => {
    const server = answers([batch], { 'PATCH /batches/2': { id: 2, rev: 2 } });
    const { wrapper } = await show();
    await button(wrapper, m.app.edit).trigger('click');
    await flushPromises();
    expect(document.querySelector('.v-overlay')!.textContent).toContain(
      m.tray.changeTitle(batch.name),
    );
    const fields = [...document.querySelectorAll<HTMLInputElement>('.v-overlay input')];
    const count = fields.find(({ value }) => value === '5')!;
    count.value = '6';
    count.dispatchEvent(new Event('input'));
    await flushPromises();
    inDialog(m.app.save).click();
    await flushPromises();
    const sent = server.calls.find(({ method }) => method === 'PATCH')!;
    expect(sent.ifMatch).toBe('"1"');
    expect(sent.body).toMatchObject({ name: batch.name, count: 6, date: batch.date });
    expect(sent.body).not.toHaveProperty('taxon');
  });

  it('the newest look can be taken back, and that too can be undone', async () => {
    const server = answers([batch], {
      'POST /history/44/undo': { deed: 45 },
      'POST /history/45/undo': { deed: 46 },
    });
    const { wrapper } = await show();
    await button(wrapper, m.tray.lookBack).trigger('click');
    await flushPromises();
    await useNotices().undo();
    const posts = server.calls.filter(({ method }) => method === 'POST');
    expect(posts.map(({ path }) => path)).toEqual(['/history/44/undo', '/history/45/undo']);
  });

  it('an empty tray leads to the first batch', async () => {
    answers([]);
    const { wrapper } = await show();
    expect(wrapper.text()).toContain(m.tray.empty);
    await button(wrapper, m.tray.start).trigger('click');
    await flushPromises();
    expect(document.querySelector('.v-overlay')!.textContent).toContain(m.tray.startTitle);
  });
});

describe('reservoirs', () => {
  const over = (events: Parameters<typeof reservoirState>[0]['events']): OverWater => ({
    plantId: 5,
    name: 'Gangway',
    spotId: 3,
    spot: 'East glazing',
    reservoir: {
      ...STAMP,
      plantId: 5,
      fullL: 0.6,
      setup: 'wick',
      gapCm: null,
      levelCm: null,
      wicks: null,
      winterWicks: null,
      wick: 'polyester',
      note: '',
    },
    school: 'calendar',
    winter: 'lower',
    state: reservoirState({
      today: TODAY,
      fullL: 0.6,
      events,
      typicalPerDayL: () => 0.04,
      activity: 0.9,
      school: 'calendar',
      winter: 'lower',
      hasWick: true,
    }),
  });
  const answers = (shown: OverWater[], more: object = {}) =>
    fakeServer({
      'GET /reservoirs': page(shown),
      'GET /plants?limit=1000': page([PLANT]),
      'GET /pots?limit=1000': page([SHELF]),
      ...more,
    });

  it('a dry wick is an alarm with its remedy', async () => {
    answers([
      over([
        { kind: 'flushed', date: '2026-03-10' },
        { kind: 'wick', date: '2026-03-15', damp: false },
      ]),
    ]);
    const { wrapper } = await open(WaterView, '/aftercare/water');
    expect(wrapper.find('[role=alert]').text()).toMatch(/flush at once.*refilling is not enough/);
    expect(wrapper.text()).toContain(m.water.left('360 mL', 60));
  });

  it('one tap writes a flush down and can be taken back; a refill offers what is missing', async () => {
    const server = answers([over([{ kind: 'flushed', date: '2026-03-11' }])], {
      'POST /visits': { look: null, measurements: [{ id: 9, rev: 1 }], photos: [] },
    });
    const { wrapper } = await open(WaterView, '/aftercare/water');
    await button(wrapper, m.water.flushed).trigger('click');
    await flushPromises();
    const visits = server.calls.filter(({ method }) => method === 'POST');
    expect(visits.map(({ body }) => body)).toMatchObject([
      { date: TODAY, measurements: [{ kind: 'reservoirFlushed', value: 1 }] },
    ]);
    expect(await undoNotice(server)).toBe(true);
    await button(wrapper, m.water.filled).trigger('click');
    await flushPromises();
    expect(document.querySelector<HTMLInputElement>('.v-overlay input')!.value).toBe('0.2');
  });

  it('nothing over water says how to begin', async () => {
    answers([]);
    const { wrapper } = await open(WaterView, '/aftercare/water');
    expect(wrapper.text()).toContain(m.water.empty);
  });

  it('the stand-in for the pen comes to rest on what it is dipped into', () => {
    const pen = simulatedPen(11);
    pen.dip({ ph: 6.3, msPerCm: 1.2 }, 0);
    const readings = Array.from({ length: 100 }, (_, i) => pen.read(i * 250));
    expect(steadyPen(readings)!.ph).toBeCloseTo(6.3, 1);
  });
});

describe('labels', () => {
  const task = { plantId: 5, kind: 'look', done: null, due: '2026-04-01' } as Task;
  const answers = () =>
    fakeServer({
      ...pantryAnswers(),
      'GET /plants?limit=1000': page([
        { ...PLANT, lastRepot: '2026-03-01' },
        { ...PLANT, id: 6, name: 'Purser' },
      ]),
      'GET /spots?limit=1000': page([SPOT]),
      'GET /tasks?limit=1000': page([task]),
      'GET /plans': page([]),
    });

  it('are those of fresh repots, with name, day, pot, mix, next look and a code', async () => {
    answers();
    const { wrapper } = await open(LabelsView, '/record/labels', undefined, { pantry: true });
    const [label, ...others] = wrapper.findAll('article');
    expect(others).toHaveLength(0);
    expect(label!.text()).toMatch(
      /Gangway.*Davallia fejeensis.*repotted Mar 1, 2026.*14 cm, .*look Apr 1, 2026/s,
    );
    expect(label!.find('svg').attributes('data-address')).toMatch(/\/plants\/5$/);
    expect(wrapper.html().replace(/\s+/g, ' ')).toContain(
      '@page { size: 210mm 297mm; margin: 0mm }',
    );
  });

  it('a plant that is named in the address is chosen', async () => {
    answers();
    const { wrapper } = await open(LabelsView, '/record/labels?plants=6', '/record/labels', {
      pantry: true,
    });
    expect(wrapper.findAll('article').map((label) => label.find('strong').text())).toEqual([
      'Purser',
    ]);
  });

  it('a sheet that does not fit its paper is refused at its measure and not kept', async () => {
    const server = answers();
    const { wrapper } = await open(LabelsView, '/record/labels', undefined, { pantry: true });
    const sheet = wrapper.findAllComponents({ name: 'VSelect' })[1]!;
    sheet.vm.$emit('update:modelValue', 'own');
    await flushPromises();
    const field = wrapper.findAll('input').find((input) => input.element.value === '3')!;
    await field.setValue('4');
    await flushPromises();
    expect(wrapper.text()).toContain('Labels across do not fit: they end at');
    expect(wrapper.findAll('article')).toHaveLength(0);
    const kept = server.calls.filter(({ method }) => method === 'PATCH').map(({ body }) => body);
    expect(kept).toEqual([{ labelSheet: expect.objectContaining({ columns: 3 }) as object }]);
  });

  it('lie in mm where the sheet has them, after those that are used', async () => {
    const labels = [
      { plantId: 5, name: 'Gangway', taxon: '', lines: [], address: 'http://x/plants/5' },
    ];
    const sheet = {
      paper: 'letter',
      columns: 2,
      rows: 5,
      widthMm: 101.6,
      heightMm: 50.8,
      leftMm: 4,
      topMm: 12.7,
      pitchXMm: 106.3,
      pitchYMm: 50.8,
    } as const;
    const { wrapper } = await open(
      {
        components: { LabelSheets },
        setup: () => ({ labels, sheet }),
        template: '<LabelSheets :sheet="sheet" :labels="labels" :used="3" />',
      } as never,
      '/x',
    );
    const style = wrapper.find('article').attributes('style');
    expect(style).toMatch(/left: 110\.3mm; top: 63\.5mm; width: 101\.6mm; height: 50\.8mm/);
    expect(useSettings().current.labelSheet).toBeNull();
  });
});

describe('Aftercare', () => {
  it('lists open tasks by plant, the most urgent plant first', async () => {
    fakeServer({
      'GET /tasks?limit=1000': pages([
        { ...TASK, id: 1, plantId: 6, due: '2026-04-01' },
        TASK,
        { ...TASK, id: 3, done: '2026-03-11', title: 'Done already' },
      ]),
      'GET /plants?limit=1000': pages([{ ...PLANT, id: 6, name: 'Bosun' }, PLANT]),
    });
    const { wrapper } = await open(AftercareView, '/aftercare');
    await button(wrapper, m.aftercare.byPlant).trigger('click');
    expect(wrapper.findAll('h2 a').map((link) => link.text())).toEqual(['Gangway', 'Bosun']);
    expect(wrapper.text()).not.toContain('Done already');
    expect(localStorage.getItem('fernbank.aftercare.as')).toBe('plant');
  });

  it('lists them by day until one asks for plants: today with what is late, within a week, later', async () => {
    const due = (id: number, day: string) => ({ ...TASK, id, due: day, title: `Task ${id}` });
    fakeServer({
      'GET /tasks?limit=1000': pages([
        due(1, addDays(TODAY, 8)),
        due(2, addDays(TODAY, 7)),
        due(3, addDays(TODAY, 1)),
        due(4, TODAY),
        due(5, addDays(TODAY, -2)),
      ]),
      'GET /plants?limit=1000': pages([PLANT]),
    });
    const { wrapper } = await open(AftercareView, '/aftercare');
    const sections = wrapper.findAll('section.panel').map((section) => ({
      title: section.find('h2').text(),
      tasks: [...section.text().matchAll(/Task \d/g)].map(([task]) => task),
    }));
    expect(sections).toEqual([
      { title: m.aftercare.today, tasks: ['Task 5', 'Task 4'] },
      { title: m.aftercare.week, tasks: ['Task 3', 'Task 2'] },
      { title: m.aftercare.comes, tasks: ['Task 1'] },
    ]);
    expect(wrapper.find('.who').text()).toBe('Gangway');
  });

  it('says what is to be done before it names many, and opens to all of them', async () => {
    const house = Array.from({ length: 9 }, (_, i) => ({
      ...PLANT,
      id: 100 + i,
      name: `Bay ${i}`,
    }));
    const tasks = house.map(({ id: plantId }, i) => ({
      ...TASK,
      id: i + 1,
      due: TODAY,
      plantId,
      title: 'Shade it',
    }));
    fakeServer({
      'GET /tasks?limit=1000': pages(tasks),
      'GET /plants?limit=1000': pages(house),
    });
    const { wrapper } = await open(AftercareView, '/aftercare');
    expect(wrapper.findAll('.task')).toHaveLength(1);
    expect(wrapper.find('.task summary').text()).toBe('Bay 0 and 8 others');
    expect(wrapper.findAll('.task details a').map((one) => one.text())).toEqual(
      house.map(({ name }) => name),
    );
    const text = wrapper.find('.task').text();
    expect(text.indexOf('Shade it')).toBeLessThan(text.indexOf('Bay 0'));
  });
});
