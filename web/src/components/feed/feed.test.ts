import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlantFile } from '../../api/types.ts';
import { useFeedWords } from '../../composables/feedWords.ts';
import { m } from '../../messages/index.ts';
import { fakeServer, fileOf, open, pages, PLANT, refuse, TASK, TODAY } from '../../test/harness.ts';
import AftercareView from '../../views/aftercare/AftercareView.vue';

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

describe('a task that asks for feed', () => {
  const FEED = { ...TASK, rule: 'feedAgain' as const, kind: 'feed' as const, title: 'Fresh feed' };
  const shown = async (answer: unknown, plants = [PLANT]) => {
    const server = fakeServer({
      'GET /tasks?limit=1000': pages(
        plants.map(({ id }, i) => ({ ...FEED, id: FEED.id + i, plantId: id })),
      ),
      'GET /plants?limit=1000': pages(plants),
      'POST /measurements': answer,
      'POST /measurements/together': answer,
    });
    const { wrapper } = await open(AftercareView, '/aftercare');
    await wrapper.find('[aria-label^="Done: Fresh feed"]').trigger('click');
    // It is fetched when it is first asked for.
    const dialog = await vi.waitUntil(() => document.body.querySelector('.v-dialog form'), {
      timeout: 30_000,
    });
    await flushPromises();
    return { server, dialog: dialog.closest('.v-dialog')! };
  };
  const save = async (dialog: Element) => {
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    await flushPromises();
  };
  const pick = async (dialog: Element, value: string) => {
    const radio = dialog.querySelector<HTMLInputElement>(`input[value="${value}"]`)!;
    radio.click();
    await flushPromises();
  };

  it('asks with what it was fed before it is done', async () => {
    const { server, dialog } = await shown({ id: 3 });
    expect(dialog.textContent).toContain(m.feed.title([PLANT.name]));
    await pick(dialog, 'fedLastingMonths');
    await save(dialog);
    const [sent] = server.calls.filter(({ method }) => method === 'POST');
    expect(sent!.body).toEqual({ plantId: 5, date: TODAY, kind: 'fedLastingMonths', value: 6 });
  });

  it('of several plants alike is answered once, for all of them', async () => {
    const names = ['Bell', 'Buoy', 'Capstan', 'Davit'];
    const plants = names.map((name, i) => ({ ...PLANT, id: 11 + i, name }));
    const { server, dialog } = await shown({ plants: 4 }, plants);
    expect(dialog.textContent).toContain('Feed 4 plants');
    expect(dialog.textContent).toContain('Bell, Buoy, Capstan, Davit');
    await save(dialog);
    const [sent] = server.calls.filter(({ method }) => method === 'POST');
    expect(sent!.path).toContain('/measurements/together');
    expect(sent!.body).toMatchObject({ plantIds: [11, 12, 13, 14], kind: 'fedLiquid', value: 1 });
  });

  it('that is refused keeps what was typed and says why', async () => {
    const { dialog } = await shown(refuse(422, 'date must not be before it came', 'date'));
    await save(dialog);
    expect(dialog.textContent).toContain('date must not be before it came');
  });
});

describe('what feed a plant has', () => {
  const words = (over: Partial<PlantFile>) => {
    setActivePinia(createPinia());
    return useFeedWords().feedWords({ ...fileOf({}), ...over });
  };
  const noted = (kind: 'fedLiquid' | 'fedLastingMonths', value: number, date: string) => ({
    ...fileOf({}).measurements[0]!,
    id: 1,
    rev: 1,
    plantId: 5,
    minute: null,
    kind,
    value,
    date,
  });

  it('is told by what was noted of it, and that nothing was', () => {
    expect(words({ measurements: [] })).toBe(m.feed.unknown);
    expect(words({ measurements: [noted('fedLastingMonths', 6, '2026-02-01')] })).toMatch(
      /^slow-release, until about .*Aug.*2026$/,
    );
    expect(words({ measurements: [noted('fedLiquid', 1, '2026-03-01')] })).toMatch(/^liquid, last/);
  });

  it('before its last repot is no news', () => {
    const plant = { ...PLANT, lastRepot: '2026-03-05' };
    expect(words({ plant, measurements: [noted('fedLiquid', 1, '2026-03-01')] })).toBe(
      m.feed.unknown,
    );
  });
});
