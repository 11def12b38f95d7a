import { plantCautions } from '../cautions/index.ts';
import { mustComeOff } from '../decide/index.ts';
import { isInfested, rotSeen } from './before.ts';
import { type Repotting } from './request.ts';
import type { Step } from './step.ts';
import { SCHOOLS } from '../schools/index.ts';

const HEAVY_KG = 20;
const DAY_MIN = 24 * 60;
const INFESTED_SOAK_MIN = 30;
/** Fewer live roots than this are worth cutting, and more are left alone. */
const MOST_ALIVE = 0.95;

/** Out of the old pot, and what is done to ball and roots. */
export function rootsFreed(request: Repotting): Step[] {
  const { start = 'potted' } = request;
  if (start !== 'potted') return cuttingFreed(start);
  return [...outOfPot(request), ...oldMedium(request), ...readAndCut(request)];
}

function cuttingFreed(start: 'cuttingFromMoss' | 'cuttingFromWater'): Step[] {
  return [
    {
      id: 'rinseCutting',
      title:
        start === 'cuttingFromMoss'
          ? 'Lift it out with the moss that clings to its roots'
          : 'Lift it out of the water with its roots as they are',
      why:
        start === 'cuttingFromMoss'
          ? 'pulling moss off tears the root tips; it may stay'
          : 'water roots break easily and partly die in mix: none to spare',
      cautions: [],
    },
    readStep,
  ];
}

function outOfPot({ traits, signals, potMaterial, wetKg, from }: Repotting): Step[] {
  const cautions = plantCautions(traits);
  const jammed = signals.potBulging === true || signals.circling === 'tight';
  const soft = potMaterial === 'plastic' || potMaterial === 'fabric' || potMaterial === 'net';
  const steps: Step[] = [];
  if (wetKg > HEAVY_KG) {
    steps.push({
      id: 'twoPeople',
      title: 'Lay it on its side, one at the pot, one at the stem',
      why: 'its weight would tear the roots, or your back',
      cautions: ['heavy'],
      hands: 2,
    });
  }
  if (potMaterial === 'net') {
    steps.push({
      id: 'cutPot',
      title: 'Cut the net pot open in strips and ease it off; a strip that is grown in may stay',
      why: 'roots grow through its mesh, and tear when it is pulled',
      cautions: ['blades', ...cautions],
    });
  } else if (jammed && soft) {
    steps.push({
      id: 'cutPot',
      title: 'Cut the pot open from rim to floor',
      why: 'roots fill it so that it would only come out in pieces',
      cautions: ['blades', ...cautions],
    });
  } else if (soft) {
    steps.push({
      id: 'squeezePot',
      title: 'Squeeze the pot all round, then tip it out into your hand',
      why: 'squeezed, the ball lets go of the wall; pulled by the stem, roots tear',
      cautions,
    });
  } else {
    steps.push({
      id: 'knifeRound',
      title: 'Run a thin blade round the wall, then tip it out',
      why: 'roots cling to a hard wall',
      cautions: ['blades', ...cautions],
    });
  }
  if (signals.nurseryPlug === true) {
    steps.push({
      id: 'takePlugOff',
      title: 'Look for a net or plug inside the ball and cut it off',
      why: 'it strangles the crown and stays wet or dry by itself',
      cautions: [],
    });
  }
  if (from === 'pebbles') {
    steps.push({
      id: 'easeOut',
      title: 'Rinse with lukewarm water and ease the pebbles off; leave those that are grown in',
      why: 'roots hold single pebbles and tear with them',
      cautions: [],
    });
  }
  return steps;
}

function oldMedium({ work, signals, from, to }: Repotting): Step[] {
  // Pebbles were eased off already, but for those that are grown in.
  if (from === 'pebbles') return [rinse];
  const circling = signals.circling === 'some' || signals.circling === 'tight';
  if (work === 'ballKept') {
    return [
      {
        id: 'keepBall',
        title: `Keep the ball ${circling ? 'together' : 'whole'}; brush off loose crumbs and the top centimetre`,
        why: 'undisturbed roots go on working; the old surface carries salts and moss',
        cautions: [],
      },
      ...(circling
        ? [
            {
              id: 'openCircling' as const,
              title:
                'Loosen circling roots with your fingers, or score the ball’s sides in three places',
              why: 'roots that circle go on circling in a larger pot',
              cautions: [],
            },
          ]
        : []),
    ];
  }
  if (work === 'mostOff') {
    return [
      {
        id: 'loosenOutside',
        title: 'Loosen the outside third with a stick and shake it off',
        why: 'new mix then lies against roots, and the core stays as it was',
        cautions: [],
      },
    ];
  }
  return [
    {
      id: 'takeAllOff',
      title: 'Take all of the old medium off, from below and outside inwards',
      why: 'what rots or packs is not carried into the new pot',
      cautions: [],
    },
    ...(to === 'pebbles' || to === 'moss' || mustComeOff(signals) ? [rinse] : []),
  ];
}
const rinse: Step = {
  id: 'rinseRoots',
  title: 'Rinse the roots with lukewarm water',
  why: 'what is left of the old medium would rot where it stays wet',
  cautions: [],
};

