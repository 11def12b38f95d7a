import { calculatorRoutes } from '../routes/calculators.ts';
import { answering } from './answering.ts';

/** A heavy sum: the path of its calculator, and a body that was checked. */
export interface AskedSum {
  path: string;
  body: unknown;
}

const { operations } = calculatorRoutes();

answering(async ({ path, body }: AskedSum) => {
  const { sum } = operations.find((operation) => operation.path === path)!;
  return { json: JSON.stringify(await sum!(body as never)) };
});
