import { mixCautions } from '../cautions/index.ts';
import { mustComeOff } from '../decide/index.ts';
import { preparationWords, preparations } from '../media/index.ts';
import type { Repotting } from './request.ts';
import type { Step } from './step.ts';

const OVERNIGHT_MIN = 480;
const LOOSEN_MIN = 90;
const STUCK_ROOTS_MIN = 30;
const SUCCULENT = 'fullyDry';

/** What is done ahead: soaks and wetting, the plant's own thirst, pot and tools. */
export function before(request: Repotting): Step[] {
  return [...mixAhead(request), ...plantAhead(request), ...toolsAhead(request)];
}

function mixAhead({ components, schools, newMediumL, mixed, mound }: Repotting): Step[] {
  // The moss of a mound is soaked where it is wrapped.
  if (newMediumL <= 0 || mixed || mound) return [];
  const school = schools.wetting;
  const cautions = mixCautions(components);
  const prepared = preparations(components, () => school);
  const repels = components.some(({ rewets }) => rewets === 'repels');
  const soaks = prepared.filter(({ does }) => does !== 'wet');
  const longest = Math.max(0, ...soaks.map(({ minutes }) => minutes));
  return [
    ...(soaks.length > 0
      ? [
          {
            id: 'soakComponents' as const,
            title: 'Soak and rinse what goes into the mix',
            items: soaks.map((soak) => capital(preparationWords(soak))),
            why: 'dry grains draw water out of roots, and dust clogs the pores between them',
            cautions,
            ahead: true as const,
            ...(longest > 0
              ? {
                  timer: {
                    minutes: longest,
                    label: longest >= OVERNIGHT_MIN ? 'soak overnight' : 'soak',
                  },
                }
              : {}),
          },
        ]
      : []),
    ...(repels && school === 'preWet'
      ? [
          {
            id: 'preWet' as const,
            title: 'Wet the mix through in the tub, a little at a time, until it is evenly damp',
            why: 'dry peat repels water: once in the pot, water would run past it',
            cautions,
            ahead: true as const,
            timer: { minutes: 60, label: 'let it take up the water' },
          },
        ]
      : []),
  ];
}

/** Thirst, soak or damp ball: one of them, for each asks for the opposite of the others. */
function plantAhead(request: Repotting): Step[] {
  const { start = 'potted', traits, from, signals, support } = request;
  // What stands over water is only taken out of it.
  if (start !== 'potted' || from === 'pebbles') return [];
  if (traits.drying === SUCCULENT) {
    return [
      {
        id: 'keepDry',
        title: 'Leave it unwatered for some days before',
        why: 'dry roots bend and shed old soil; wounds of wet ones rot',
        cautions: [],
        ahead: true,
      },
    ];
  }
  const soak = soakFor(request);
  if (soak) return [soak];
  if (traits.support !== 'none' && support) {
    return [
      {
        id: 'limpVine',
        title: 'Let it go slightly dry, so that its stems are soft',
        why: 'a limp vine bends to the support without snapping; it is watered afterwards',
        cautions: [],
        ahead: true,
      },
    ];
  }
  if ((from !== 'peatSoil' && from !== 'loam' && from !== 'moss') || staysWet(signals)) return [];
  return [
    {
      id: 'waterBefore',
      title: 'Water it the same morning',
      why: 'a damp ball holds together and slides out; roots full of water stand the handling better',
      cautions: [],
      ahead: true,
    },
  ];
}

/** What rots or smells sour has had water enough. */
const staysWet = (signals: Repotting['signals']): boolean =>
  rotSeen(signals) || mustComeOff(signals) || signals.staysWetLonger === true;

function soakFor({ traits, from, signals, work }: Repotting): Step | null {
  const clinging = traits.rootKind === 'velamen' && (from === 'bark' || from === 'mix');
  if (clinging || work === 'bareRoot') {
    return {
      id: 'soakToLoosen',
      title: 'Stand the pot in water until the roots let go',
      why: clinging
        ? 'thick roots hold on to pot and grains, and snap when dry'
        : 'soaked, old medium falls off without tearing roots',
      cautions: [],
      timer: { minutes: clinging ? STUCK_ROOTS_MIN : LOOSEN_MIN, label: 'soak' },
    };
  }
  if (signals.circling !== 'tight') return null;
  return {
    id: 'soakToLoosen',
    title: 'Stand the pot in water for an hour or two',
    why: 'roots that circle tightly hold the ball in the pot',
    cautions: [],
    timer: { minutes: LOOSEN_MIN, label: 'soak' },
  };
}

function toolsAhead({ potSoaking, signals, pieces, rootsPruned, work }: Repotting): Step[] {
  const infested = isInfested(signals);
  const cuts = pieces > 1 || rootsPruned || work !== 'ballKept' || rotSeen(signals) || infested;
  return [
    ...(infested
      ? [
          {
            id: 'keepApart' as const,
            title: 'Do it after all others, apart, with its own tools',
            why: 'pests and what lives in the old medium travel on hands, blades and pots',
            cautions: ['pesticide' as const],
          },
        ]
      : []),
    ...(potSoaking
      ? [
          {
            id: 'rinsePot' as const,
            title: 'Take the pot out of its soak, scrub it and rinse it well',
            why: 'roots must not meet what is left of the soak',
            cautions: ['bleach' as const],
          },
        ]
      : []),
    ...(cuts
      ? [
          {
            id: 'cleanBlade' as const,
            title: 'Clean a sharp blade, and again before the next plant',
            why: 'rot and viruses go from plant to plant on the blade',
            cautions: ['blades' as const],
          },
        ]
      : []),
  ];
}

export const rotSeen = ({ rot }: Repotting['signals']): boolean =>
  rot === 'roots' || rot === 'stem';
export const isInfested = ({ infestedRoots, pests }: Repotting['signals']): boolean =>
  infestedRoots === true || pests === 'mealy' || pests === 'scale';
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
