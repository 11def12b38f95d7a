import { rimCm, type Rung } from '@fernbank/core';
import { computed, type Ref } from 'vue';
import type { Fitting, PlantFile } from '../api/types.ts';
import { drawnIn, standsIn } from '../components/cutaway/standing.ts';
import { crownToDraw, type CutawaySubject } from '../components/cutaway/scene.ts';
import type { Fit } from './useFit.ts';

/** The widest pot that is drawn, in widths of the present one. */
const WIDEST_SHARE = 1.9;
const WIDEST_PX = 165;
const MOST_PX_PER_CM = 9;

/** What is drawn of a plant and its fit: as it stands, each pot it could have, and as it will stand; all to one scale. */
export function useFitDrawings(fit: Fit, loaded: Ref<{ file: PlantFile; fitting: Fitting }>) {
  const { choices, ladder, rung, plan, stances, newKind } = fit;
  const file = computed(() => loaded.value.file);

  const before = computed((): CutawaySubject => {
    const { plant, height, situation } = file.value;
    const cover = loaded.value.fitting.presentCover;
    return {
      name: plant.name,
      pot: plant.pot,
      material: plant.potMaterial,
      mediumKind: plant.mediumKind,
      recipeId: plant.recipeId,
      parts: plant.mediumParts,
      explored: ladder.value.ball.explored,
      plantHeightCm: height.cm,
      growthForm: situation.traits.growthForm,
      together: plant.together,
      supportCm: plant.supportCm,
      ...standsIn(cover, file.value.reservoir, plant.pot),
    };
  });
  const potSubject = (of: Rung): CutawaySubject => ({
    name: `${file.value.plant.name} ${of.option.id}`,
    pot: of.option.outside,
    material: of.option.material,
    mediumKind: newKind.value,
    recipeId: choices.recipeId,
    parts: fit.ownParts.value,
    layerCm: of.depth.layerCm,
    mound: of.mound,
    ball: {
      inside: file.value.situation.pot,
      litres: ladder.value.ball.displacesL,
      explored: ladder.value.ball.explored,
    },
  });
  /** pot and plant as they will be, without a support */
  const planted = computed((): CutawaySubject => ({
    ...potSubject(rung.value!),
    name: file.value.plant.name,
    plantHeightCm: file.value.height.cm,
    growthForm: file.value.situation.traits.growthForm,
    together: Math.round(file.value.plant.together / choices.pieces) || 1,
    ...drawnIn(rung.value!.under, rung.value!.standing.cover),
  }));
  const after = computed((): CutawaySubject => {
    const now = stances.value?.now;
    return {
      ...planted.value,
      supportCm: plan.value?.lengthCm ?? null,
      ...(now ? { gravityHeightCm: now.gravityHeightDryCm, tipAngleDeg: now.tipAngleDryDeg } : {}),
    };
  });

  /** One scale for everything on the page, so that a drag does not move the ground. */
  const roomCm = computed(() => {
    const present = rimCm(file.value.plant.pot);
    return Math.max(present, rung.value?.rimCm ?? 0, present * WIDEST_SHARE * 0.75);
  });
  const pxPerCm = computed(() => Math.min(MOST_PX_PER_CM, WIDEST_PX / roomCm.value));
  const crownCm = computed(() => crownToDraw(file.value.height.cm));

  return { before, potSubject, planted, after, roomCm, pxPerCm, crownCm };
}
