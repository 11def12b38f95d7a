import type { Batch, Rung, SupportPlan } from '@fernbank/core';
import { m } from '../messages/index.ts';
import { useUnits } from './useUnits.ts';

/** A pot of the ladder, and the support that goes in with it, as one says them: the same wherever they are named. */
export function usePotWords() {
  const { length, volume, said } = useUnits();
  function potTitle(rung: Rung | null): string {
    if (!rung) return m.fit.nonePossible;
    const { option, rimCm: width, fillL: litres, mound } = rung;
    if (mound) {
      const pot = option.source === 'toBuy' ? m.fit.aPot(length(width)) : said(option.label);
      return m.fit.moundTitle(pot, length(mound.diameterCm));
    }
    return option.source === 'toBuy'
      ? m.fit.buyTitle(length(width), volume(litres))
      : m.fit.ownTitle(said(option.label), length(width), volume(litres));
  }
  /** @param plan  null: none is set */
  const supportTitle = (plan: SupportPlan | null): string =>
    plan ? m.fit.withSupport(plan.poles, plan.kind.label, length(plan.lengthCm)) : '';
  /** What water it stands over; empty: none. */
  const waterTitle = (rung: Rung | null): string =>
    rung?.under ? m.fit.under.short(volume(rung.under.summer.litres)) : '';
  /** A mix in the scoops that a hand counts; empty: none is needed. */
  function mixTitle(batch: Batch | null): string {
    if (!batch) return '';
    const { scoopL, scoops } = batch.scoop;
    const parts = batch.measures.map(({ component }, i) => m.ask.part(scoops[i]!, component.label));
    return `${parts.join(' · ')}, ${m.ask.scoopsOf(volume(scoopL))}`;
  }
  return { potTitle, supportTitle, waterTitle, mixTitle };
}
