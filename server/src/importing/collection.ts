import {
  lookUp,
  MEDIUM_KINDS,
  nominalPot,
  POT_MATERIALS,
  POT_SHAPES,
  SIZES_OF_SHAPE,
  resolveTaxon,
  type MediumKind,
  type PotMaterialId,
  type PotShape,
  say,
} from '@fernbank/core';
import { isNull } from 'drizzle-orm';
import type { Reading } from '../http/days.ts';
import { plants, spots } from '../db/schema.ts';
import { asHttpError } from '../http/errors.ts';
import { newPlant, type PlantInput } from '../http/plantBody.ts';
import { check } from '../http/validate.ts';
import type { PlantRow } from '../services/collection.ts';
import { pantryFor } from '../services/pantry.ts';
import { checkPlant } from '../services/plants.ts';
import { Cells, shortly, type Written } from './cells.ts';
import type { Fate, Mapping, Outline } from './mapping.ts';
import type { Row, Sheet } from './sheet.ts';

/** A plant that is added, or one whose told fields change. */
export type PlantDeed =
  | { kind: 'add'; plant: PlantInput; spot: string | null }
  | { kind: 'update'; before: PlantRow; changed: Partial<PlantInput>; spot: string | null };

/** Words for media and pots that are not their labels. @source common practice, no source */
const MEDIUM_WORDS: Record<string, MediumKind> = {
  soil: 'peatSoil',
  compost: 'peatSoil',
  peat: 'peatSoil',
  'potting soil': 'peatSoil',
  'potting mix': 'peatSoil',
  sphagnum: 'moss',
  'sphagnum moss': 'moss',
  pebbles: 'pebbles',
  'expanded clay': 'pebbles',
  'semi-hydro': 'pebbles',
  hydroponics: 'pebbles',
  loam: 'loam',
  grit: 'mineral',
  pumice: 'mineral',
  lava: 'mineral',
  'bark mix': 'bark',
  'orchid bark': 'bark',
  mix: 'mix',
  'aroid mix': 'mix',
  chunky: 'mix',
};
const POT_WORDS: Record<string, PotMaterialId> = {
  clay: 'terracotta',
  'terra cotta': 'terracotta',
  ceramic: 'glazed',
  glazed: 'glazed',
  'plastic pot': 'plastic',
  mesh: 'net',
};
/** Where no row says how its pot is made. */
const USUAL_MATERIAL: PotMaterialId = 'plastic';

/** The rows of a collection: which plant each becomes, or why it does not. Nothing is written. */
export function outlineCollection(
  context: Reading,
  sheet: Sheet,
  mapping: Mapping,
): Outline<PlantDeed> {
  const there = new There(context);
  const written = {
    today: context.today(),
    latitudeDeg: there.latitudeDeg ?? mapping.latitudeDeg ?? 0,
  };
  const outline: Outline<PlantDeed> = { fates: [], deeds: [], newSpots: [], unknownTaxa: [] };
  for (const row of sheet.rows) {
    const fate: Fate = { line: row.line, fate: 'add', name: '', problems: [], notes: [] };
    const deed = plantOf(context, { sheet, mapping, row, fate, there, outline, written });
    if (fate.problems.length > 0) fate.fate = 'refuse';
    outline.fates.push(fate);
    if (deed && fate.problems.length === 0) outline.deeds.push(deed);
  }
  return outline;
}

interface At {
  sheet: Sheet;
  mapping: Mapping;
  row: Row;
  fate: Fate;
  there: There;
  outline: Outline;
  written: Written;
}

function plantOf(context: Reading, at: At): PlantDeed | null {
  const { sheet, mapping, row, fate, there, outline, written } = at;
  const cells = new Cells(sheet, mapping, row, fate, written);
  const taxon = taxonIn(cells);
  const name = cells.text('name') || cells.text('number') || cells.text('common') || taxon;
  fate.name = shortly(name);
  const before = there.plant(cells.number('id'), name, taxon);
  if (before && mapping.same === 'skip') {
    fate.fate = 'skip';
    fate.notes.push(`is a plant you have: ${before.name}`);
    return null;
  }
  const updates = before !== null && mapping.same === 'update';
  const told = toldOf(cells, at, updates);
  const number = cells.text('number');
  const note = [number && number !== name ? `accession ${number}` : '', cells.note()]
    .filter(Boolean)
    .join('\n');
  const spot = spotIn(cells, at);
  if (fate.problems.length > 0) return null;
  if (updates) {
    fate.fate = 'update';
    const changed = withoutBlanks({ ...told, name, taxon, note, spotId: spot.id });
    return checked(cells, () => {
      checkPlant(context, { ...before, ...changed });
      return { kind: 'update', before, changed, spot: spot.name };
    });
  }
  const groupId = groupFor(taxon, mapping);
  if (taxon === '') cells.blame('taxon', 'no species, genus or common name is told');
  else if (!groupId && !resolveTaxon(taxon)) {
    cells.blame('taxon', `“${shortly(taxon)}” is not in the catalogue: choose a group for it`);
    if (!outline.unknownTaxa.includes(taxon)) outline.unknownTaxa.push(taxon);
  }
  if (told.pot === null) cells.blame('potTop', 'no pot size is told');
  if (fate.problems.length > 0) return null;
  const mediumKind =
    told.mediumKind ?? (mapping.medium as MediumKind | null) ?? resolveTaxon(taxon)?.traits.medium;
  const medium = mediumKind ?? 'peatSoil';
  if (!told.mediumKind) fate.notes.push(`medium taken as ${mediumLabel(medium)}`);
  return checked(cells, () => {
    const plant = check(newPlant, {
      ...withoutBlanks(told),
      name,
      taxon,
      groupId,
      note,
      // Its own spot is made with it; any that is there stands for it until then.
      spotId: spot.id ?? there.anySpot ?? 1,
      mediumKind: medium,
    });
    checkPlant(context, plant);
    return { kind: 'add', plant, spot: spot.name };
  });
}

