import type { Judgement } from './judging.ts';
import type { RepotOrder } from './repotOrder.ts';

/** What was found at the bench replaces what was last seen. */
export function asFound(judgement: Judgement, { liveRoots }: RepotOrder): Judgement {
  if (liveRoots == null) return judgement;
  const { file } = judgement;
  const signals = { ...file.situation.signals, liveRoots };
  return { ...judgement, file: { ...file, situation: { ...file.situation, signals } } };
}

export const liveRootsOf = ({ file }: Judgement): number | null => {
  const { liveRoots } = file.situation.signals;
  return typeof liveRoots === 'number' ? liveRoots : null;
};

export const isRotten = ({ file }: Judgement): boolean =>
  file.situation.signals.rot === 'roots' || file.situation.signals.rot === 'stem';

export const isInBloom = ({ file }: Judgement): boolean =>
  file.situation.signals.bloom === 'bud' || file.situation.signals.bloom === 'open';
