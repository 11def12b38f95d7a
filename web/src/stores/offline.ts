import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api, apiAll, forgetRead, whenAnswered } from '../api/client.ts';
import { ROUNDS, VERDICTS } from '../api/lists.ts';
import { READ_CACHE } from '../offline.ts';

/** Lists that every place begins with. */
const LISTS = [ROUNDS, VERDICTS, '/plants?limit=1000', '/spots?limit=1000', '/pots?limit=1000'];
/** Plants whose page is kept, and the pace at which they are fetched: nobody is to notice. */
const MOST_PLANTS = 400;
const PACE_MS = 120;
/** After the page has settled; and again after so long. */
const QUIET_MS = 12_000;
const AGAIN_MS = 6 * 60 * 60 * 1000;

/** Reading without the server: from when what is shown is, and keeping it ready beforehand. */
export const useOffline = defineStore('offline', () => {
  /** when the server gave what is shown; null: it answers */
  const asOf = ref<string | null>(null);
  /** a newer Fernbank that waits to be loaded */
  const waiting = ref<ServiceWorker | null>(null);
  whenAnswered((kept) => (asOf.value = kept));

  /** Service workers exist on this machine and over HTTPS only. */
  async function start(): Promise<void> {
    if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
    const worker = await navigator.serviceWorker.register('/sw.js').catch(() => null);
    if (!worker) return;
    const isNewer = () =>
      (waiting.value = navigator.serviceWorker.controller ? worker.waiting : null);
    worker.addEventListener('updatefound', () =>
      worker.installing?.addEventListener('statechange', isNewer),
    );
    isNewer();
    setTimeout(() => void keepReady(), QUIET_MS);
  }

  /** Fetches what would be missed, one after the other; the service worker keeps it. */
  async function keepReady(): Promise<void> {
    const last = Number(localStorage.getItem('fernbank.kept') ?? 0);
    if (!navigator.serviceWorker.controller || Date.now() - last < AGAIN_MS) return;
    try {
      for (const path of LISTS) await api(path);
      const items = await apiAll('/plants');
      for (const { id } of items.slice(0, MOST_PLANTS)) {
        await api(`/plants/${id}/file`);
        await new Promise((next) => setTimeout(next, PACE_MS));
      }
      localStorage.setItem('fernbank.kept', String(Date.now()));
    } catch {
      // The server went away meanwhile: what was kept until then is kept.
    }
  }

  function takeOver(): void {
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload());
    waiting.value?.postMessage('takeOver');
  }

  /** Who is signed out leaves nothing to be read here. */
  async function forget(): Promise<void> {
    forgetRead();
    localStorage.removeItem('fernbank.kept');
    if ('caches' in window) await caches.delete(READ_CACHE);
  }
  return { asOf, waiting, start, takeOver, forget };
});
