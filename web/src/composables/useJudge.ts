import { decide, type Decision, type Situation } from '@fernbank/core';
import type { Judge } from '../workers/decide.worker.ts';
import { plain, useRemote } from './useRemote.ts';

/**
 * The core's judgement for what-ifs, in a worker where there is one. Answers
 * that a later question has overtaken are dropped.
 */
export function useJudge(): (situation: Situation) => Promise<Decision | null> {
  const judge = useRemote<Judge>(
    () => new Worker(new URL('../workers/decide.worker.ts', import.meta.url), { type: 'module' }),
  );
  let latest = 0;
  return async (situation) => {
    const mine = ++latest;
    if (typeof Worker === 'undefined') return decide(plain(situation));
    const decision = (await judge().decide(plain(situation))) as Decision;
    return mine === latest ? decision : null;
  };
}
