import { signal, type SignalId } from './signals.ts';

/** What to see to, where the label of a question alone does not say it. */
const TO_SEE: Partial<Record<SignalId, string>> = {
  rootsAtHoles: 'whether roots show at the drainage holes',
  potBulging: 'whether the pot bulges',
  growthAtWall: 'whether new growth meets the wall of the pot',
  emptySide: 'whether one side of the pot is bare',
  nurseryPlug: 'whether a nursery plug or basket is left inside',
  wobble: 'whether it stands firm',
  rootsOnTop: 'whether roots show on the surface',
  waterRunsThrough: 'whether water runs straight through',
  driesSooner: 'whether it dries sooner than it did',
  staysWetLonger: 'whether it stays wet longer than it did',
  compacted: 'whether the mix is packed hard',
  mediumSunk: 'whether the level of the mix has sunk',
  smell: 'how the mix smells',
  growth: 'how it grows',
  newLeaves: 'how large its new leaves are',
  oldLeavesYellowing: 'whether older leaves turn yellow',
  stemBare: 'whether its stem is long and bare',
  vinePastSupport: 'whether it has grown past its support',
  bloom: 'whether it is in bloom or bud',
  resting: 'whether it rests',
  limp: 'whether it is limp',
  justArrived: 'whether it has just arrived',
  coldHurt: 'whether the cold has hurt it',
};

/** What a question of a look asks one to see to, in words that follow “what would help most:”. */
export const toSee = (id: SignalId): string => TO_SEE[id] ?? signal(id).label.toLowerCase();
