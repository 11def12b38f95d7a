import {
  designMix,
  relaxing,
  solveByHighs,
  type Component,
  type DesignRequest,
  type MixTarget,
  type RecipePart,
} from '@fernbank/core';
import { expose } from 'comlink';
import highsLoader from 'highs';
import wasmUrl from 'highs/runtime?url';

const solver = highsLoader({ locateFile: () => wasmUrl }).then(solveByHighs);

/** What a page asks: prices as plain numbers, by component id. */
export interface DesignOrder extends Omit<DesignRequest, 'priceOf'> {
  prices: Record<string, number>;
}
/** A design as plain data: a blend is a function and stays here. */
export interface DesignAnswer {
  parts: RecipePart[];
  reached: { target: MixTarget; value: number; shortfall: number }[];
  miss: number;
  optimal: boolean;
}

const requestOf = ({ prices, ...order }: DesignOrder): DesignRequest => ({
  ...order,
  priceOf: ({ id }: Component) => prices[id] ?? null,
});
type Plain = Pick<ReturnType<typeof designMix>, 'parts' | 'reached' | 'miss' | 'optimal'>;
const answerOf = ({ parts, reached, miss, optimal }: Plain): DesignAnswer => ({
  parts: parts.map(({ ingredient, parts: n }) => ({ component: ingredient.id, parts: n })),
  reached,
  miss,
  optimal,
});

const designer = {
  design: async (order: DesignOrder) => answerOf(designMix(requestOf(order), await solver)),
  relax: async (order: DesignOrder) =>
    relaxing(requestOf(order), await solver).map(({ target, buys, without }) => ({
      target,
      buys,
      without: answerOf(without),
    })),
};
export type Designer = typeof designer;
expose(designer);
