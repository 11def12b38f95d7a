import {
  rimCm,
  WICKS,
  daysBetween,
  type MediumKind,
  type PotShape,
  type WaterUnder,
} from '@fernbank/core';
import type { OverWater, PlantFile } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { goesLongWay } from './longWay.ts';
import { useUnits } from './useUnits.ts';

/** A plant that has grown so long in soil is one that is not lost lightly, years. */
const VALUED_YEARS = 5;
const DAYS_PER_YEAR = 365.25;
/** Litres that differ by less are told as the same. */
const ALIKE_L = 0.001;

/** What pebbles stand over, in words: one wording for fit, sheet and plant. */
export function useWaterWords() {
  const { length, volume, number, said } = useUnits();
  const days = (count: number) =>
    count < 1 ? m.fit.under.lessThanADay : m.fit.under.days(number(Math.floor(count), 0));
  const vesselSize = (outer: PotShape) => `${length(rimCm(outer))} × ${length(outer.heightCm)}`;

  const inWhat = ({ kind, vessel, outer }: WaterUnder): string => {
    if (kind === 'holes') return m.fit.under.inItself;
    return vessel ? said(vessel.label) : m.fit.under.aVessel(vesselSize(outer));
  };
  const title = (under: WaterUnder) =>
    m.fit.under.title(volume(under.summer.litres), inWhat(under));

  /** How long it lasts, in growth and in the dark months. */
  const fillings = ({ summer, winter }: WaterUnder): string[] => {
    // Under lamps nothing rests: it is kept as ever.
    if (winter.litres >= summer.litres - ALIKE_L) {
      const lasts = days(Math.min(summer.days, winter.days));
      return [m.fit.under.allYear(volume(summer.litres), length(summer.levelCm), lasts)];
    }
    return [
      m.fit.under.level(volume(summer.litres), length(summer.levelCm), days(summer.days)),
      winter.litres > 0
        ? m.fit.under.winter(volume(winter.litres), length(winter.levelCm), days(winter.days))
        : m.fit.under.winterEmpty,
    ];
  };

  function lines(under: WaterUnder): string[] {
    const { kind, gapCm, wick, wickKind, outer, vessel } = under;
    const wicks =
      wick?.reaches && wickKind
        ? [
            m.fit.under.wicks(
              wick.count,
              WICKS[wickKind].label,
              length(Math.ceil(wick.lengthCm)),
              wick.winterCount,
            ),
          ]
        : [];
    return [
      kind === 'holes'
        ? m.fit.under.holes(length(gapCm))
        : m.fit.under.stands(length(gapCm), vessel ? vesselSize(outer) : ''),
      ...fillings(under),
      ...wicks,
    ];
  }

  /** What moving into pebbles or out of them may cost. */
  function risk(file: PlantFile, to: MediumKind): string[] {
    const { plant, situation } = file;
    const { date } = situation;
    if (to !== 'pebbles' || plant.mediumKind === 'pebbles') return [];
    const years = plant.acquired
      ? Math.floor(daysBetween(plant.acquired, date) / DAYS_PER_YEAR)
      : 0;
    return [
      goesLongWay(file, to) ? m.fit.under.longWay : m.fit.under.straightIn,
      ...(years >= VALUED_YEARS ? [m.fit.under.valued(years)] : []),
    ];
  }

  /** To be fetched for it: vessel, cords, solution. */
  function toFetch(under: WaterUnder, fed: boolean): string[] {
    const { kind, wick, wickKind, summer } = under;
    return [
      ...(kind === 'holes' ? [] : [inWhat(under)]),
      ...(wick?.reaches && wickKind
        ? [m.fit.under.cords(wick.count, WICKS[wickKind].label, length(Math.ceil(wick.lengthCm)))]
        : []),
      m.fit.under.solution(volume(summer.litres), fed),
    ];
  }
  /** What a plant stands over, as it was set up or said. */
  function standsOver(
    { fullL, levelCm, wicks, winterWicks }: OverWater['reservoir'],
    cover: { label: string } | null,
  ): string {
    return [
      m.fit.under.rowValue(
        volume(fullL),
        levelCm === null ? null : length(levelCm),
        cover?.label ?? null,
      ),
      ...(wicks ? [m.fit.under.rowWicks(wicks, winterWicks ?? wicks)] : []),
    ].join('; ');
  }
  return { standsOver, title, fillings, lines, risk, toFetch, inWhat, vesselSize };
}
