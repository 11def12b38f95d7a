import type { CutPlan, CutRequest, MeshPiece, MeshPlan, MeshStock } from '@fernbank/core';
import type { Cutter } from '../workers/cuts.worker.ts';
import { plain, useRemote } from './useRemote.ts';

/** Cut plans from the exact solver, worked out beside the page. */
export function useCutter(): {
  bars: (request: CutRequest) => Promise<CutPlan>;
  mesh: (stock: MeshStock, pieces: MeshPiece[]) => Promise<MeshPlan>;
} {
  const cutter = useRemote<Cutter>(
    () => new Worker(new URL('../workers/cuts.worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    bars: (request) => cutter().bars(plain(request)),
    mesh: (stock, pieces) => cutter().mesh(plain(stock), plain(pieces)),
  };
}
