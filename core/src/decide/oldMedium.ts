import type { MediumKind } from '../media/index.ts';
import { WORK_BY_MEDIUM, type DISTURBANCE } from './costs.ts';
import type { Signals } from './signals.ts';
import type { Situation } from './situation.ts';
import { SCHOOLS, USUAL_SCHOOLS } from '../schools/index.ts';

type Work = keyof typeof DISTURBANCE;

/** What is done beside moving it: where it goes, and what is cut. */
export interface MoveTo {
  /** absent: into what it stands in */
  newKind?: MediumKind | undefined;
  pieces?: number;
  rootsPruned?: boolean;
  mound?: boolean;
}

/**
 * Whether the old medium must come off whatever the school says: it is sour, rotted, mouldy through, or
 * lived in by what eats roots.
 *
 * @source common practice, no source
 */
export const mustComeOff = ({ smell, rot, mould, infestedRoots, pests }: Signals): boolean =>
  smell === 'sour' ||
  rot === 'roots' ||
  rot === 'stem' ||
  mould === 'through' ||
  infestedRoots === true ||
  pests === 'mealy';

/**
 * A ball of one does not go on in the other: soil among pebbles or moss stays wet, pebbles hold no
 * ball, and a mound is wrapped round bare roots. Moss on roots may stay when they go into a mix.
 *
 * @source common practice, no source
 */
function partsWorlds(from: MediumKind, { newKind = from, mound = false }: MoveTo): boolean {
  if (mound) return true;
  return from !== newKind && (from === 'pebbles' || newKind === 'pebbles' || newKind === 'moss');
}

/** How much is taken from the roots by the keeper's school, else as the medium asks. */
export const usualWork = ({ medium, schools }: Pick<Situation, 'medium' | 'schools'>): Work =>
  SCHOOLS.oldMedium.options[schools?.oldMedium ?? USUAL_SCHOOLS.oldMedium].work ??
  WORK_BY_MEDIUM[medium.kind];

/** The same, of a plant as it was found and for the move that is meant: a rescue and another medium bare the roots, a cut opens the ball. */
export function workFor(
  situation: Pick<Situation, 'medium' | 'schools' | 'signals'>,
  move: MoveTo = {},
): Work {
  return workMeant(usualWork(situation), situation.signals, situation.medium.kind, move);
}

/** What becomes of an intended work by findings and by the move that is meant. */
export function workMeant(usual: Work, signals: Signals, from: MediumKind, move: MoveTo): Work {
  if (mustComeOff(signals) || partsWorlds(from, move)) return 'bareRoot';
  const cut = (move.pieces ?? 1) > 1 || move.rootsPruned === true;
  return cut && usual === 'ballKept' ? 'mostOff' : usual;
}
