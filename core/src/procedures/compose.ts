import { before } from './before.ts';
import { after, potted, throughWater } from './potting.ts';
import { rootsFreed } from './roots.ts';
import type { ProcedureRequest } from './request.ts';
import type { Step } from './step.ts';

/**
 * The steps of one repot in the order of the hands, composed from what the
 * plant is, what was seen of it, what was planned, and the keeper's schools.
 *
 * @source common practice, no source; each step says why
 */
export function procedure(request: ProcedureRequest): Step[] {
  return [
    ...before(request),
    ...rootsFreed(request),
    ...throughWater(request),
    ...potted(request),
    ...after(request),
  ];
}
