import { toLp, type Solution, type Solve } from './model.ts';

/** What is used of the HiGHS package, so that the core need not load it. */
export interface LpSolver {
  solve: (
    problem: string,
    options?: Record<string, string | number | boolean>,
  ) => {
    Status: string;
    ObjectiveValue: number;
    Columns: Record<string, object>;
    Rows: readonly object[];
  };
}

const STATUS: Record<string, Solution['status']> = {
  Optimal: 'optimal',
  Infeasible: 'infeasible',
  'Primal infeasible or unbounded': 'infeasible',
  Unbounded: 'unbounded',
};

/** HiGHS's own default. */
const LEAST_GAP = 1e-6;

/**
 * Solves by HiGHS, which the caller has loaded where it runs: in a worker of
 * the browser, or on the server.
 *
 * @source HiGHS: Huangfu & Hall, Mathematical Programming Computation 10 (2018) 119–142
 */
export function solveByHighs(highs: LpSolver): Solve {
  return (model, { seconds = 20, gap = 0 } = {}) => {
    const answer = highs.solve(toLp(model), {
      time_limit: seconds,
      mip_rel_gap: 0,
      mip_abs_gap: Math.max(gap, LEAST_GAP),
    });
    const values = model.variables.map((_, i) => numberIn(answer.Columns[`x${i}`], 'Primal'));
    const found = Object.keys(answer.Columns).length > 0;
    return {
      status: STATUS[answer.Status] ?? 'stopped',
      objective: answer.ObjectiveValue,
      values: found ? values : [],
      duals: model.constraints.map((_, i) => numberIn(answer.Rows[i], 'Dual')),
    };
  };
}

/** What a row or column does not carry, as the duals of models with whole variables, is 0. */
function numberIn(of: object | undefined, name: 'Primal' | 'Dual'): number {
  const value = (of as Partial<Record<typeof name, unknown>> | undefined)?.[name];
  return typeof value === 'number' ? value : 0;
}
