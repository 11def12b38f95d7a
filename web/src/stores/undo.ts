import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api, ApiError } from '../api/client.ts';
import type { AnswerAt } from '../api/contract.ts';
import type { Deed } from '../api/types.ts';

/** Later deeds that rest on one that is to be taken back, for the keeper to decide on. */
interface Question {
  dependents: Deed[];
  settle: (withThem: boolean) => void;
}

/** Taking back, everywhere in one way: by the deed that an answer named. */
export const useUndo = defineStore('undo', () => {
  const question = ref<Question | null>(null);

  /**
   * Takes something back. What rests on it is shown first, and goes with it or keeps all as it is.
   *
   * @param path  of the undo: a deed's, or a whole day's
   * @returns what the server answered; null when the keeper let it stand
   * @throws ApiError where it cannot be taken back any more
   */
  async function takeBack<P extends string>(path: P): Promise<AnswerAt<'POST', P> | null> {
    const ask = (also: number[]) => api(path, { method: 'POST', body: { also } });
    try {
      return await ask([]);
    } catch (error) {
      if (!(error instanceof ApiError) || error.code !== 'dependents') throw error;
      const dependents = error.more.dependents as Deed[];
      const withThem = await new Promise<boolean>((settle) => {
        question.value = { dependents, settle };
      });
      question.value = null;
      return withThem ? ask(dependents.map(({ id }) => id)) : null;
    }
  }
  return { question, takeBack };
});
