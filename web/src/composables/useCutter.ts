import type { CutPlan, CutRequest, MeshPiece, MeshPlan, MeshStock } from '@fernbank/core';
import { wrap, type Remote } from 'comlink';
import { onBeforeUnmount } from 'vue';
import type { Cutter } from '../workers/cuts.worker.ts';

/** Cut plans from the exact solver, worked out beside the page. */
export function useCutter(): {
  bars: (request: CutRequest) => Promise<CutPlan>;
  mesh: (stock: MeshStock, pieces: MeshPiece[]) => Promise<MeshPlan>;
} {
  let worker: Worker | null = null;
  let cutter: Remote<Cutter> | null = null;
  onBeforeUnmount(() => worker?.terminate());
  const ready = (): Remote<Cutter> => {
    if (!cutter) {
      worker = new Worker(new URL('../workers/cuts.worker.ts', import.meta.url), {
        type: 'module',
      });
      cutter = wrap<Cutter>(worker);
    }
    return cutter;
  };
  // A worker takes plain data, not what Vue watches.
  const plain = <T>(data: T): T => JSON.parse(JSON.stringify(data)) as T;
  return {
    bars: (request) => ready().bars(plain(request)),
    mesh: (stock, pieces) => ready().mesh(plain(stock), plain(pieces)),
  };
}
