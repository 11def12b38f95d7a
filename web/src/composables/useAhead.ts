import { aheadOf, FUTURES, type Ahead, type AheadProblem } from '@fernbank/core';
import { wrap, type Remote } from 'comlink';
import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue';
import { api } from '../api/client.ts';
import type { Seer } from '../workers/ahead.worker.ts';
import { plain } from './useRemote.ts';

/** Without a worker fewer futures are drawn: the page waits for them. */
const FEW = 200;

/** Everything, of however many parts it comes. */
export async function fetchAhead() {
  const whole = await api('/ahead');
  for (let { next } = whole; next !== null;) {
    const part = await api(`/ahead?from=${next}`);
    whole.problem.plants.push(...part.problem.plants);
    const known = new Set(whole.stock.map(({ component }) => component));
    whole.stock.push(...part.stock.filter(({ component }) => !known.has(component)));
    whole.leftOut.push(...part.leftOut);
    ({ next } = part);
  }
  return whole;
}
const begin = () =>
  new Worker(new URL('../workers/ahead.worker.ts', import.meta.url), { type: 'module' });

/** So many courses are drawn before the page is told of it. */
const AT_ONCE = 50;

/**
 * Two years of a collection, drawn anew whenever it changes. What is being drawn when the next is asked for
 * is let go of; what was drawn before stays until the new one is there, or is stopped and told as far as it came.
 */
export function useAhead(problem: Ref<AheadProblem | null>) {
  const ahead = shallowRef<Ahead | null>(null);
  /** how far it has come, 0 … 1; null: nothing is being drawn */
  const drawn = ref<number | null>(null);
  let worker: Worker | null = null;
  let seer: Remote<Seer> | null = null;
  let latest = 0;
  let enough = false;

  function drawHere(asked: AheadProblem): void {
    ahead.value = aheadOf(asked, { futures: FEW });
    drawn.value = null;
  }
  async function draw(asked: AheadProblem): Promise<void> {
    const mine = ++latest;
    enough = false;
    drawn.value = 0;
    if (typeof Worker === 'undefined') return drawHere(asked);
    seer ??= wrap<Seer>((worker = begin()));
    // Where it cannot run, the page draws a few itself.
    worker!.onerror = () => {
      if (mine === latest) drawHere(asked);
    };
    await seer.begin(plain(asked));
    // Of none nothing can be told.
    for (let count = 0; count === 0 || (count < FUTURES && !enough); count += AT_ONCE) {
      if (mine !== latest) return;
      await seer.more(AT_ONCE);
      if (mine === latest) drawn.value = (count + AT_ONCE) / FUTURES;
    }
    if (mine !== latest) return;
    const answer = await seer.told();
    if (mine !== latest) return;
    ahead.value = answer;
    drawn.value = null;
  }
  watch(problem, (asked) => asked && void draw(asked), { immediate: true });
  onBeforeUnmount(() => {
    latest += 1;
    worker?.terminate();
  });
  return { ahead, drawn, stop: () => (enough = true) };
}
