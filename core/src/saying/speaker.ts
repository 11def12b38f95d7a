import { LENGTH_UNITS, MASS_UNITS, VOLUME_UNITS } from '../number/index.ts';
import { spoken, type Saying, type Speaker } from './saying.ts';

/** Writes a number with at most so many digits after the point, as its reader is used to. */
export type NumberWriter = (value: number, digits: number) => string;

/** From about a quart on, cups are no longer counted. */
const CUPS_BELOW_L = 0.95;

const round: NumberWriter = (value, digits) => String(Number(value.toFixed(digits)));
const asIso = (date: string) => date;

/** As finely as a jug is read: 10 mL from a fifth of a litre on, 50 mL from one, 100 mL from five. @source common practice, no source */
function asRead(litres: number): number {
  const mL = Math.abs(litres) * 1000;
  const step = mL < 200 ? 1 : mL < 995 ? 10 : mL < 5000 ? 50 : 100;
  return (step * Math.round((litres * 1000) / step)) / 1000;
}

/** cm, litres, kilograms: millimetres, millilitres and grams below one of them. */
export const metricSpeaker = (write: NumberWriter = round, day = asIso): Speaker => ({
  cm: (cm) =>
    Math.abs(cm) < 0.95 && cm !== 0
      ? `${write(cm * 10, 0)} mm`
      : `${write(cm, cm < 20 ? 1 : 0)} cm`,
  litres: (litres) => {
    const read = asRead(litres);
    return read < 1 ? `${write(read * 1000, 0)} mL` : `${write(read, 2)} L`;
  },
  kg: (kg) => (kg < 1 ? `${write(kg * 1000, 0)} g` : `${write(kg, kg < 10 ? 2 : 1)} kg`),
  celsius: (celsius) => `${write(celsius, 0)} °C`,
  day,
});

/** Inches, cups or quarts, ounces below a pound, Fahrenheit. */
export const usSpeaker = (write: NumberWriter = round, day = asIso): Speaker => ({
  cm: (cm) => `${write(cm / LENGTH_UNITS.in, 1)} in`,
  litres: (litres) => {
    if (litres >= CUPS_BELOW_L) return `${write(litres / VOLUME_UNITS.qt, 1)} qt`;
    const cups = write(litres / VOLUME_UNITS.cup, 1);
    return `${cups} ${cups === '1' ? 'cup' : 'cups'}`;
  },
  kg: (kg) =>
    kg < MASS_UNITS.lb
      ? `${write(kg / MASS_UNITS.oz, 1)} oz`
      : `${write(kg / MASS_UNITS.lb, 1)} lb`,
  celsius: (celsius) => `${write(celsius * 1.8 + 32, 0)} °F`,
  day,
});

/** As a keeper of these units has it. */
export const speakerFor = (units: 'metric' | 'us', write?: NumberWriter, day?: Speaker['day']) =>
  units === 'us' ? usSpeaker(write, day) : metricSpeaker(write, day);

/** Metric, and days as ISO 8601: what the API answers to other programs. */
export const METRIC: Speaker = metricSpeaker();

/** A sentence as the API tells it. */
export const inMetric = (saying: Saying): string => spoken(saying, METRIC);
