import { wrap, type Remote } from 'comlink';
import { onBeforeUnmount } from 'vue';

/** A worker that starts with its first question and ends with the view. */
export function useRemote<T>(start: () => Worker): () => Remote<T> {
  let worker: Worker | null = null;
  let remote: Remote<T> | null = null;
  onBeforeUnmount(() => worker?.terminate());
  return () => {
    if (!remote) {
      worker = start();
      remote = wrap<T>(worker);
    }
    return remote;
  };
}

/** A worker takes plain data, not what Vue watches. */
export const plain = <T>(data: T): T => JSON.parse(JSON.stringify(data)) as T;
