import { aheadOf, type Ahead, type AheadProblem } from '@fernbank/core';
import { proxy, wrap, type Remote } from 'comlink';
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

/**
 * Two years of a collection, drawn anew whenever it changes. What is still being drawn when the next is
 * asked for is stopped; what was drawn before stays until the new one is there.
 */
export function useAhead(problem: Ref<AheadProblem | null>) {
  const ahead = shallowRef<Ahead | null>(null);
  /** how far it has come, 0 … 1; null: nothing is being drawn */
  const drawn = ref<number | null>(null);
  let worker: Worker | null = null;
  let seer: Remote<Seer> | null = null;
  let latest = 0;

  function stop(): void {
    latest += 1;
    worker?.terminate();
    worker = null;
    seer = null;
    drawn.value = null;
  }
  function drawHere(asked: AheadProblem): void {
    stop();
    ahead.value = aheadOf(asked, { futures: FEW });
  }
  async function draw(asked: AheadProblem): Promise<void> {
    if (drawn.value !== null) stop();
    const mine = ++latest;
    drawn.value = 0;
    if (typeof Worker === 'undefined') return drawHere(asked);
    seer ??= wrap<Seer>((worker = begin()));
    // Where it cannot run, the page draws a few itself.
    worker!.onerror = () => {
      if (mine === latest) drawHere(asked);
    };
    const tell = proxy((share: number) => {
      // What is told may arrive after the answer: they come by different ways.
      if (mine === latest && drawn.value !== null) drawn.value = share;
    });
    const answer = (await seer.draw(plain(asked), tell)) as Ahead;
    if (mine !== latest) return;
    ahead.value = answer;
    drawn.value = null;
  }
  watch(problem, (asked) => asked && void draw(asked), { immediate: true });
  onBeforeUnmount(stop);
  return { ahead, drawn, stop };
}
