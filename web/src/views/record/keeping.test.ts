import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { api, apiAll, ApiError, whenCalled } from '../../api/client.ts';
import type { Deed, Preview, ReadFile } from '../../api/types.ts';
import ConflictDialog from '../../components/app/ConflictDialog.vue';
import SignIn from '../../components/app/SignIn.vue';
import { fieldWord, rowsInWords, valueWords } from '../../composables/fieldWords.ts';
import { useConflict } from '../../stores/conflict.ts';
import { useLive } from '../../stores/live.ts';
import { useNotices } from '../../stores/notices.ts';
import { useOutbox } from '../../stores/outbox.ts';
import { fakeServer, open, PLANT, refuse } from '../../test/harness.ts';
import CollectionView from './CollectionView.vue';
import HistoryView from './HistoryView.vue';
import ImportView from './ImportView.vue';
import KeepingView from './KeepingView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
  setActivePinia(createPinia());
  whenCalled({ settle: () => Promise.resolve(null), signIn: () => undefined });
});

const DEED: Deed = {
  id: 7,
  at: new Date().toISOString(),
  what: 'change a plant',
  kind: 'write',
  device: 'the phone',
  undoes: null,
  undoneBy: null,
  emptied: null,
  counts: { plants: 1 },
  entries: [
    {
      of: 'plants',
      op: 'change',
      row: '5',
      name: 'Gangway',
      plantId: 5,
      plant: 'Gangway',
      date: null,
      fields: [{ field: 'heightCm', before: 30, after: 41 }],
    },
  ],
};
const REMOVED: Deed = {
  ...DEED,
  id: 8,
  kind: 'remove',
  counts: { plants: 1, looks: 3 },
  entries: [{ ...DEED.entries[0]!, op: 'remove', name: 'Bollard', fields: [] }],
};
const past = (over: object = {}) =>
  fakeServer({
    'GET /history?limit=40': { items: [REMOVED, DEED], next: null },
    'GET /bin': { days: 30, items: [REMOVED] },
    ...over,
  });
const press = async (
  wrapper: Awaited<ReturnType<typeof open>>['wrapper'],
  text: string,
  at = 0,
) => {
  const found = wrapper.findAll('button').filter((button) => button.text().includes(text))[at]!;
  await found.trigger('click');
  await flushPromises();
};

describe('the past', () => {
  it('tells what changed, on which device, and what hung on what was taken out', async () => {
    past();
    const { wrapper } = await open(HistoryView, '/record/past');
    expect(wrapper.text()).toContain('Changed: plant “Gangway”');
    expect(wrapper.text()).toContain('height, cm: 30 → 41');
    expect(wrapper.text()).toContain('on the phone');
    expect(wrapper.text()).toContain('Took out: plant “Bollard” with 3 looks');
    expect(wrapper.text()).toContain('30 days left');
  });

  it('takes back, and what was taken back can be done again from the line at the foot', async () => {
    const server = past({
      'POST /history/7/undo': { deed: 9 },
      'POST /history/9/undo': { deed: 10 },
    });
    const { wrapper } = await open(HistoryView, '/record/past');
    await press(wrapper, 'Take back', 1);
    expect(useNotices().current?.text).toBe('Taken back.');
    await useNotices().undo();
    const undone = server.calls.filter(({ method }) => method === 'POST').map(({ path }) => path);
    expect(undone).toEqual(['/history/7/undo', '/history/9/undo']);
  });

  it('says why something cannot be taken back any more', async () => {
    past({ 'POST /history/7/undo': refuse(409, 'the same was changed later') });
    const { wrapper } = await open(HistoryView, '/record/past');
    await press(wrapper, 'Take back', 1);
    expect(useNotices().current).toMatchObject({
      kind: 'fault',
      text: 'the same was changed later',
    });
  });

  it('asks before something is thrown away for good', async () => {
    const server = past({ 'DELETE /bin/8': {} });
    const { wrapper } = await open(HistoryView, '/record/past');
    await press(wrapper, 'Throw away for good');
    expect(document.body.textContent).toContain('Throw away Bollard for good?');
    expect(server.calls.some(({ method }) => method === 'DELETE')).toBe(false);
    const sure = [...document.querySelectorAll<HTMLElement>('.v-dialog button')];
    sure.find((button) => button.textContent!.includes('for good'))!.click();
    await flushPromises();
    expect(server.calls.some(({ method, path }) => method === 'DELETE' && path === '/bin/8')).toBe(
      true,
    );
  });

  it('says what an empty past is', async () => {
    past({
      'GET /history?limit=40': { items: [], next: null },
      'GET /bin': { days: 30, items: [] },
    });
    const { wrapper } = await open(HistoryView, '/record/past');
    expect(wrapper.text()).toContain('The bin is empty.');
    expect(wrapper.text()).toContain('Nothing was done yet.');
  });
});

