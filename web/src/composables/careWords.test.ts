import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { fileOf } from '../test/harness.ts';
import { rhythmWords, useCareWords } from './careWords.ts';

beforeEach(() => setActivePinia(createPinia()));

describe('how often a plant wants water, in words', () => {
  it.each([
    [
      { watering: 'dries', nowDays: 6, restDays: 12 },
      /^about every 6 days now.*; 12 days at rest$/,
    ],
    [{ watering: 'dries', nowDays: 6, restDays: 7 }, /^about every 6 days now[^;]*$/],
    [
      { watering: 'dries', nowDays: 35, restDays: 56 },
      /^about every 5 weeks now.*8 weeks at rest$/,
    ],
    [{ watering: 'dries', nowDays: 9, restDays: null }, /none at rest$/],
    [{ watering: 'dries', nowDays: null, restDays: null }, /^none now: it is kept dry/],
    [{ watering: 'keptWet', nowDays: 1, restDays: 3 }, /^never dry: about every day now$/],
    [{ watering: 'keptWet', nowDays: 18, restDays: 24 }, /^never dry: keep it damp/],
    [{ watering: 'filling', nowDays: 13, restDays: 21 }, /^a filling lasts about 13 days now/],
  ] as const)('%j', (rhythm, words) => {
    expect(rhythmWords(rhythm)).toMatch(words);
  });

  it('of a plant stands beside its minutes', () => {
    const { water, upkeep } = useCareWords().careWords(fileOf({}));
    expect(water).toMatch(/^about every \d+ days now/);
    expect(upkeep).toMatch(/^about [\d.]+ min a week$/);
    expect(Number(/[\d.]+/.exec(upkeep)![0])).toBeLessThan(6);
  });
});
