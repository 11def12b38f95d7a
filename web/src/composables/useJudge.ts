import { decide, type Decision, type Situation } from '@fernbank/core';
import { wrap, type Remote } from 'comlink';
import { onBeforeUnmount } from 'vue';
import type { Judge } from '../workers/decide.worker.ts';

/**
 * The core's judgement for what-ifs, in a worker where there is one. Answers
 * that a later question has overtaken are dropped.
 */
export function useJudge(): (situation: Situation) => Promise<Decision | null> {
  let worker: Worker | null = null;
  let judge: Remote<Judge> | null = null;
  let latest = 0;
  onBeforeUnmount(() => worker?.terminate());
  return async (situation) => {
    const mine = ++latest;
    // A worker takes plain data, not what Vue watches.
    const plain = JSON.parse(JSON.stringify(situation)) as Situation;
    if (typeof Worker === 'undefined') return decide(plain);
    if (!judge) {
      worker = new Worker(new URL('../workers/decide.worker.ts', import.meta.url), {
        type: 'module',
      });
      judge = wrap<Judge>(worker);
    }
    const decision = (await judge.decide(plain)) as Decision;
    return mine === latest ? decision : null;
  };
}
