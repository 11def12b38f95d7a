import {
  growthRate,
  measuredFindings,
  waterFindings,
  type GrowthRate,
  type MeasuredFinding,
  type SeasonTraits,
  type Spot,
  type WaterFindings,
  type WaterLogEntry,
} from '@fernbank/core';

/** What a plant's logs come to. */
export interface Logs {
  /** null: neither weighed nor its waterings written down */
  water: WaterFindings | null;
  growth: GrowthRate | null;
  measured: MeasuredFinding[];
}

interface LogEntry {
  date: string;
  minute?: number | null | undefined;
  kind: string;
  value: number;
}

/** Findings of a log, in any order, that belongs to one stay in a pot. */
export function logsOf(entries: readonly LogEntry[], spot: Spot, plant: SeasonTraits): Logs {
  const waterLog = entries.flatMap(({ date, minute, kind, value }): WaterLogEntry[] =>
    kind === 'weightKg' || kind === 'watered'
      ? [{ date, kind, value, ...(minute == null ? {} : { minute }) }]
      : [],
  );
  const heights = entries
    .filter(({ kind }) => kind === 'heightCm')
    .map(({ date, value }) => ({ date, cm: value }));
  const water = waterLog.length > 0 ? waterFindings(waterLog, spot, plant) : null;
  const growth = growthRate(heights, spot, plant);
  return { water, growth, measured: measuredFindings(water, growth) };
}
