import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils';
import { afterEach, beforeEach } from 'vitest';
import { forgetRead } from '../api/client.ts';

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
