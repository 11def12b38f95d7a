import { SCHOOLS, type SchoolSettings, type Settings } from '@fernbank/core';

/** What each setting is called where the past tells of it. Schools are called by their question. */
const WORDS: Record<Exclude<keyof Settings, keyof SchoolSettings>, string> = {
  collectionName: 'name of the collection',
  units: 'units',
  groupSchools: 'schools of single groups',
  paper: 'paper',
  labelSheet: 'label sheet',
  scoopL: 'scoop, L',
  tubL: 'tub, L',
  avoided: 'what no mix may hold',
  potPrice: 'price of a pot',
  currency: 'sign of prices',
  correctsItself: 'correct by what was found',
  ownRecord: 'what Fernbank corrects by its own record',
  demo: 'made up for trying',
};
const schoolKept = (key: string) => Object.values(SCHOOLS).find(({ setting }) => setting === key);

/** @returns its name for people; a setting of an older Fernbank keeps the one it had */
export const settingWords = (key: string): string =>
  schoolKept(key)?.question ?? (WORDS as Readonly<Record<string, string>>)[key] ?? key;

/** A choice between schools, as its keeper chose it; anything else as it is. */
export function settingTold(key: string, value: unknown): unknown {
  const options: Readonly<Record<string, { label: string }>> = schoolKept(key)?.options ?? {};
  return options[String(value)]?.label ?? value;
}
