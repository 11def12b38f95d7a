import type { Component } from './components.ts';
import { SCHOOLS, type Schools } from '../schools/index.ts';

/** Something to be done with a component before it is measured. */
export interface Preparation {
  component: string;
  does: 'soak' | 'rinse' | 'wet';
  /** hands or waiting, minutes */
  minutes: number;
  text: string;
}

/** Wetting peat evenly through. @source common practice, no source */
const PRE_WET_MINUTES = 60;
const HOUR = 60;
/** From here on a soak is called overnight, minutes. */
const OVERNIGHT = 8 * HOUR;

const span = (minutes: number) =>
  minutes >= OVERNIGHT ? 'overnight' : minutes >= HOUR ? `${minutes / HOUR} h` : `${minutes} min`;

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
    .flatMap((component): Preparation[] => {
      const { label, soakMinutes, rinseMinutes, rewets } = component;
      const school = schoolOf(component);
      const told = (does: Preparation['does'], minutes: number, text: string) => ({
        component: component.id,
        does,
        minutes,
        text,
      });
      const made: Preparation[] = [];
      if (soakMinutes > 0)
        made.push(told('soak', soakMinutes, `soak ${label}: ${span(soakMinutes)}`));
      if (rinseMinutes > 0) {
        made.push(
          told(
            'rinse',
            rinseMinutes,
            `rinse ${label} until the water runs clear: ${span(rinseMinutes)}`,
          ),
        );
      }
      if (rewets === 'repels') {
        const { does } = SCHOOLS.wetting.options[school];
        made.push(
          told(
            'wet',
            school === 'preWet' ? PRE_WET_MINUTES : 0,
            `${label} repels water when dry. ${does}`,
          ),
        );
      }
      return made;
    })
    .sort((a, b) => b.minutes - a.minutes);
}
