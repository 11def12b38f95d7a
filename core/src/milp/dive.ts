import type { LinearModel } from './model.ts';
import { dataOf, type WholeSolver } from './whole.ts';

/** The linear relaxation and a whole solution near it. */
export interface Dived {
  /** of the relaxation: no whole solution can be better */
  bound: number;
  /** the relaxation itself, one value a variable */
  relaxed: number[];
  /** what choosing a variable costs beyond what it brings, at the relaxation; ≤ 0 when maximising */
  reducedCosts: number[];
  /** one a variable: those that choose, of 0 … 1, are whole; counts may not be */
  values: number[];
}
export type Dive = (model: LinearModel, options?: { seconds?: number }) => Dived | null;

/** What is used of a HiGHS model that is solved again and again. */
interface Session {
  options: { set(options: Record<string, string | number | boolean>): unknown };
  changeColBounds(column: number, lower: number, upper: number): unknown;
  run(): { modelStatus: number };
  getSolution(): { colValue: ArrayLike<number>; colDual: ArrayLike<number> };
  getObjectiveValue(): number;
}

const WHOLE = 1e-6;
/** Variables as near to 1 as this are fixed there in the next round. */
const NEARLY_ONE = 0.75;
/** And at least this share of those that are still open. */
const LEAST_SHARE = 0.06;
/** A row that is full refuses one choice after the other: what is left open is for others to close. */
const MOST_REFUSED = 4;
const SECONDS = 2;

/**
 * A whole solution near the linear relaxation: what is nearly chosen is chosen,
 * the rest solved again, until nothing is open. Quick where a tree search is
 * slow to find its first good solution.
 *
 * @returns null when the relaxation has no solution, or was not solved in time
 * @source diving heuristic: Achterberg, Constraint Integer Programming, 2007, section 9.3, from memory
 */
export function diveByHighs(highs: WholeSolver): Dive {
  const { optimal } = highs.constants.modelStatus;
  return (linear, { seconds = SECONDS } = {}) => {
    const relaxed = {
      ...linear,
      variables: linear.variables.map((variable) => ({ ...variable, whole: false })),
    };
    const choices = linear.variables.flatMap(({ whole, lower = 0, upper }, i) =>
      whole && lower === 0 && upper === 1 ? [i] : [],
    );
    return highs.withModel(
      dataOf(relaxed, highs) as never,
      ((session: Session): Dived | null => {
        session.options.set({ output_flag: false, time_limit: Math.max(1, seconds) });
        const solved = () =>
          session.run().modelStatus === optimal ? Array.from(session.getSolution().colValue) : null;
        let values = solved();
        if (!values) return null;
        const bound = session.getObjectiveValue();
        const relaxation = values;
        const reducedCosts = Array.from(session.getSolution().colDual);
        let refused = 0;
        const open = new Set(choices);
        const fix = (variable: number, at: 0 | 1) => {
          session.changeColBounds(variable, at, at);
          open.delete(variable);
        };
        const until = Date.now() + seconds * 1000;
        while (Date.now() < until && refused < MOST_REFUSED) {
          const now: readonly number[] = values;
          const broken = [...open].filter((i) => now[i]! > WHOLE && now[i]! < 1 - WHOLE);
          if (broken.length === 0) break;
          const near = [...open].filter((i) => now[i]! > WHOLE).sort((a, b) => now[b]! - now[a]!);
          const sure = near.filter((i) => now[i]! >= NEARLY_ONE);
          const count = Math.max(1, Math.ceil(LEAST_SHARE * broken.length));
          const taken = [
            ...new Set([...sure, ...broken.sort((a, b) => now[b]! - now[a]!).slice(0, count)]),
          ];
          for (const i of taken) fix(i, 1);
          let next = solved();
          if (!next) {
            // Together they cannot be: only the surest stays, and if that cannot be either, it is out.
            for (const i of taken.slice(1)) {
              session.changeColBounds(i, 0, 1);
              open.add(i);
            }
            next = solved();
          }
          if (!next) {
            refused += 1;
            fix(taken[0]!, 0);
            next = solved();
          }
          if (!next) break;
          values = next;
        }
        return { bound, relaxed: relaxation, reducedCosts, values };
      }) as (model: never) => Dived | null,
    );
  };
}