describe('safe keeping', () => {
  const keeping = (over: object = {}) =>
    fakeServer({
      'GET /copies': {
        fault: 'no room',
        items: [
          {
            name: 'daily-2026-03-16.sqlite',
            kind: 'daily',
            date: '2026-03-16',
            bytes: 4e6,
            state: { sound: true, plants: 27 },
          },
          {
            name: 'daily-2026-03-15.sqlite',
            kind: 'daily',
            date: '2026-03-15',
            bytes: 4e6,
            state: { sound: false, why: 'malformed' },
          },
        ],
      },
      'GET /tables': {
        items: [
          { name: 'plants', rows: 27 },
          { name: 'deeds', rows: 3 },
        ],
      },
      'GET /door': { needed: true, signedIn: true },
      'GET /devices': {
        items: [
          { id: 3, label: 'the phone', scope: 'all', since: DEED.at, seen: DEED.at, here: false },
        ],
      },
      ...over,
    });

  it('says what can be restored, what is damaged, and why no copy could be made', async () => {
    keeping();
    const { wrapper } = await open(KeepingView, '/record/keeping');
    expect(wrapper.text()).toContain('27 plants · 4 MB');
    expect(wrapper.text()).toContain('damaged: malformed');
    expect(wrapper.text()).toContain('The last copy could not be made: no room');
    expect(wrapper.findAll('button').filter((button) => button.text() === 'Restore')).toHaveLength(
      1,
    );
    expect(wrapper.find('a[href="/api/tables/plants.csv"]').exists()).toBe(true);
    expect(wrapper.find('a[href="/api/tables/deeds.csv"]').exists()).toBe(false);
  });

  it('restores only once it was confirmed', async () => {
    const server = keeping({
      'POST /copies/daily-2026-03-16.sqlite/restore': { deed: 1, before: 'x' },
      'GET /settings': {},
      'GET /components': { items: [] },
      'GET /recipes': { items: [] },
    });
    const { wrapper } = await open(KeepingView, '/record/keeping');
    await press(wrapper, 'Restore');
    expect(server.calls.some(({ method }) => method === 'POST')).toBe(false);
    const sure = [...document.querySelectorAll<HTMLElement>('.v-dialog button')];
    sure.find((button) => button.textContent!.includes('Restore'))!.click();
    await flushPromises();
    expect(useNotices().current?.text).toContain('Restored.');
  });

  it('signs a lost phone out', async () => {
    const server = keeping({ 'DELETE /devices/3': {} });
    const { wrapper } = await open(KeepingView, '/record/keeping');
    await press(wrapper, 'Sign out');
    expect(server.calls.at(-2)).toMatchObject({ method: 'DELETE', path: '/devices/3' });
  });
});

describe('bringing a CSV in', () => {
  const READ: ReadFile = {
    token: 't1',
    encoding: 'utf-8',
    encodings: ['utf-8', 'windows-1252'],
    delimiter: ';',
    notices: [],
    headings: ['Name', 'Species', 'Repotted'],
    rows: 2,
    sample: [['Mooring', 'Aspidistra elatior', '3/5/2024']],
    guess: {
      kind: 'collection',
      decimal: '.',
      columns: [{ field: 'name' }, { field: 'taxon' }, { field: 'lastRepot', order: 'dmy' }],
      unsureDates: [2],
    },
    remembered: null,
  };
  const PREVIEW: Preview = {
    counts: { add: 1, update: 0, skip: 0, refuse: 1 },
    newSpots: ['Ropewalk'],
    unknownTaxa: ['Planta nulla'],
    fates: [
      {
        line: 3,
        fate: 'refuse',
        name: 'Halyard',
        problems: [{ column: 'Species', message: 'not in the catalogue' }],
        notes: [],
      },
      { line: 2, fate: 'add', name: 'Mooring', problems: [], notes: ['medium taken as bark'] },
    ],
    more: 0,
  };
  async function chosen(over: object = {}) {
    const server = fakeServer({
      'GET /spots?limit=1000': { items: [], nextCursor: null },
      'POST /imports': READ,
      'POST /imports/t1/preview': PREVIEW,
      'POST /imports/t1/run': { counts: PREVIEW.counts },
      ...over,
    });
    // The harness reads JSON bodies; a file is none.
    const told = globalThis.fetch;
    globalThis.fetch = ((url: string, init: RequestInit) =>
      told(url, init?.body instanceof File ? { ...init, body: '{}' } : init)) as typeof fetch;
    const { wrapper } = await open(ImportView, '/record/import');
    const input = wrapper.find('input[type=file]');
    Object.defineProperty(input.element, 'files', { value: [new File(['x'], 'c.csv')] });
    await input.trigger('change');
    await flushPromises();
    await new Promise((settled) => setTimeout(settled, 350));
    await flushPromises();
    return { server, wrapper };
  }

  it('shows every row’s fate with its reason, and owns up to days that can be read in two ways', async () => {
    const { wrapper } = await chosen();
    expect(wrapper.text()).toContain('2 rows of 3 columns, utf-8, parted by semicolons');
    expect(wrapper.text()).toContain('Line 3refusedHalyardSpecies: not in the catalogue');
    expect(wrapper.text()).toContain('These days can be read in two ways');
    expect(wrapper.text()).toContain('One new spot is made: what is it like?');
    expect(wrapper.text()).toContain('1 refused row stays out.');
  });

  it('is brought in with the mapping that is shown', async () => {
    const { server, wrapper } = await chosen();
    await press(wrapper, 'Bring in 1 plant');
    const run = server.calls.find(({ path }) => path === '/imports/t1/run')!;
    expect(run.body).toMatchObject({
      kind: 'collection',
      same: 'skip',
      columns: READ.guess.columns,
    });
    expect(wrapper.text()).toContain('Brought in 1.');
  });

  it('a file that is refused says why, and can be chosen anew', async () => {
    const { wrapper } = await chosen({ 'POST /imports': refuse(422, 'this is no text file') });
    expect(wrapper.find('[role=alert]').text()).toBe('this is no text file');
    expect(wrapper.find('input[type=file]').exists()).toBe(true);
  });
});

