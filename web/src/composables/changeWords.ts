import type { MixFigures, Substitute } from '@fernbank/core';
import { m } from '../messages/index.ts';
import { useUnits } from './useUnits.ts';

/** Less than this is not told: points of air or water, kg/L, pH, months, coins. */
const LEAST = { points: 0.5, kg: 0.02, ph: 0.15, months: 0.75, price: 0.005 };

/** What a swap changes, in words with their units. */
export function useChangeWords() {
  const { number, density, percent, pricePerVolume } = useUnits();
  const signed = (value: number, digits: number) =>
    `${value > 0 ? '+' : '−'}${number(Math.abs(value), digits)}`;
  return {
    /** A mix as it is, to set a swap beside. */
    figures: ({ air, water, wetKgPerL, lifeMonths }: MixFigures): string =>
      m.mix.change.asItIs(
        percent(air),
        percent(water),
        density(wetKgPerL),
        lifeMonths === null ? null : number(lifeMonths, 0),
      ),
    changes: (s: Substitute): string => {
      const said = [
        Math.abs(100 * s.air) >= LEAST.points ? m.mix.change.air(signed(100 * s.air, 0)) : '',
        Math.abs(100 * s.water) >= LEAST.points ? m.mix.change.water(signed(100 * s.water, 0)) : '',
        Math.abs(s.wetKgPerL) >= LEAST.kg
          ? m.mix.change.weight(`${s.wetKgPerL > 0 ? '+' : '−'}${density(Math.abs(s.wetKgPerL))}`)
          : '',
        Math.abs(s.ph) >= LEAST.ph ? m.mix.change.ph(signed(s.ph, 1)) : '',
        s.lifeMonths !== null && Math.abs(s.lifeMonths) >= LEAST.months
          ? m.mix.change.life(signed(s.lifeMonths, 0))
          : '',
        s.lifeMonths === null
          ? s.figures.lifeMonths === null
            ? m.mix.change.noAgeing
            : m.mix.change.lasts(number(s.figures.lifeMonths, 0))
          : '',
        s.pricePerL !== null && Math.abs(s.pricePerL) >= LEAST.price
          ? m.mix.change.price(
              `${s.pricePerL > 0 ? '+' : '−'}${pricePerVolume(Math.abs(s.pricePerL))}`,
            )
          : '',
      ].filter(Boolean);
      return said.length > 0 ? said.join(', ') : m.mix.change.nothing;
    },
  };
}
