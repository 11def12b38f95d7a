import type { StandingSupport } from '../fit/index.ts';
import { supportMaterial, type SupportMaterial } from './material.ts';
import { supportAreaCm2, type SupportPlan } from './plan.ts';

/** The plan's poles as they stand in the pot, without what is put on top later. */
export function standingSupport(plan: SupportPlan): StandingSupport {
  return weighed(plan, plan.lengthCm, plan.material);
}

/** The same at the horizon, with every extension on. */
export function extendedSupport(plan: SupportPlan): StandingSupport {
  const lengthCm = plan.depthCm + (plan.extensions.at(-1)?.aboveCm ?? plan.aboveCm);
  return weighed(plan, lengthCm, supportMaterial(plan.kind.id, plan.section, lengthCm));
}

function weighed(
  plan: SupportPlan,
  lengthCm: number,
  { dryKg, wetKg }: SupportMaterial,
): StandingSupport {
  return {
    lengthCm,
    dryKg: dryKg * plan.poles,
    wetKg: wetKg * plan.poles,
    sectionCm2: supportAreaCm2(plan),
  };
}