/** What Joi and the core refuse is told under the column of its field, not thrown. */
function checked(cells: Cells, make: () => PlantDeed): PlantDeed | null {
  try {
    return make();
  } catch (error) {
    const fault = asHttpError(error);
    if (!fault || fault.status >= 500) throw error;
    return cells.refuse(fault.field ?? '', fault.message);
  }
}

function taxonIn(cells: Cells): string {
  const genus = cells.text('genus');
  const parts = [
    cells.text('taxon') || [genus, cells.text('epithet')].filter(Boolean).join(' '),
  ].filter(Boolean);
  const [base = ''] = parts;
  const cultivar = cells.text('cultivar');
  const named = base && cultivar && !base.includes(cultivar) ? `${base} ‘${cultivar}’` : base;
  return named || cells.text('common') || nameAsTaxon(cells);
}

/** A list of one column tells by its names what its plants are. */
function nameAsTaxon(cells: Cells): string {
  const name = cells.text('name');
  return resolveTaxon(name) ? name : '';
}

const groupFor = (taxon: string, { groups, elseGroup }: Mapping) =>
  lookUp(groups, taxon) ?? (resolveTaxon(taxon) ? null : elseGroup);

function toldOf(cells: Cells, { mapping, there, fate }: At, updates: boolean) {
  const recipe = cells.text('recipe');
  const recipeId = recipe === '' ? null : there.recipe(recipe);
  if (recipe !== '' && recipeId === null) {
    cells.blame('recipe', `“${shortly(recipe)}” is none of your recipes`);
  }
  const stems = cells.number('stems');
  const together = cells.number('together');
  const { pot, material } = potIn(cells, mapping, fate, updates);
  return {
    pot,
    potMaterial:
      word(cells, 'potMaterial', POT_MATERIALS, POT_WORDS, 'material') ??
      material ??
      (updates ? null : USUAL_MATERIAL),
    mediumKind: word(cells, 'medium', MEDIUM_KINDS, MEDIUM_WORDS, 'medium'),
    recipeId,
    lastRepot: cells.date('lastRepot'),
    acquired: cells.date('acquired'),
    heightCm: cells.length('height'),
    supportCm: cells.length('support'),
    stems,
    together,
  };
}

interface PotTold {
  pot: PotShape | null;
  /** where its width says so: `8 cm net pot` */
  material: PotMaterialId | null;
}
/** What stands behind the width of a pot: its shape, what it is made of, or just that it is one. */
function wordsOfPot(cells: Cells, words: string) {
  const told = { shape: null as PotShape['shape'] | null, material: null as PotMaterialId | null };
  for (const word of words
    .replace('terra cotta', 'terracotta')
    .split(/[\s,]+/)
    .filter((one) => !/^(pots?|wide|round)?$/.test(one))) {
    const shape = POT_SHAPES.find((one) => one === word);
    const material = POT_MATERIALS.find(({ id }) => id === word)?.id ?? lookUp(POT_WORDS, word);
    if (shape) told.shape = shape;
    else if (material) told.material ??= material;
    else cells.blame('potTop', `“${shortly(word)}” is no word for a pot that is known`);
  }
  return told;
}

function potIn(cells: Cells, mapping: Mapping, fate: Fate, updates: boolean): PotTold {
  const { cm: rim, words } = cells.lengthWithWords('potTop');
  const behind = wordsOfPot(cells, words);
  const word = cells.text('potShape').toLowerCase();
  const shape = word === '' ? (behind.shape ?? 'round') : POT_SHAPES.find((one) => one === word);
  if (!shape) {
    return {
      pot: cells.blame('potShape', `“${shortly(word)}” is no shape of a pot`),
      material: null,
    };
  }
  return { pot: shapeIn(cells, { mapping, fate, updates, rim, shape }), material: behind.material };
}

