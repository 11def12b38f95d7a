export { SHIFTS, weeksAhead, type WeeksAhead } from './ahead.ts';
export { corrected, type Correction, type Corrections } from './corrected.ts';
export { measuredFindings, type MeasuredFinding } from './measured.ts';
export { HORIZON_WEEKS, WEEKS_OF_GROWTH, WORK_BY_MEDIUM, type LesserAct } from './costs.ts';
export { decide, lesserActLabel, statesOf, type Decision } from './decide.ts';
export {
  answersOf,
  CARE_KINDS,
  isAfter,
  standingFindings,
  type CareKind,
  type Moment,
} from './care.ts';
export type { Reason } from './evidence.ts';
export { mustComeOff, workFor, workMeant, type MoveTo } from './oldMedium.ts';
export { freshCycle } from './freshCycle.ts';
export {
  matchesVerdict,
  verdictWord,
  type VerdictFaces,
  type VerdictFilter,
  type VerdictWord,
} from './verdictFilter.ts';
export { HEADLINES, headlineOf, wantsPot, type Headline } from './headline.ts';
export { leadingReasons } from './leading.ts';
export { canShow } from './shows.ts';
export { askFirst } from './askFirst.ts';
export { LOOK_PRICE } from './lookWorth.ts';
export { toSee } from './toSee.ts';
export type { VerdictKind } from './optimum.ts';
export {
  possibleValues,
  signal,
  ALL_SIGNALS,
  SIGNALS,
  SIGNAL_GROUPS,
  STATES,
  weigh,
  type SignalId,
  type SignalDefinition,
  type Signals,
  type SignalValue,
  type State,
} from './signals.ts';
export {
  asLearned,
  blendOf,
  freshIn,
  mediumLife,
  meanTemperatureC,
  type Medium,
  type MediumLife,
  type Situation,
} from './situation.ts';
