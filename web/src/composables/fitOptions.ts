import { ladderOptions, rimCm, type CoverOption, type PotOption } from '@fernbank/core';
import type { FitPlan, Fitting, PlantFile, ShelfPot } from '../api/types.ts';
import { m } from '../messages/index.ts';

/** A pot of the shelf as the core takes it. */
export function shelfOption(pot: ShelfPot, source: 'free' | 'soaking'): PotOption {
  return { ...made(pot), id: `shelf-${pot.id}`, source };
}

function made({
  label,
  shape,
  material,
  emptyKg,
  holes,
  tone,
  reservoirL,
  wicks,
  hangs,
}: ShelfPot): Omit<PotOption, 'id' | 'source'> {
  return {
    label,
    outside: shape,
    material,
    ...(emptyKg ? { emptyKg } : {}),
    features: { holes, reservoirL, wicks, hangs, ...(tone ? { tone } : {}) },
  };
}

export function coverOption(pot: ShelfPot): CoverOption {
  const { id, label, shape, material, emptyKg } = pot;
  return {
    id: `cover-${id}`,
    label,
    outside: shape,
    material,
    ...(emptyKg ? { emptyKg } : {}),
  };
}

/** Everything that stands on a plant's ladder: its own pot, the shelf, what others leave, sizes to buy. */
export function optionsFor(file: PlantFile, fitting: Fitting): PotOption[] {
  const { plant } = file;
  const present: PotOption = {
    ...(fitting.presentPot
      ? made(fitting.presentPot)
      : { outside: plant.pot, material: plant.potMaterial }),
    id: 'present',
    label: m.fit.ownPot,
    source: 'present',
  };
  const shelf = fitting.pots.map((pot) => shelfOption(pot, pot.free > 0 ? 'free' : 'soaking'));
  const handed = fitting.handDowns.map(
    ({ plantId, name, pot, potMaterial, leftIn }): PotOption => ({
      id: `from-${plantId}`,
      label: m.fit.potOf(name),
      outside: pot,
      material: potMaterial,
      source: 'handedDown',
      leftBy: name,
      ...(leftIn ? { leftIn } : {}),
    }),
  );
  return ladderOptions(file.situation.pot, [present, ...shelf, ...handed]);
}

/** The row of the shelf behind an option; null: not the shelf's. */
export function shelfIdOf(option: PotOption, file: PlantFile, fitting: Fitting): number | null {
  const [kind, id] = option.id.split('-');
  if (kind === 'shelf') return Number(id);
  if (kind === 'present') return file.plant.potId;
  if (kind === 'from') {
    return fitting.handDowns.find(({ plantId }) => plantId === Number(id))?.potId ?? null;
  }
  return null;
}

/** The pot that was settled on, wherever it stands now: on the shelf, in its soak, or still with another plant. */
export function isKept(option: PotOption, kept: FitPlan, { handDowns }: Fitting): boolean {
  switch (kept.potSource) {
    case 'present':
      return option.source === 'present';
    case 'handedDown': {
      const giver = handDowns.find(({ name }) => name === kept.leftBy);
      if (giver) return option.id === `from-${giver.plantId}`;
      return kept.potId !== null && option.id === `shelf-${kept.potId}`;
    }
    case 'free':
    case 'soaking':
      return option.id === `shelf-${kept.potId}`;
    case 'toBuy':
      return (
        option.source === 'toBuy' && Math.abs(rimCm(option.outside) - rimCm(kept.pot)) < SAME_CM
      );
  }
}
const SAME_CM = 0.1;
