import type { Course, Expected } from '@fernbank/core';
import { m } from '../messages/index.ts';
import { useUnits } from './useUnits.ts';

/** So many months from now are told in words and lists; the rest is in the chart. */
export const YEAR = 12;
export const withinYear = ({ upTo }: Course): Expected => upTo[Math.min(YEAR, upTo.length - 1)]!;

const whole = (n: number) => String(Math.round(n));
/** What is expected with its band: “7 (5–9)”. */
export const banded = (of: Expected, write: (n: number) => string = whole) =>
  m.ahead.banded(write(of.middle), write(of.low), write(of.high));

export const roundedTo = (n: number, step: number) => step * Math.round(n / step);

/** The same of litres: nobody measures years ahead to the millilitre. */
export function useBands() {
  const { volumeBeside } = useUnits();
  const litres = (of: Expected) => {
    const write = volumeBeside(of.high);
    return banded(of, (n) => write(n >= 10 ? Math.round(n) : roundedTo(n, 0.1)));
  };
  return { litres };
}
