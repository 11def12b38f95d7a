import type { Pantry } from '../media/index.ts';
import { daysBetween } from '../season/index.ts';
import { footing } from '../fit/index.ts';
import type { FitChoices } from './choices.ts';
import { fitOf, type Fit } from './fitOf.ts';
import type { FitShelf } from './subject.ts';

/** Made longer so often, or so soon, a pole had better been a longer one. @source common practice, no source */
const OFTEN = 2;
const SOON_DAYS = 90;
/** Each that is tried is a fit of its own. */
const MOST_TRIED = 2;

/** One piece that spares additions, and how many of them it leaves. */
export interface LongerPole {
  lengthCm: number;
  additions: number;
}

/** With a pole so long instead: a new one, where its own was kept. */
export const withLonger = (choices: FitChoices, lengthCm: number): FitChoices => ({
  ...choices,
  supportMode: 'new',
  lengthCm,
});

/**
 * A longer piece to set at once instead of one that is added to twice, or within a season; null: it is not,
 * or none that is sold or owned is longer, goes into the place and is carried by a pot.
 */
export function longerPole(fit: Fit, shelf: FitShelf, pantry: Pantry): LongerPole | null {
  const { plan, subject, choices } = fit;
  const [first] = plan?.extensions ?? [];
  if (!plan || !first) return null;
  const soon = first.on !== null && daysBetween(subject.situation.date, first.on) <= SOON_DAYS;
  if (plan.extensions.length < OFTEN && !soon) return null;
  const wantedCm = plan.depthCm + plan.extensions.at(-1)!.aboveCm;
  const own = shelf.supports
    .filter(({ kind, extension }) => kind === plan.kind.id && !extension)
    .map(({ lengthCm }) => lengthCm);
  const longer = [...new Set([...plan.kind.stockCm, ...own])]
    .filter((cm) => cm > plan.lengthCm)
    .sort((a, b) => a - b);
  const enough = longer.findIndex((cm) => cm >= wantedCm);
  // The shortest that reaches all the way; else as long as there is, and as is carried.
  const best = longer.slice(0, enough < 0 ? undefined : enough + 1).reverse();
  for (const lengthCm of best.slice(0, MOST_TRIED)) {
    const taken = fitOf(
      subject,
      shelf,
      { ...withLonger(choices, lengthCm), kind: plan.kind.id, picked: null },
      pantry,
    );
    const additions = taken.plan?.extensions.length ?? plan.extensions.length;
    const stands = taken.stances !== null && footing(taken.stances.now.tipAngleDryDeg) !== 'unsafe';
    if (taken.ladder.choice !== null && stands && additions < plan.extensions.length) {
      return { lengthCm, additions };
    }
  }
  return null;
}
