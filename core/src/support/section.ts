import { positive, within } from '../number/index.ts';

/** Cross-section of a support, cm. */
export type Section =
  | { form: 'round'; diameterCm: number }
  /** half round with a flat, open back of that width */
  | { form: 'd'; widthCm: number }
  | { form: 'flat'; widthCm: number; thicknessCm: number };

/** Thickest and thinnest that anybody stands in a pot, cm. */
const THICKEST_CM = 60;

/** @throws RangeError naming the size that is impossible */
export function checkSection(section: Section): Section {
  for (const [name, cm] of Object.entries(section)) {
    if (typeof cm === 'number') within(name, positive(name, cm), 0.05, THICKEST_CM);
  }
  return section;
}

/** Area of the section, cm². */
export function sectionAreaCm2(section: Section): number {
  switch (section.form) {
    case 'round':
      return (Math.PI / 4) * section.diameterCm ** 2;
    case 'd':
      return (Math.PI / 8) * section.widthCm ** 2;
    case 'flat':
      return section.widthCm * section.thicknessCm;
  }
}

/** Way round the section, cm. */
export function perimeterCm(section: Section): number {
  switch (section.form) {
    case 'round':
      return Math.PI * section.diameterCm;
    case 'd':
      return (Math.PI / 2 + 1) * section.widthCm;
    case 'flat':
      return 2 * (section.widthCm + section.thicknessCm);
  }
}

/** Width seen from the front, cm. */
export function frontCm(section: Section): number {
  return section.form === 'round' ? section.diameterCm : section.widthCm;
}

/**
 * Section of a pole folded from a flat sheet or mesh.
 *
 * Round: the sheet goes all round, less the overlap. D: it makes the bow and the
 * back, less the overlap.
 *
 * @param flatWidthCm  width of the sheet before folding
 * @param overlapCm  where its edges lie on each other, 0 … half the width
 * @source geometry: circumference πd; half circle with its back (π/2 + 1)·w
 */
export function sectionFromSheet(flatWidthCm: number, form: 'round' | 'd', overlapCm = 2): Section {
  positive('flatWidthCm', flatWidthCm);
  within('overlapCm', overlapCm, 0, flatWidthCm / 2);
  const way = flatWidthCm - overlapCm;
  return form === 'round'
    ? { form, diameterCm: way / Math.PI }
    : { form, widthCm: way / (Math.PI / 2 + 1) };
}

/** Width of sheet that a section asks for, the overlap included, cm; flat ones are not folded. */
export function sheetWidthCm(section: Section, overlapCm = 2): number | null {
  return section.form === 'flat' ? null : perimeterCm(section) + overlapCm;
}
