import {
  completeDay,
  diveByHighs,
  laidDay,
  planDay,
  solveByHighs,
  wholeByHighs,
  type DayProblem,
  type LaidDay,
  type LpSolver,
  type Move,
  type PinConflict,
  type WholeSolver,
  type Schools,
} from '@fernbank/core';

/** A day as it comes back from the solver: plain data. */
export type PlannedDay =
  { kind: 'plan'; laid: LaidDay; moves: Move[] } | { kind: 'conflict'; conflict: PinConflict };

/** What is told while the search goes on. */
export type Told =
  | { kind: 'progress'; seconds: number; bound: number | null }
  | { kind: 'better'; laid: LaidDay; moves: Move[] };

/** How long a day is searched, seconds. */
const SECONDS = 5;
/** Progress is told no oftener than an eye follows it, ms: a page flooded with it draws nothing else. */
const TELL_EACH_MS = 100;

/** Plans potting days with a solver that is loaded wherever this runs. */
export function dayPlanner(highs: Promise<LpSolver & WholeSolver>) {
  const solvers = highs.then((loaded) => ({
    whole: wholeByHighs(loaded),
    dive: diveByHighs(loaded),
    cuts: solveByHighs(loaded),
  }));
  return {
    async plan(
      problem: DayProblem,
      wetting: Schools['wetting'],
      tell: (told: Told) => void,
      seconds = SECONDS,
    ): Promise<PlannedDay> {
      let toldAt = -Infinity;
      const answer = planDay(problem, await solvers, {
        seconds,
        onProgress: ({ seconds: ran, bound }) => {
          if (performance.now() - toldAt < TELL_EACH_MS) return;
          toldAt = performance.now();
          tell({ kind: 'progress', seconds: ran, bound: Number.isFinite(bound) ? bound : null });
        },
        onPlan: (plan) =>
          tell({ kind: 'better', laid: laidDay(problem, plan, wetting), moves: plan.moves }),
      });
      if (answer.kind === 'conflict') return answer;
      const { plan } = answer;
      return { kind: 'plan', laid: laidDay(problem, plan, wetting), moves: plan.moves };
    },
    /** what stays of a search that was stopped, in full */
    async complete(
      problem: DayProblem,
      wetting: Schools['wetting'],
      moves: Move[],
      bound: number | null,
    ): Promise<PlannedDay> {
      const plan = completeDay(problem, moves, bound ?? Infinity, (await solvers).cuts);
      return { kind: 'plan', laid: laidDay(problem, plan, wetting), moves };
    },
  };
}
export type DayPlanner = ReturnType<typeof dayPlanner>;
