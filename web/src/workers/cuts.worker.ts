import {
  planCuts,
  planMesh,
  solveByHighs,
  type CutRequest,
  type MeshPiece,
  type MeshStock,
} from '@fernbank/core';
import { expose } from 'comlink';
import highsLoader from 'highs';
import wasmUrl from 'highs/runtime?url';

/** The solver is a few megabytes: it is fetched with the first plan, beside the page. */
const solver = highsLoader({ locateFile: () => wasmUrl }).then(solveByHighs);

const cutter = {
  bars: async (request: CutRequest) => planCuts(request, await solver),
  mesh: async (stock: MeshStock, pieces: MeshPiece[]) => planMesh(stock, pieces, await solver),
};
export type Cutter = typeof cutter;
expose(cutter);
