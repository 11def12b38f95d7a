export {
  say,
  sayAll,
  spoken,
  spokenOut,
  type Quantity,
  type Saying,
  type Speaker,
  type SpokenOut,
  type Told,
} from './saying.ts';
export { halvesSaid, inHalves, inYears, monthsOf, monthsSaid, yearsOf } from './spans.ts';
export { inMetric, METRIC, speakerFor, type NumberWriter } from './speaker.ts';
