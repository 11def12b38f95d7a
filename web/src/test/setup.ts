import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils';
import { disposePinia, getActivePinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect } from 'vitest';
import { forgetRead } from '../api/client.ts';
import { wrong } from './completed.ts';

// What is shown of an answer that no server gives says nothing.
afterEach(() => expect(wrong.splice(0), 'answers that break the contract').toEqual([]));

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
