import { afterEach, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { fakeServer, open } from '../../test/harness.ts';
import NoticeBar from './NoticeBar.vue';

afterEach(() => vi.useRealTimers());
const pass = async (ms: number) => {
  await vi.advanceTimersByTimeAsync(ms);
  await nextTick();
};
const shown = () => document.querySelector('.v-snackbar [role=status]')?.textContent ?? '';

it('a second notice has its own time: it does not end with the first', async () => {
  fakeServer({});
  await open(NoticeBar, '/');
  vi.useFakeTimers();
  const notices = useNotices();
  notices.done('kept, version 2');
  await pass(8000);
  expect(shown()).toBe('kept, version 2');
  notices.done('taken off the list', { deed: 7 });
  await pass(8000);
  expect(shown()).toBe('taken off the list');
  expect(document.body.textContent).toContain(m.app.undo);
  await pass(3000);
  expect(notices.current).toBeNull();
});

it('a fault stays until it is read', async () => {
  fakeServer({});
  await open(NoticeBar, '/');
  vi.useFakeTimers();
  useNotices().say('the server does not answer');
  await pass(120_000);
  expect(shown()).toBe('the server does not answer');
});
