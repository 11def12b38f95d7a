import {
  insideOfMaterial,
  MOUND_MOUTH_CM,
  moundOnPot,
  rimCm,
  type CoverOption,
  type PotMaterialId,
  type PotShape,
  type WaterUnder,
} from '@fernbank/core';
import type { PlantFile } from '../../api/types.ts';
import type { CutawaySubject } from './scene.ts';

type Drawn = Pick<CutawaySubject, 'cover' | 'water'>;
const FOUND: PotMaterialId = 'plastic';
/** A wick is drawn a third up a pot of which nothing more is known. */
const WICK_UP = 1 / 3;

/** What a pot is drawn in as it is planned: the vessel with its water, else the cover that it keeps. */
export function drawnIn(under: WaterUnder | null, kept: CoverOption | undefined): Drawn {
  if (!under || under.kind === 'holes') return { cover: kept ?? null };
  const { vessel, outer, gapCm, summer, wick, wickInsideCm } = under;
  return {
    cover: vessel ?? { outside: outer, material: FOUND },
    water: { gapCm, levelCm: summer.levelCm, wickUpCm: wick?.reaches ? wickInsideCm : null },
  };
}

/** The same of a plant as it stands; of what nobody said nothing is drawn. */
export function standsIn(
  cover: { shape: PotShape; material: PotMaterialId } | null,
  over: PlantFile['reservoir'],
  pot: PotShape,
): Drawn {
  const { gapCm, levelCm, wicks } = over?.reservoir ?? {};
  return {
    cover: cover && { outside: cover.shape, material: cover.material },
    water:
      cover && gapCm != null && levelCm != null
        ? { gapCm, levelCm, wickUpCm: wicks ? pot.heightCm * WICK_UP : null }
        : null,
  };
}

/** A plant that was last seated on a mound, as such a mound is made on its pot; null: it stands in its pot. */
export function moundOf({ plant, repots }: PlantFile): CutawaySubject['mound'] {
  const newest = repots.find(({ date }) => date === plant.lastRepot);
  const mouthCm = rimCm(insideOfMaterial(plant.pot, plant.potMaterial));
  const { least, most } = MOUND_MOUTH_CM;
  if (newest?.practice?.method !== 'mound' || mouthCm < least || mouthCm > most) return null;
  return moundOnPot(mouthCm, 0);
}
