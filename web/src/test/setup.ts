import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils';
import { disposePinia, getActivePinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach } from 'vitest';
import { forgetRead } from '../api/client.ts';

// A store that went on waiting would send what it has to the next test's server. It ends after its views.
afterEach(() => {
  const pinia = getActivePinia();
  if (pinia) disposePinia(pinia);
  setActivePinia(undefined);
});

// Files share their modules and their page, which makes them quick: each begins with a clean one.
disableAutoUnmount();
// A view left standing would answer to the next test's storage.
enableAutoUnmount(afterEach);

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  document.body.innerHTML = '';
  forgetRead();
});
