import { betaAfter, betaMean, betaQuantile, chanceBetter, EVEN, type Beta } from './beta.ts';
import { CHECKPOINT_IDS, GRADES, type Checkpoint, type Grade } from './outcome.ts';
import { FACTORS, factorOf, wordOf, type Factor, type Practice } from './practice.ts';

/** One repot with what became of it. */
export interface Case {
  practice: Practice;
  /** its grades; the latest checkpoint counts */
  grades: readonly { at: Checkpoint; grade: Grade }[];
}

/** Cases below which nothing is claimed. @source models.md M16 */
export const FEWEST_CASES = 5;
/** Both ends of the band together leave out so much. */
const OUTSIDE = 0.2;

/** How one way of doing it went. */
export interface Tally {
  value: string;
  label: string;
  cases: number;
  counts: Record<Grade, number>;
  /** expected share that goes well, with the 80 % band */
  mean: number;
  low: number;
  high: number;
  belief: Beta;
  /** enough cases to say anything */
  telling: boolean;
}

/** The grade that counts of a case: the latest, as what looked well at three weeks may still fail. */
export function lastGrade({ grades }: Case): Grade | null {
  const [latest] = [...grades].sort(
    (a, b) => CHECKPOINT_IDS.indexOf(b.at) - CHECKPOINT_IDS.indexOf(a.at),
  );
  return latest?.grade ?? null;
}

/**
 * Cases counted by one factor, the best first; those of which too few are known last.
 *
 * @param at  only what was seen at one checkpoint; absent: the latest grade of each case
 */
export function tallyBy(cases: readonly Case[], factor: Factor, at?: Checkpoint): Tally[] {
  const byValue = new Map<string, Grade[]>();
  for (const one of cases) {
    const value = factorOf(one.practice, factor);
    const grade = at
      ? (one.grades.find((grading) => grading.at === at)?.grade ?? null)
      : lastGrade(one);
    if (value === null || grade === null) continue;
    byValue.set(value, [...(byValue.get(value) ?? []), grade]);
  }
  return [...byValue]
    .map(([value, grades]) => tallyOf(value, wordOf(factor, value), grades))
    .sort((a, b) => Number(b.telling) - Number(a.telling) || b.mean - a.mean || b.cases - a.cases);
}

function tallyOf(value: string, label: string, grades: readonly Grade[]): Tally {
  const well = grades.reduce((sum, grade) => sum + GRADES[grade].success, 0);
  const belief = betaAfter(EVEN, well, grades.length - well);
  const count = (grade: Grade) => grades.filter((one) => one === grade).length;
  return {
    value,
    label,
    cases: grades.length,
    counts: { thrives: count('thrives'), holdsOn: count('holdsOn'), suffers: count('suffers') },
    mean: betaMean(belief),
    low: betaQuantile(belief, OUTSIDE / 2),
    high: betaQuantile(belief, 1 - OUTSIDE / 2),
    belief,
    telling: grades.length >= FEWEST_CASES,
  };
}

/** What two ways of one factor say of each other. */
export interface Comparison {
  factor: Factor;
  better: Tally;
  worse: Tally;
  /** probability that the better one is better */
  chance: number;
}

/**
 * The comparisons that can be made: best against worst of each factor, where
 * both have cases enough; the surest first.
 */
export function comparisons(cases: readonly Case[]): Comparison[] {
  return (Object.keys(FACTORS) as Factor[])
    .flatMap((factor) => {
      const telling = tallyBy(cases, factor).filter((tally) => tally.telling);
      if (telling.length < 2) return [];
      const better = telling[0]!;
      const worse = telling[telling.length - 1]!;
      return [{ factor, better, worse, chance: chanceBetter(better.belief, worse.belief) }];
    })
    .sort((a, b) => b.chance - a.chance);
}
