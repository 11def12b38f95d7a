import type { LinearModel } from './model.ts';

/** How far a search has come. */
export interface Progress {
  seconds: number;
  /** of the best found so far; null: nothing yet */
  objective: number | null;
  /** no solution can be better */
  bound: number;
}

export interface WholeSolution {
  status: 'optimal' | 'infeasible' | 'stopped';
  /** of the best found; NaN where nothing was */
  objective: number;
  /** no solution can be better; equal to the objective, to rounding, when proven */
  bound: number;
  /** one a variable; empty where nothing was found */
  values: number[];
}

export interface WholeOptions {
  seconds?: number;
  /** relative distance to the bound that is good enough, 0 … */
  gap?: number;
  /** a solution to better, one value a variable; an infeasible one is passed over */
  start?: readonly number[];
  /** false: begin at once; better where a start is known and time is short */
  presolve?: boolean;
  /** called now and then, synchronously */
  onProgress?: (progress: Progress) => void;
  /** called with each better solution, synchronously: what is kept when the caller is stopped */
  onBetter?: (values: readonly number[], objective: number) => void;
}

/** A solver of models with whole variables that says how far from the best its answer can be. */
export type SolveWhole = (model: LinearModel, options?: WholeOptions) => WholeSolution;

/** What is used of a HiGHS model, so that the core need not load the package. */
interface HighsModel {
  options: { set(options: Record<string, string | number | boolean>): unknown };
  info: { get(name: string): unknown };
  setSolution(solution: { colValue: number[] }): unknown;
  run(callbacks: Record<number, (event: { data: CallbackData }) => undefined>): {
    modelStatus: number;
  };
  getSolution(): { colValue: ArrayLike<number> };
  getObjectiveValue(): number;
}
interface CallbackData {
  running_time?: number;
  objective_function_value?: number;
  mip_primal_bound?: number;
  mip_dual_bound?: number;
  mip_solution?: ArrayLike<number>;
}

/** What is used of the HiGHS package for models with whole variables. */
export interface WholeSolver {
  infinity: number;
  constants: {
    modelStatus: { optimal: number; infeasible: number };
    objectiveSense: { minimize: unknown; maximize: unknown };
    callbackType: { mipImprovingSolution: number; mipLogging: number };
  };
  withModel<T>(source: never, operation: (model: never) => T): T;
}

/**
 * Solves by HiGHS with a start, with progress, and with its proven bound.
 *
 * @source HiGHS: Huangfu & Hall, Mathematical Programming Computation 10 (2018) 119–142
 */
export function wholeByHighs(highs: WholeSolver): SolveWhole {
  const { modelStatus, callbackType } = highs.constants;
  return (linear, { seconds = 5, gap = 0, start, presolve = true, onProgress, onBetter } = {}) =>
    highs.withModel(
      dataOf(linear, highs) as never,
      ((model: HighsModel): WholeSolution => {
        model.options.set({
          output_flag: false,
          time_limit: seconds,
          presolve: presolve ? 'on' : 'off',
          mip_rel_gap: gap,
          mip_abs_gap: LEAST_GAP,
          mip_feasibility_tolerance: LEAST_GAP,
        });
        if (start) model.setSolution({ colValue: [...start] });
        let best: number[] = [];
        const { modelStatus: ended } = model.run({
          [callbackType.mipImprovingSolution]: ({ data }) => {
            if (!data.mip_solution) return;
            best = Array.from(data.mip_solution);
            onBetter?.(best, data.objective_function_value ?? NaN);
          },
          [callbackType.mipLogging]: ({ data }) => {
            const { mip_primal_bound: found, mip_dual_bound: bound, running_time: ran = 0 } = data;
            const objective = found !== undefined && Math.abs(found) < UNSET ? found : null;
            onProgress?.({ seconds: ran, objective, bound: bound ?? NaN });
          },
        });
        if (ended === modelStatus.infeasible) return NOTHING;
        const whole = linear.variables.some(({ whole: must }) => must);
        const found = whole ? Number(model.info.get('primal_solution_status')) === FEASIBLE : true;
        const values = found ? Array.from(model.getSolution().colValue) : best;
        const objective = values.length > 0 ? valueOf(linear, values) : NaN;
        const proven = ended === modelStatus.optimal && gap === 0;
        const bound = whole ? Number(model.info.get('mip_dual_bound')) : objective;
        return {
          status: ended === modelStatus.optimal ? 'optimal' : 'stopped',
          objective,
          bound: proven ? objective : bound,
          values,
        };
      }) as (model: never) => WholeSolution,
    );
}

const NOTHING: WholeSolution = {
  status: 'infeasible',
  objective: NaN,
  bound: NaN,
  values: [],
};
const LEAST_GAP = 1e-6;
/** HiGHS tells of a bound that it has not got by an infinite number. */
const UNSET = 1e100;
/** `primal_solution_status` of a point that holds every constraint. */
const FEASIBLE = 2;

const valueOf = ({ variables }: LinearModel, values: readonly number[]) =>
  variables.reduce((sum, { cost }, i) => sum + cost * values[i]!, 0);

/** The model as arrays, row by row. */
export function dataOf({ sense, variables, constraints }: LinearModel, highs: WholeSolver) {
  const { infinity, constants } = highs;
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const { terms } of constraints) {
    // A variable that stands twice in a row is one coefficient.
    const merged = new Map<number, number>();
    for (const [variable, c] of terms) merged.set(variable, (merged.get(variable) ?? 0) + c);
    for (const [variable, c] of merged) {
      if (c === 0) continue;
      indices.push(variable);
      values.push(c);
    }
    starts.push(indices.length);
  }
  return {
    numCols: variables.length,
    numRows: constraints.length,
    sense: sense === 'max' ? constants.objectiveSense.maximize : constants.objectiveSense.minimize,
    colCost: variables.map(({ cost }) => cost),
    colLower: variables.map(({ lower = 0 }) => lower),
    colUpper: variables.map(({ upper = infinity }) => upper),
    rowLower: constraints.map(({ sense: by, limit }) => (by === '<=' ? -infinity : limit)),
    rowUpper: constraints.map(({ sense: by, limit }) => (by === '>=' ? infinity : limit)),
    matrix: {
      format: 'csr',
      numRows: constraints.length,
      numCols: variables.length,
      starts,
      indices,
      values,
    },
    integrality: variables.map(({ whole }) => (whole ? 1 : 0)),
  };
}
