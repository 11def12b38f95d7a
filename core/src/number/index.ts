export { bisect } from './bisect.ts';
export { clamp, positive, within } from './check.ts';
export { gaussLegendre8 } from './integrate.ts';
export { interpolatedLog } from './interpolate.ts';
export { logistic, logit } from './logistic.ts';
export { percent } from './percent.ts';
export { seeded } from './seeded.ts';
export { lookUp } from './lookUp.ts';
export { OutOfRange } from './outOfRange.ts';
