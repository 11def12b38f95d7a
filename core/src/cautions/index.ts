import type { Component } from '../media/index.ts';
import type { Traits } from '../catalogue/index.ts';

/**
 * What can hurt someone, in one plain line each. They stand at the step that
 * needs them and defer to labels, local rules, doctors and poison lines.
 */
export const CAUTIONS = {
  dust: 'Wet it down before you scoop; wear a mask: dry dust harms lungs.',
  biohazard:
    'Bagged compost and moss can carry germs: gloves, no eating, wash hands; see a doctor if you fall ill after.',
  sap: 'Its sap irritates: gloves, keep it off skin and out of eyes.',
  spines: 'Spines: thick gloves or folded paper.',
  toxicToPets: 'Toxic to pets: keep pieces off the floor. In doubt call a vet.',
  toxicToPeople: 'Toxic when eaten: keep it from children. In doubt call your local poison line.',
  blades: 'Cut away from yourself, on a firm base.',
  heavy: 'Heavy when wet: two people, or a trolley; bend the knees.',
  bleach:
    'Bleach: gloves, eye protection, open windows. Never with acid, ammonia or peroxide. The label rules.',
  peroxide:
    'Peroxide: gloves and eye protection. Never with bleach or vinegar. The label rules; it also hurts live roots.',
  pesticide: 'Pesticides: follow the label, it is law in many places; local rules come first.',
  pole: 'A pole or wire at eye height: cap or mark its tip.',
} as const;
export type Caution = keyof typeof CAUTIONS;

/** What a plant itself asks to be careful of. */
export function plantCautions({ cautions }: Pick<Traits, 'cautions'>): Caution[] {
  const own: Record<Traits['cautions'][number], Caution> = {
    irritantSap: 'sap',
    spines: 'spines',
    toxicToPets: 'toxicToPets',
    toxicToPeople: 'toxicToPeople',
  };
  return cautions.map((caution) => own[caution]);
}

/** What its components ask to be careful of. */
export function mixCautions(
  components: readonly Pick<Component, 'dusty' | 'biohazard'>[],
): Caution[] {
  return [
    ...(components.some(({ dusty }) => dusty) ? ['dust' as const] : []),
    ...(components.some(({ biohazard }) => biohazard) ? ['biohazard' as const] : []),
  ];
}
