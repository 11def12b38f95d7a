import { ladderOptions, type PotOption } from '@fernbank/core';
import type { Fitting, PlantFile, ShelfPot } from '../api/types.ts';
import { m } from '../messages/index.ts';

/** A pot of the shelf as the core takes it. */
export function shelfOption(pot: ShelfPot, source: 'free' | 'soaking'): PotOption {
  return { ...made(pot), id: `shelf-${pot.id}`, potId: pot.id, source };
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

/** Plants, by name, that are settled on a pot or cover of the shelf. */
export const promisedTo = ({ promised }: Pick<Fitting, 'promised'>, potId: number): string[] =>
  promised.find((one) => one.potId === potId)?.to ?? [];
/** What other plants are settled on is theirs. */
export const isFree =
  (fitting: Pick<Fitting, 'promised'>) =>
  ({ id, free, soaking }: ShelfPot): boolean =>
    free + soaking > promisedTo(fitting, id).length;

/** What shelf and other plants offer, as a ladder takes it. */
export function offeredOptions(
  fitting: Pick<Fitting, 'pots' | 'promised' | 'handDowns'>,
): PotOption[] {
  const shelf = fitting.pots
    .filter(isFree(fitting))
    .map((pot) => shelfOption(pot, pot.free > 0 ? 'free' : 'soaking'));
  const handed = fitting.handDowns.map(
    ({ plantId, name, pot, potMaterial, potId, leftIn }): PotOption => ({
      id: `from-${plantId}`,
      potId,
      label: m.fit.potOf(name),
      outside: pot,
      material: potMaterial,
      source: 'handedDown',
      leftBy: name,
      ...(leftIn ? { leftIn } : {}),
    }),
  );
  return [...shelf, ...handed];
}

/** Everything that stands on a plant's ladder: its own pot, the shelf, what others leave, sizes to buy. */
export function optionsFor(file: PlantFile, fitting: Fitting): PotOption[] {
  const { plant } = file;
  const present: PotOption = {
    ...(fitting.presentPot
      ? made(fitting.presentPot)
      : { outside: plant.pot, material: plant.potMaterial }),
    id: 'present',
    potId: plant.potId,
    label: m.fit.ownPot,
    source: 'present',
  };
  return ladderOptions(file.situation.pot, [present, ...offeredOptions(fitting)]);
}