describe('two devices at once', () => {
  const THERE = { ...PLANT, rev: 9, name: 'Gangway II', note: 'from the desk' };
  const MINE = { name: 'Gangway', note: 'from the bench', stems: 1 };

  it('only what stands differently is asked for, and the choice is saved on what is there', async () => {
    const server = fakeServer({ 'GET /plants/5': THERE });
    const saves = [refuse(412, 'changed elsewhere'), { ...THERE, rev: 10 }];
    server.answers['PATCH /plants/5'] = () => saves.shift();
    const { wrapper } = await open(ConflictDialog, '/');
    whenCalled({ settle: useConflict().ask, signIn: () => undefined });
    const saved = api('/plants/5', { method: 'PATCH', body: MINE, rev: 3 });
    await flushPromises();
    expect(useConflict().open?.differences.map(({ field }) => field)).toEqual(['name', 'note']);
    expect(document.body.textContent).toContain('from the bench');
    expect(document.body.textContent).toContain('from the desk');
    useConflict().choose({ name: false, note: true });
    await saved;
    const last = server.calls.at(-1)!;
    expect(last.body).toEqual({ name: 'Gangway II', note: 'from the bench', stems: 1 });
    expect(last.ifMatch).toBe('"9"');
    wrapper.unmount();
  });

  it('what was changed there in other fields is nothing to ask about', async () => {
    const server = fakeServer({ 'GET /plants/5': { ...PLANT, rev: 9, note: 'other' } });
    const saves = [refuse(412, 'changed elsewhere'), PLANT];
    server.answers['PATCH /plants/5'] = () => saves.shift();
    whenCalled({ settle: useConflict().ask, signIn: () => undefined });
    await api('/plants/5', { method: 'PATCH', body: { name: 'Gangway' }, rev: 3 });
    expect(useConflict().open).toBeNull();
    expect(server.calls.at(-1)!.ifMatch).toBe('"9"');
  });

  it('of what the keeper began from only what both changed is asked about', async () => {
    const began = { ...PLANT, rev: 3, name: 'Gangway', note: '', stems: 1 };
    const server = fakeServer({ 'GET /plants/5': began });
    await api('/plants/5');
    const saves = [refuse(412, 'changed elsewhere'), PLANT];
    server.answers['PATCH /plants/5'] = () => saves.shift();
    server.answers['GET /plants/5'] = {
      ...began,
      rev: 9,
      name: 'Gangway II',
      note: 'from the desk',
    };
    whenCalled({ settle: useConflict().ask, signIn: () => undefined });
    // A form sends all of its fields; only note and stems were touched.
    const body = { name: 'Gangway', note: 'from the bench', stems: 2 };
    const saved = api('/plants/5', { method: 'PATCH', body, rev: 3 });
    await flushPromises();
    expect(useConflict().open?.differences).toEqual([
      { field: 'note', mine: 'from the bench', theirs: 'from the desk' },
    ]);
    useConflict().choose({ note: true });
    await saved;
    const sent = { name: 'Gangway II', note: 'from the bench', stems: 2 };
    expect(server.calls.at(-1)!.body).toEqual(sent);
  });

  it('let go of, the write stays refused and nothing is overwritten', async () => {
    const server = fakeServer({
      'GET /plants/5': THERE,
      'PATCH /plants/5': refuse(412, 'changed elsewhere'),
    });
    whenCalled({ settle: useConflict().ask, signIn: () => undefined });
    const saved = api('/plants/5', { method: 'PATCH', body: MINE, rev: 3 });
    await flushPromises();
    useConflict().choose(null);
    await expect(saved).rejects.toMatchObject({ status: 412 });
    expect(server.calls.filter(({ method }) => method === 'PATCH')).toHaveLength(1);
  });

  it('a list shows what another window did, by itself', async () => {
    const server = fakeServer({
      'GET /plants?limit=1000': { items: [PLANT], nextCursor: null },
      'GET /plants?gone=1&limit=1000': { items: [], nextCursor: null },
    });
    const { wrapper } = await open(CollectionView, '/record');
    expect(wrapper.text()).toContain('Gangway');
    server.answers['GET /plants?limit=1000'] = {
      items: [{ ...PLANT, name: 'Bollard' }],
      nextCursor: null,
    };
    useLive().told({ tables: ['plants'] });
    await new Promise((settled) => setTimeout(settled, 400));
    await flushPromises();
    expect(wrapper.text()).toContain('Bollard');
  });
});

