import { workMeant } from '../decide/index.ts';
import { before } from './before.ts';
import { throughWater } from './overWater.ts';
import { after, potted } from './potting.ts';
import { rootsFreed } from './roots.ts';
import type { ProcedureRequest } from './request.ts';
import { inOrder, type Step } from './step.ts';
import { withUsual } from '../schools/index.ts';

/**
 * The steps of one repot in the order of the hands, composed from what the
 * plant is, what was seen of it, what was planned, and the keeper's schools. Whatever the school, what
 * is sour, rotted or lived in comes off. A mound has no floor that a support could stand on.
 *
 * @source common practice, no source; each step says why
 */
export function procedure(asked: ProcedureRequest): Step[] {
  const { work: usual, signals, from, to: newKind, pieces, rootsPruned, mound } = asked;
  const work = workMeant(usual, signals, from, {
    newKind,
    pieces,
    rootsPruned,
    mound: Boolean(mound),
  });
  const schools = withUsual(asked.schools);
  const request = { ...asked, schools, work, ...(mound ? { support: null } : {}) };
  return inOrder([
    ...before(request),
    ...rootsFreed(request),
    ...throughWater(request),
    ...potted(request),
    ...after(request),
  ]);
}
