import { describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS } from '../settings/index.ts';
import {
  GROUP_SCHOOLS,
  optionsOf,
  PLANT_SCHOOLS,
  SCHOOL_IDS,
  SCHOOLS,
  schoolsFollowed,
  USUAL_SCHOOLS,
} from './index.ts';

describe('the questions on which keepers differ', () => {
  it.each(SCHOOL_IDS)(
    '%s has a usual answer among several, each with its words and price',
    (id) => {
      const options = optionsOf(id);
      expect(Object.keys(options).length).toBeGreaterThan(1);
      expect(options).toHaveProperty(SCHOOLS[id].usual);
      for (const { label, costs } of Object.values(options)) {
        expect(label).toMatch(/\S/);
        expect(costs).toMatch(/\S/);
      }
      expect(DEFAULT_SETTINGS[SCHOOLS[id].setting]).toBe(SCHOOLS[id].usual);
    },
  );

  it('are kept under names of their own', () => {
    const names = SCHOOL_IDS.map((id) => SCHOOLS[id].setting);
    expect(new Set(names).size).toBe(names.length);
  });

  it('are answered by the plant, else its group, else the collection', () => {
    const settings = { ...DEFAULT_SETTINGS, whenSchool: 'need', sizeSchool: 'growth' } as const;
    expect(schoolsFollowed(settings)).toEqual({ ...USUAL_SCHOOLS, when: 'need', size: 'growth' });
    const group = { size: 'snug', oldMedium: 'loosen' } as const;
    expect(schoolsFollowed(settings, {}, group)).toMatchObject({
      when: 'need',
      size: 'snug',
      oldMedium: 'loosen',
    });
    const own = { size: 'oneUp', rot: 'dust', when: undefined } as const;
    expect(schoolsFollowed(settings, own, group)).toMatchObject({
      when: 'need',
      size: 'oneUp',
      oldMedium: 'loosen',
      rot: 'dust',
    });
  });

  it('a group has a say in what a plant of it has a say in', () => {
    expect(PLANT_SCHOOLS).toEqual(expect.arrayContaining(GROUP_SCHOOLS));
  });
});