describe('the door', () => {
  it('a call that is not signed in brings it up', async () => {
    let asked = 0;
    fakeServer({ 'GET /rounds': refuse(401, 'give the passphrase first') });
    const told = globalThis.fetch;
    globalThis.fetch = (async (url: string, init?: RequestInit) => {
      const response = await told(url, init ?? {});
      const body = JSON.stringify({ error: { code: 'signIn', message: 'x' } });
      return response.status === 401 ? new Response(body, { status: 401 }) : response;
    }) as typeof fetch;
    whenCalled({ settle: () => Promise.resolve(null), signIn: () => (asked += 1) });
    await expect(api('/rounds')).rejects.toBeInstanceOf(ApiError);
    expect(asked).toBe(1);
  });

  it('a wrong passphrase is told by its field and stays typed', async () => {
    fakeServer({ 'POST /door': refuse(401, 'that is not the passphrase', 'passphrase') });
    const { wrapper } = await open(SignIn, '/');
    await wrapper.find('input[name=passphrase]').setValue('three ropes');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('that is not the passphrase');
    expect((wrapper.find('input[name=passphrase]').element as HTMLInputElement).value).toBe(
      'three ropes',
    );
  });
});

describe('what waits to be sent', () => {
  const parcel = (key: string, plantId = 5) => ({
    path: '/visits',
    key,
    body: { plantId },
    label: 'Look',
  });

  it('is sent in order, each with its own key, the same however often it is tried', async () => {
    const keys: (string | null)[] = [];
    let silent = true;
    globalThis.fetch = (async (_url: string, init: RequestInit) => {
      keys.push(new Headers(init.headers).get('Idempotency-Key'));
      if (silent) throw new TypeError('no answer');
      return new Response('{}', { status: 201 });
    }) as typeof fetch;
    const outbox = useOutbox();
    await outbox.keep(parcel('key-0001'));
    await outbox.keep(parcel('key-0002'));
    expect(await outbox.send()).toBe(0);
    silent = false;
    expect(await outbox.send()).toBe(2);
    expect(keys).toEqual(['key-0001', 'key-0001', 'key-0002']);
    expect(outbox.parcels).toEqual([]);
  });

  it('waits on when the door is shut: that is no refusal', async () => {
    fakeServer({ 'POST /visits': refuse(401, 'give the passphrase first') });
    const outbox = useOutbox();
    await outbox.keep(parcel('key-0001'));
    await outbox.send();
    expect(outbox.waiting).toHaveLength(1);
  });
});

describe('lists', () => {
  it('are read to their end, page by page', async () => {
    const three = [1, 2, 3].map((id) => ({ ...PLANT, id }));
    fakeServer({
      'GET /plants?limit=1000': { items: three.slice(0, 2), nextCursor: 2 },
      'GET /plants?limit=1000&cursor=2': { items: three.slice(2), nextCursor: null },
    });
    expect(await apiAll('/plants')).toEqual(three);
  });
});

describe('fields in words', () => {
  it.each([
    ['heightCm', 41.25, 'height, cm', '41.25'],
    ['mediumKind', 'pebbles', 'medium', 'clay pebbles'],
    ['indoors', true, 'indoors', 'yes'],
    ['note', '', 'note', 'nothing'],
    ['signals', { smell: 'sour' }, 'seen', 'smell: sour'],
    ['someNewThing', [1, 2], 'some new thing', '1, 2'],
    ['parts', [{ component: 'peat', parts: 2 }], 'parts', 'component peat, parts 2'],
  ])('%s %j', (field, value, word, words) => {
    expect(fieldWord(field)).toBe(word);
    expect(valueWords(field, value)).toBe(words);
  });

  it('counts rows by their name', () => {
    expect([rowsInWords('looks', 1), rowsInWords('looks', 3)]).toEqual(['1 look', '3 looks']);
  });
});
