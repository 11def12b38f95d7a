import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick } from 'vue';
import { useSettings } from '../stores/settings.ts';
import { fakeServer } from '../test/harness.ts';
import { monthsAhead } from './monthsAhead.ts';
import { useDates } from './useDates.ts';
import { useDraft } from './useDraft.ts';

beforeEach(() => setActivePinia(createPinia()));
const home = process.env.TZ;
afterEach(() => {
  vi.useRealTimers();
  if (home === undefined) delete process.env.TZ;
  else process.env.TZ = home;
});
const ZONES = [
  'Asia/Kathmandu',
  'Pacific/Kiritimati',
  'America/Los_Angeles',
  'Australia/Lord_Howe',
];
const inZone = (zone: string) => (process.env.TZ = zone);

describe('days', () => {
  it.each(ZONES)('are written as they are in %s', (zone) => {
    inZone(zone);
    useSettings().current.today = '2026-03-16';
    const { day, full } = useDates();
    // Every day on which some place moves its clocks, and the ends of months and years.
    for (const iso of ['2026-03-29', '2026-10-25', '2026-11-01', '2026-04-05', '2026-12-31']) {
      expect(day(iso)).toMatch(new RegExp(`\\b${Number(iso.slice(8))}\\b`));
      expect(full(iso)).toContain('2026');
    }
  });

  it('months ahead begin on their first', () => {
    const months = monthsAhead('2026-03-16');
    expect(months).toHaveLength(12);
    expect(months[0]).toEqual({ weeks: 16 / 7, first: '2026-04-01' });
    expect(months[9]!.first).toBe('2027-01-01');
    expect(months[11]!.first).toBe('2027-03-01');
  });
});

describe('a page that is open past midnight', () => {
  it.each(ZONES)(
    'learns of the new day in %s, and a form nobody touched is of it',
    async (zone) => {
      inZone(zone);
      localStorage.clear();
      vi.useFakeTimers({ now: new Date(2026, 2, 16, 23, 58) });
      const server = fakeServer({ 'GET /settings': { today: '2026-03-16' } });
      const scope = effectScope();
      await scope.run(async () => {
        const settings = useSettings();
        await settings.load();
        settings.followDay();
        const form = () => useDraft('days', () => ({ date: settings.current.today, note: '' }));
        const { draft } = form();
        const touched = useDraft('days.2', () => ({
          date: settings.current.today,
          note: '',
        })).draft;
        touched.value.note = 'half written';
        server.answers['GET /settings'] = { today: '2026-03-17' };
        await vi.advanceTimersByTimeAsync(60_000);
        expect(settings.current.today).toBe('2026-03-16');
        await vi.advanceTimersByTimeAsync(120_000);
        await nextTick();
        expect(settings.current.today).toBe('2026-03-17');
        expect(settings.daysBegun).toBe(1);
        expect(draft.value.date).toBe('2026-03-17');
        expect(touched.value).toEqual({ date: '2026-03-16', note: 'half written' });
      });
      scope.stop();
    },
  );
});
