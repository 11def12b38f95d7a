import {
  methodOf,
  partsOf,
  seasonAhead,
  seasonOf,
  WINDOW_READINESS,
  type Practice,
  type RecipePart,
  type RootWork,
} from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import type { PlantRow } from './collection.ts';
import { isRotten } from './foundAtBench.ts';
import type { Judgement } from './judging.ts';
import { pantryFor } from './pantry.ts';
import type { RepotOrder } from './repotOrder.ts';

interface RepotDone {
  /** as it was before */
  plant: PlantRow;
  order: RepotOrder;
  judgement: Judgement;
  work: RootWork['work'];
  mediumParts: RecipePart[] | null;
}

/** How it was done, for what worked: only the schools that had a say. */
export function practiceOf(
  db: Db,
  { plant, order, judgement, work, mediumParts }: RepotDone,
): Practice {
  const { situation, taxon, spot } = judgement.file;
  const { when, size, oldMedium, firstWater, weakRoots, rot, wetting, toPebbles } =
    situation.schools;
  const rotten = isRotten(judgement);
  const { pieces = 1, rootsPruned = false } = order.cuts ?? {};
  const [from, to] = [plant.mediumKind, order.mediumKind];
  const repels = partsOf(mediumParts ?? [], pantryFor(db)).some(
    ({ ingredient }) => ingredient.rewets === 'repels',
  );
  const { readiness } = seasonAhead(situation.spot, situation.traits, order.date, 1);
  return {
    method: methodOf({
      from,
      to,
      pieces,
      rootsPruned,
      rotten,
      work,
      rootsCut: order.rootsCut,
      mound: order.mound ?? false,
    }),
    schools: {
      when,
      size,
      oldMedium,
      firstWater,
      ...(work !== 'ballKept' || rotten ? { weakRoots } : {}),
      ...(rotten ? { rot } : {}),
      ...(repels ? { wetting } : {}),
      ...(to === 'pebbles' && from !== 'pebbles' ? { toPebbles } : {}),
    },
    medium: to,
    season: seasonOf(order.date, spot.latitudeDeg),
    inWindow: readiness[0]! >= WINDOW_READINESS,
    group: taxon.group,
  };
}