function shapeIn(
  cells: Cells,
  of: {
    mapping: Mapping;
    fate: Fate;
    updates: boolean;
    rim: number | null;
    shape: PotShape['shape'];
  },
): PotShape | null {
  const { mapping, fate, updates, rim, shape } = of;
  const base = cells.length('potBase');
  const height = cells.length('potHeight');
  if (rim === null) {
    if (mapping.potCm === null || updates || cells.text('potTop') !== '') return null;
    fate.notes.push(say`pot taken as ${{ cm: mapping.potCm }}`);
    return nominalPot(mapping.potCm);
  }
  // What a nominal pot of that width has, where the row does not tell.
  const usual = nominalPot(rim) as Extract<PotShape, { shape: 'round' }>;
  const baseCm = base ?? usual.baseDiameterCm;
  const heightCm = height ?? usual.heightCm;
  const names: readonly string[] = SIZES_OF_SHAPE[shape];
  if (base === null && names.some((name) => name.startsWith('base')))
    fate.notes.push('base and height of the pot as usual for its width');
  const told: Record<string, number> = {
    topDiameterCm: rim,
    topLengthCm: rim,
    topWidthCm: cells.length('potTopWidth') ?? rim,
    baseDiameterCm: baseCm,
    baseLengthCm: baseCm,
    baseWidthCm: cells.length('potBaseWidth') ?? baseCm,
    heightCm,
  };
  const sizes = names.map((name) => [name, told[name]]);
  return { shape, ...Object.fromEntries(sizes) } as PotShape;
}

function word<Id extends string>(
  cells: Cells,
  field: string,
  rows: readonly { id: Id; label: string }[],
  words: Record<string, Id>,
  what: string,
): Id | null {
  const told = cells.text(field).toLowerCase();
  if (told === '') return null;
  const found = rows.find(({ id, label }) => [id.toLowerCase(), label].includes(told))?.id;
  return (
    found ??
    lookUp(words, told) ??
    cells.blame(field, `“${shortly(told)}” is no ${what} that is known`)
  );
}

function spotIn(
  cells: Cells,
  { mapping, there, outline }: At,
): { id: number | null; name: string | null } {
  const told = cells.text('spot');
  if (told === '') {
    const id = mapping.spotId ?? there.onlySpot;
    if (id === null) cells.blame('spot', 'no spot is told: choose one for such rows');
    else if (!there.hasSpot(id)) cells.blame('spot', 'the spot for such rows is gone');
    return { id, name: null };
  }
  const id = there.spot(told);
  if (id !== null) return { id, name: null };
  if (told.length > 80) cells.blame('spot', 'the name of the spot is longer than 80 characters');
  if (there.anySpot === null && mapping.latitudeDeg === null) {
    cells.blame('spot', 'new spots need your latitude: say it once, above');
  }
  const known = outline.newSpots.find((name) => name.toLowerCase() === told.toLowerCase());
  if (!known) outline.newSpots.push(told);
  return { id: null, name: known ?? told };
}

const mediumLabel = (id: MediumKind) => MEDIUM_KINDS.find((kind) => kind.id === id)!.label;

function withoutBlanks<T extends object>(told: T) {
  return Object.fromEntries(
    Object.entries(told).filter(([, value]) => value !== null && value !== ''),
  ) as { [Key in keyof T]?: NonNullable<T[Key]> };
}

/** What is in the collection already, by the names that a file may call it. */
class There {
  readonly #byId: Map<number, PlantRow>;
  readonly #byName: Map<string, PlantRow>;
  readonly #spots: Map<string, number>;
  readonly #recipes: Map<string, string>;
  /** where its spots lie; null: there is none yet */
  readonly latitudeDeg: number | null;

  constructor({ db }: Reading) {
    const rows = db.select().from(plants).where(isNull(plants.goneOn)).all();
    this.#byId = new Map(rows.map((row) => [row.id, row]));
    this.#byName = new Map(rows.map((row) => [keyOf(row.name, row.taxon), row]));
    const places = db.select().from(spots).all();
    this.#spots = new Map(places.map(({ id, name }) => [name.toLowerCase(), id]));
    this.latitudeDeg = places[0]?.latitudeDeg ?? null;
    this.#recipes = new Map(
      pantryFor(db).recipes.flatMap(({ id, label }) => [
        [id.toLowerCase(), id],
        [label.toLowerCase(), id],
      ]),
    );
  }

  /** By its number where its name is the same too: numbers of another program mean nothing here. */
  plant(id: number | null, name: string, taxon: string): PlantRow | null {
    const numbered = id === null ? undefined : this.#byId.get(id);
    if (numbered && (numbered.name === name || numbered.taxon === taxon)) return numbered;
    return this.#byName.get(keyOf(name, taxon)) ?? null;
  }
  spot = (name: string) => this.#spots.get(name.toLowerCase()) ?? null;
  hasSpot = (id: number) => [...this.#spots.values()].includes(id);
  recipe = (word: string) => this.#recipes.get(word.toLowerCase()) ?? null;
  get anySpot(): number | null {
    return [...this.#spots.values()][0] ?? null;
  }
  get onlySpot(): number | null {
    return this.#spots.size === 1 ? this.anySpot : null;
  }
}
const keyOf = (name: string, taxon: string) => `${name.toLowerCase()}\n${taxon.toLowerCase()}`;
