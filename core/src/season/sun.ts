import { clamp, within } from '../number/index.ts';

const SOLAR_CONSTANT_MJ_M2_MIN = 0.082; // FAO 56, equation 21
const RADIANS = Math.PI / 180;

/** Distance factor, declination and sunset angle that daylight and radiation share. */
function sunOn(latitudeDeg: number, dayOfYear: number) {
  within('latitudeDeg', latitudeDeg, -90, 90);
  within('dayOfYear', dayOfYear, 1, 366);
  const yearAngle = (2 * Math.PI * dayOfYear) / 365;
  const latitude = latitudeDeg * RADIANS;
  const declination = 0.409 * Math.sin(yearAngle - 1.39); // equation 24
  return {
    latitude,
    declination,
    inverseDistance: 1 + 0.033 * Math.cos(yearAngle), // equation 23
    // Equation 25; clipped, so that polar day is π and polar night 0.
    sunsetAngle: Math.acos(clamp(-Math.tan(latitude) * Math.tan(declination), -1, 1)),
  };
}

/**
 * Daylight hours, sunrise to sunset of the sun's centre without refraction.
 * Within 5 minutes below 40° of latitude, within 13 at 54° (the declination is a
 * single sine).
 *
 * @param latitudeDeg  −90 (south) … 90
 * @param dayOfYear  1 … 366
 * @returns hours, 0 … 24
 * @source FAO 56, equation 34
 */
export function daylightHours(latitudeDeg: number, dayOfYear: number): number {
  return (24 / Math.PI) * sunOn(latitudeDeg, dayOfYear).sunsetAngle;
}

/**
 * Extraterrestrial radiation on a level surface.
 *
 * @returns MJ m⁻² d⁻¹
 * @source FAO 56, equation 21
 */
export function extraterrestrialMJ(latitudeDeg: number, dayOfYear: number): number {
  const { latitude, declination, inverseDistance, sunsetAngle } = sunOn(latitudeDeg, dayOfYear);
  return (
    ((24 * 60) / Math.PI) *
    SOLAR_CONSTANT_MJ_M2_MIN *
    inverseDistance *
    (sunsetAngle * Math.sin(latitude) * Math.sin(declination) +
      Math.cos(latitude) * Math.cos(declination) * Math.sin(sunsetAngle))
  );
}
