import { longWay, type MediumKind } from '@fernbank/core';
import type { PlantFile } from '../api/types.ts';

/** Whether a plant goes into its pebbles through weeks in a jar. */
export const goesLongWay = ({ plant, situation }: PlantFile, to: MediumKind): boolean =>
  longWay({
    from: plant.mediumKind,
    to,
    traits: situation.traits,
    school: situation.schools.toPebbles,
  });
