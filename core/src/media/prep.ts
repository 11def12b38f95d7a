import type { Component } from './components.ts';
import { SCHOOLS, USUAL_SCHOOLS, type Schools } from '../schools/index.ts';

/** Something to be done with a component before it is measured. */
export interface Preparation {
  component: string;
  label: string;
  does: 'soak' | 'rinse' | 'wet';
  /** hands or waiting, minutes */
  minutes: number;
  /** for `wet`: how the keeper wets what takes water badly */
  wetting?: Schools['wetting'];
}

/** Wetting peat evenly through. @source common practice, no source */
const PRE_WET_MINUTES = 60;
const HOUR = 60;
/** From here on a soak is called overnight, minutes. */
const OVERNIGHT = 8 * HOUR;

const span = (minutes: number) =>
  minutes >= OVERNIGHT ? 'overnight' : minutes >= HOUR ? `${minutes / HOUR} h` : `${minutes} min`;

/** The same in words. */
export function preparationWords({
  label,
  does,
  minutes,
  wetting,
}: Pick<Preparation, 'label' | 'does' | 'minutes' | 'wetting'>): string {
  switch (does) {
    case 'soak':
      return `soak ${label}: ${span(minutes)}`;
    case 'rinse':
      return `rinse ${label} until the water runs clear: ${span(minutes)}`;
    case 'wet':
      return `${label} repels water when dry. ${SCHOOLS.wetting.options[wetting ?? USUAL_SCHOOLS.wetting].does}`;
  }
}

/**
 * What is done beforehand, the longest first, so that soaks are begun in time.
 *
 * @param schoolOf  how the keeper wets a component that takes water badly
 */
export function preparations(
  components: readonly Component[],
  schoolOf: (component: Component) => Schools['wetting'],
): Preparation[] {
  return components
    .flatMap((one): Preparation[] => {
      const { id: component, label, soakMinutes, rinseMinutes, rewets } = one;
      const wetting = schoolOf(one);
      const made: Preparation[] = [];
      if (soakMinutes > 0) made.push({ component, label, does: 'soak', minutes: soakMinutes });
      if (rinseMinutes > 0) made.push({ component, label, does: 'rinse', minutes: rinseMinutes });
      if (rewets === 'repels') {
        const minutes = wetting === 'preWet' ? PRE_WET_MINUTES : 0;
        made.push({ component, label, does: 'wet', minutes, wetting });
      }
      return made;
    })
    .sort((a, b) => b.minutes - a.minutes);
}
