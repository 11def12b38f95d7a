import { CHECKPOINTS, GRADES, measurement, rimCm, SEEN, SIGNALS, stepOf } from '@fernbank/core';
import type { Look, Measurement, Photo, PlantFile, Repot } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useExtraWords } from './extraWords.ts';
import { mediumName } from './figureWords.ts';
import { useDates } from './useDates.ts';
import { useUnits } from './useUnits.ts';

/** One day of a plant's life, in words. */
export interface Moment {
  key: string;
  date: string;
  title: string;
  lines: string[];
  repot?: Repot;
  photos?: Photo[];
}

/** Days with measurements that are told one by one; a longer log is told by the month. */
const FEW_DAYS = 12;

/** The life of a plant so far, the newest first. */
export function useLifeWords() {
  const { full } = useDates();
  const { length, weight, volume, percent } = useUnits();
  const { extraWords } = useExtraWords();

  function lookLines({ signals, note }: Look): string[] {
    const words = SIGNALS.flatMap((definition) => {
      const value = signals[definition.id];
      if (value === undefined || value === null) return [];
      const said =
        definition.kind === 'share'
          ? m.verdictPage.share(percent(Number(value)))
          : definition.choices.find((choice) => choice.value === value)?.label;
      return [`${definition.label.toLowerCase()}: ${said ?? String(value)}`];
    });
    return [words.join(' · '), note].filter(Boolean);
  }
  function repotLines({ before, after, mixedIn, note }: Repot): string[] {
    return [
      `${length(rimCm(before.pot))} → ${length(rimCm(after.pot))}, ${mediumName(after.mediumKind, after.recipeId)}` +
        (mixedIn?.version ? ` (${m.mix.version(mixedIn.version)})` : ''),
      mixedIn
        ? mixedIn.measures
            .map(({ label, scoops }) => `${label} ${m.fit.scoops(scoops)}`)
            .join(', ') + ` (${volume(mixedIn.scoopL)})`
        : '',
      ...(mixedIn?.extras ?? []).map(extraWords),
      note,
    ].filter(Boolean);
  }

  function measurementWords({ kind, value }: Measurement): string {
    const { label, as } = measurement(kind);
    switch (as) {
      case 'kg':
        return `${label} ${weight(value)}`;
      case 'cm':
        return `${label} ${length(value)}`;
      case 'L':
        return `${label} ${volume(value)}`;
      case 'share':
        return `${label} ${percent(value)} %`;
      case 'scale':
        return `${label}: ${stepOf(kind, value)}`;
      case 'done':
        return label;
      case 'mS/cm':
        return `${label} ${value} ${as}`;
      case 'months':
        return m.feed.lasting(label, value);
      case 'number':
        return `${label} ${value}`;
    }
  }
  /** What was measured on one day, or in one month of a long log, belongs together. */
  function measuredMoments(measurements: Measurement[]): Moment[] {
    const sorted = [...measurements].sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id);
    const days = new Set(sorted.map(({ date }) => date));
    const keyOf = ({ date }: Measurement) => (days.size > FEW_DAYS ? date.slice(0, 7) : date);
    const groups = new Map<string, Measurement[]>();
    for (const taken of sorted)
      groups.set(keyOf(taken), [...(groups.get(keyOf(taken)) ?? []), taken]);
    return [...groups].map(([key, taken]) => ({
      key: `m${key}`,
      date: taken[taken.length - 1]!.date,
      title: m.plant.measured,
      lines: [days.size > FEW_DAYS ? inShort(taken) : taken.map(measurementWords).join(' · ')],
    }));
  }

  /** A month of a log: how often each was taken, and the newest of each. */
  function inShort(taken: Measurement[]): string {
    const kinds = [...new Set(taken.map(({ kind }) => kind))];
    return kinds
      .map((kind) => {
        const ofKind = taken.filter((measurement) => measurement.kind === kind);
        return m.plant.times(measurementWords(ofKind[ofKind.length - 1]!), ofKind.length);
      })
      .join(' · ');
  }

  function momentsOf(file: PlantFile): Moment[] {
    const { looks, repots, measurements, plant, photos, overrules, outcomes } = file;
    const list: Moment[] = [
      ...looks.map((look) => ({
        key: `l${look.id}`,
        date: look.date,
        title: m.plant.looked,
        lines: lookLines(look),
      })),
      ...repots.map((repot) => ({
        key: `r${repot.id}`,
        date: repot.date,
        title: m.plant.repotted,
        lines: repotLines(repot),
        repot,
      })),
      ...measuredMoments(measurements),
      ...overrules.map((overrule) => ({
        key: `o${overrule.id}`,
        date: overrule.date,
        title: m.plant.overruled,
        lines: [
          `${m.overrule.instead[overrule.instead]} ${m.overrule.until(full(overrule.until))}: ${overrule.reason}`,
        ],
      })),
      ...[...new Set(photos.map(({ date }) => date))].map((date) => ({
        key: `p${date}`,
        date,
        title: m.plant.pictures,
        lines: [],
        photos: photos.filter((photo) => photo.date === date),
      })),
      ...outcomes.map((outcome) => ({
        key: `g${outcome.id}`,
        date: outcome.date,
        title: `${m.outcome.title} (${CHECKPOINTS[outcome.at].label})`,
        lines: [
          [GRADES[outcome.grade].label, ...outcome.seen.map((sign) => SEEN[sign].label)].join(
            ' · ',
          ),
          outcome.note,
        ].filter(Boolean),
      })),
      ...(plant.acquired
        ? [{ key: 'a', date: plant.acquired, title: m.plant.arrived, lines: [] }]
        : []),
    ];
    return list.sort((a, b) => b.date.localeCompare(a.date) || b.key.localeCompare(a.key));
  }
  return { momentsOf };
}