const readStep: Step = {
  id: 'readRoots',
  title: 'Feel the roots before you cut: firm and pale is alive, hollow, papery or soft is dead',
  why: 'colour alone misleads; note the share that is alive',
  cautions: [],
};

function readAndCut(request: Repotting): Step[] {
  const { traits, signals, work, rootsPruned, pieces, schools } = request;
  const rot = rotSeen(signals);
  const infested = isInfested(signals);
  const live = typeof signals.liveRoots === 'number' ? signals.liveRoots : null;
  const opened = work !== 'ballKept';
  const steps: Step[] = [];
  if (opened || rot || live !== null || infested) steps.push(readStep);
  if (rot || (opened && (live === null || live < MOST_ALIVE))) {
    const school = SCHOOLS.weakRoots.options[schools.weakRoots];
    steps.push({
      id: 'weakRoots',
      title: school.does,
      why: `you follow “${school.label}”: ${school.costs}`,
      cautions: ['blades'],
    });
  }
  if (rot) {
    const school = SCHOOLS.rot.options[schools.rot];
    steps.push(
      {
        id: 'cutToClean',
        title: 'Cut rotted tissue back until the cut is clean all through',
        why: 'rot that is left goes on; a thin purple ring in a rhizome is disputed',
        cautions: ['blades', ...plantCautions(traits)],
      },
      {
        id: 'treatRot',
        title: school.does,
        why: `you follow “${school.label}”: ${school.costs}`,
        cautions: schools.rot === 'peroxide' ? ['peroxide'] : [],
      },
    );
  }
  if (infested) {
    steps.push({
      id: 'washPests',
      title: `Wash ${opened ? 'roots and crown' : 'stems and crown'}; bag what comes off and throw it away`,
      items: pestWork(signals),
      why: 'soaking in a weak solution for half an hour is disputed and hard on roots: follow a label made for it, if any',
      cautions: ['pesticide'],
      timer: { minutes: INFESTED_SOAK_MIN, label: 'let the wash drain and look again' },
    });
  }
  const guests = GUESTS[String(signals.pests)];
  if (guests && !infested) {
    steps.push({
      id: 'washPests',
      title: guests,
      why: 'they come back from what is left',
      cautions: [],
    });
  }
  if (rootsPruned) {
    steps.push({
      id: 'pruneRoots',
      title: 'Shorten the longest roots by a third, all round',
      why: 'the same pot then has room for new ones',
      cautions: ['blades'],
    });
  }
  if (pieces > 1) steps.push(divideStep(request));
  return [...steps, ...wounds(request)];
}

/**
 * What each pest asks of eyes and hands.
 *
 * @source common practice, no source
 */
const PEST_WORK: Record<string, readonly string[]> = {
  mealy: [
    'Woolly clusters smear when pressed and sit on roots and in axils; perlite is hard and crunches',
    'Wipe each cluster off; look under the crown and at the pot’s wall, where they hide',
  ],
  scale: [
    'Lift each scale off with a nail or a soft brush: those that are only wetted stay alive',
    'Look along veins and at leaf bases; young ones are flat and pale',
  ],
};
/** What lives beside the roots and eats no sap. @source common practice, no source */
const GUESTS: Record<string, string> = {
  ants: 'Knock the nest out with the loose medium; look for what ants tend: mealy clusters, scale, lice',
  snails:
    'Pick snails out of the holes and from under the rim; look for clear round eggs among the roots',
};
const pestWork = ({ pests, infestedRoots }: Repotting['signals']): readonly string[] =>
  PEST_WORK[String(pests)] ?? (infestedRoots === true ? PEST_WORK.mealy! : []);

function divideStep({ pieces, traits }: Repotting): Step {
  const walks = traits.growthForm === 'walker' || traits.rootKind === 'velamen';
  return {
    id: 'divide',
    title: walks
      ? `Divide into ${pieces}: pull before you cut; at least three growths with their roots on each`
      : `Divide into ${pieces}: pull before you cut; two or three growths and as many roots on each`,
    why: 'a piece with fewer has not enough to start from',
    cautions: ['blades', ...plantCautions(traits)],
  };
}

function wounds(request: Repotting): Step[] {
  const { traits, signals, pieces, rootsPruned, work, schools } = request;
  const cut = pieces > 1 || rootsPruned || rotSeen(signals);
  // Roots that were only opened are not laid out to dry by who waters them at once.
  const opened = work !== 'ballKept' && schools.firstWater !== 'atOnce';
  if (traits.drying === 'fullyDry' && (cut || opened)) {
    return [
      {
        id: 'callus',
        title: 'Lay it in dry shade until the cuts have callused',
        why: 'an open cut in a succulent root rots in damp mix',
        cautions: [],
        timer: { minutes: (rotSeen(signals) ? 2 : 1) * DAY_MIN, label: 'callus' },
      },
    ];
  }
  const fleshy = traits.rootKind === 'fleshy' || traits.rootKind === 'tuberous';
  if (cut && (fleshy || pieces > 1 || rotSeen(signals))) {
    return [
      {
        id: 'dryWounds',
        title: 'Let the cuts dry in the air for half an hour',
        why: 'a dry cut closes; a wet one is open to rot',
        cautions: [],
        timer: { minutes: 30, label: 'dry the cuts' },
      },
    ];
  }
  return [];
}
