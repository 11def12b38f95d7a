/** A linear model, some of whose variables must be whole. */
export interface LinearModel {
  sense: 'min' | 'max';
  variables: Variable[];
  constraints: Constraint[];
}

export interface Variable {
  /** weight in the objective */
  cost: number;
  /** 0 when absent */
  lower?: number;
  /** none when absent */
  upper?: number;
  whole?: boolean;
}

export interface Constraint {
  /** [index of the variable, coefficient] */
  terms: [variable: number, coefficient: number][];
  sense: '<=' | '>=' | '=';
  limit: number;
}

/** What a solver found. */
export interface Solution {
  status: 'optimal' | 'infeasible' | 'unbounded' | 'stopped';
  objective: number;
  /** one a variable; empty where nothing was found */
  values: number[];
  /** of the constraints; only for models without whole variables */
  duals: number[];
}

/** Any solver of linear models. */
export type Solve = (
  model: LinearModel,
  options?: {
    seconds?: number;
    /** of the objective: closer to the best is not asked */ gap?: number;
  },
) => Solution;

const term = (coefficient: number, name: string) =>
  `${coefficient < 0 ? '-' : '+'} ${Math.abs(coefficient)} ${name}`;
/** Lines of an LP file are kept short: readers stop at 255 characters. */
const TERMS_A_LINE = 8;
function sum(terms: string[]): string {
  const lines: string[] = [];
  for (let i = 0; i < terms.length; i += TERMS_A_LINE) {
    lines.push(terms.slice(i, i + TERMS_A_LINE).join(' '));
  }
  return lines.join('\n ');
}

/** The model as text in the LP file format, variables named x0, x1, … and rows c0, c1, … */
export function toLp({ sense, variables, constraints }: LinearModel): string {
  const name = (i: number) => `x${i}`;
  const objective = variables.flatMap(({ cost }, i) => (cost === 0 ? [] : [term(cost, name(i))]));
  const rows = constraints.map(
    ({ terms, sense: by, limit }, i) =>
      ` c${i}: ${sum(terms.map(([variable, c]) => term(c, name(variable))))} ${by} ${limit}`,
  );
  const bounds = variables.flatMap(({ lower = 0, upper }, i) => {
    if (upper !== undefined) return [` ${lower} <= ${name(i)} <= ${upper}`];
    return lower === 0 ? [] : [` ${name(i)} >= ${lower}`];
  });
  const whole = variables.flatMap(({ whole: must }, i) => (must ? [name(i)] : []));
  return [
    sense === 'min' ? 'Minimize' : 'Maximize',
    ` obj: ${objective.length > 0 ? sum(objective) : '0 x0'}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...bounds,
    ...(whole.length > 0 ? ['General', ` ${sum(whole)}`] : []),
    'End',
  ].join('\n');
}
