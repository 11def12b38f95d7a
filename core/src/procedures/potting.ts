import { mixCautions } from '../cautions/index.ts';
import { firstWaterFor, firstWaterWhy, takesCold } from '../aftercare/index.ts';
import { overWater, reservoirFilled } from './overWater.ts';
import { isInfested, rotSeen } from './before.ts';
import type { Repotting } from './request.ts';
import type { Step } from './step.ts';
import { say } from '../saying/index.ts';

const MOSS_SOAK_MIN = 20;
const SECOND_WATER_MIN = 120;
const DOSE_MIN = 10;
/** Less is not measured. */
const LEAST_L = 0.01;

/** From the empty pot to a plant that stands, level and labelled. */
export function potted(request: Repotting): Step[] {
  return [
    ...potReady(request),
    ...supportFirst(request),
    ...overWater(request),
    ...(request.mound ? mounded(request.mound) : seated(request)),
    ...fastened(request),
    {
      id: 'label',
      title: 'Label it: name, day, pot, mix',
      why: 'nobody remembers it in two years',
      cautions: [],
    },
  ];
}

function potReady({ layer, depth, to, mound: onMound }: Repotting): Step[] {
  if (onMound) return [];
  return [
    ...(layer !== 'none' && depth.screenCm !== null
      ? [
          {
            id: 'screen' as const,
            title: say`Lay a round of mesh over the holes, ${{ cm: depth.screenCm }} wide`,
            why: 'it keeps the mix in and slugs out, and takes no room',
            cautions: [],
          },
        ]
      : []),
    ...(layer === 'ballast' && to !== 'pebbles'
      ? [
          {
            id: 'ballast' as const,
            title: say`Pour in grit as ballast, ${{ cm: depth.layerCm }}`,
            why: 'weight low down; the wet zone stands on top of it, so no more than that',
            cautions: [],
          },
        ]
      : []),
  ];
}

function supportFirst({ support }: Repotting): Step[] {
  if (!support) return [];
  return [
    {
      id: 'setSupport',
      title: say`The ${support.label} goes in before the plant. ${support.fixing}`,
      why: 'pushed in later it tears roots, and wobbles',
      cautions: ['pole'],
    },
  ];
}

function mounded({
  core,
  mouthCm,
  diameterCm,
  mossL,
  dryG,
}: NonNullable<Repotting['mound']>): Step[] {
  return [
    {
      id: 'soakMoss',
      title: say`Soak ${{ kg: dryG / 1000 }} of long moss strands and squeeze them once: ${{ litres: mossL }} when wrapped`,
      why: 'damp strands wrap without breaking, and hold each other',
      cautions: ['biohazard'],
      timer: { minutes: MOSS_SOAK_MIN, label: 'soak the moss' },
    },
    {
      id: 'seatOnNetPot',
      title: say`Seat the plant on the upturned ${{ cm: core.topDiameterCm }} net pot and spread its roots over it`,
      why: 'the hollow core lets air to the roots from below',
      cautions: [],
    },
    {
      id: 'wrapMoss',
      title:
        'Wrap long strands crosswise over roots and core; tuck the ends beneath; fill gaps with single strands',
      why: 'crossed strands hold without string and leave no pockets',
      cautions: [],
    },
    {
      id: 'checkMound',
      title: say`Set it on the mouth: ${{ cm: diameterCm }} wide on ${{ cm: mouthCm }}, wider all round, and it must not give way when pressed`,
      why: 'it settles; a mound no wider than the mouth drops in',
      cautions: [],
    },
  ];
}

function seated(request: Repotting): Step[] {
  const { traits, depth, work, to, start = 'potted', pieces, signals } = request;
  const { components, mixed } = request;
  const bare = work === 'bareRoot' || start !== 'potted' || pieces > 1;
  const steps: Step[] = [];
  if (depth.bedCm > 0.3 && to !== 'moss') {
    steps.push({
      id: 'bed',
      title: say`Fill a bed of ${to === 'pebbles' ? 'rinsed pebbles' : 'mix'}, ${{ cm: depth.bedCm }}${bare ? ', heaped in the middle' : ''}`,
      why: 'the stem’s base then comes to the finished level, no deeper than before',
      cautions: fromTub(components, mixed),
    });
  }
  if (traits.growthForm === 'walker') {
    steps.push({
      id: 'setWalker',
      title: 'Set its oldest end against the wall, the growing end toward the empty side',
      why: 'it walks that way: so it stays in this pot longest',
      cautions: [],
    });
  } else {
    steps.push({
      id: 'setPlant',
      title: say`Set it in the middle, its surface ${{ cm: depth.headspaceCm }} below the rim`,
      why: 'room for water; a stem that is buried rots',
      cautions: [],
    });
  }
  if (bare) {
    steps.push({
      id: 'spreadRoots',
      title: 'Spread the roots over the bed, down and out',
      why: 'roots in a clump leave the new mix unused',
      cautions: [],
    });
  }
  const aerial = signals.aerialRootsOutside === 'few' || signals.aerialRootsOutside === 'many';
  if (aerial && traits.rootKind !== 'tuberous' && to !== 'pebbles') {
    steps.push({
      id: 'leadRoots',
      title: 'Lead long aerial roots into the pot; those that break, leave outside',
      why: 'wetted for ten minutes they bend; inside they branch',
      cautions: [],
    });
  }
  return [...steps, ...filled(request)];
}

/** Who did not mix it was not told yet what is in it; damp, it does not dust. */
const fromTub = (components: Repotting['components'], mixed = false) =>
  mixed ? mixCautions(components).filter((caution) => caution !== 'dust') : [];

function filled({
  to,
  traits,
  schools,
  components,
  newMediumL,
  pieces,
  depth,
  topDressing,
  mixed,
}: Repotting): Step[] {
  const dressed: Step[] =
    topDressing && to !== 'pebbles'
      ? [
          {
            id: 'topDress',
            title: topDressing,
            why: 'it keeps the surface open, and the neck as dry or damp as the plant likes',
            cautions: [],
          },
        ]
      : [];
  // A ball that fills the pot leaves nothing to fill.
  if (newMediumL < LEAST_L) return dressed;
  const steps: Step[] = [];
  const dry = schools.wetting === 'dryFill' && components.some(({ rewets }) => rewets === 'repels');
  const litres = { litres: newMediumL };
  const each = pieces > 1 ? ' in each pot' : '';
  if (to === 'pebbles') {
    steps.push({
      id: 'pourPebbles',
      title: say`Pour rinsed pebbles in round the roots, ${litres}, turning the pot`,
      why: 'they run between roots by themselves; pressing breaks roots',
      cautions: [],
    });
  } else if (to === 'moss') {
    steps.push({
      id: 'packMoss',
      title: say`Tuck damp moss in strand by strand, ${litres}, springy, not hard`,
      why: 'packed hard it holds no air',
      cautions: ['biohazard'],
    });
  } else {
    steps.push(
      dry
        ? {
            id: 'fillDry',
            title: say`Fill the dry mix in small doses, ${litres}${each}, tapping the pot`,
            why: 'dry, it runs between roots; it is wetted afterwards in doses',
            cautions: ['dust'],
          }
        : {
            id: 'fillDamp',
            title: say`Fill the mix in small doses, ${litres}${each}`,
            why: 'a pot filled at once keeps hollows',
            cautions: fromTub(components, mixed),
          },
      {
        id: 'settle',
        title:
          traits.rootKind === 'hair'
            ? 'Settle it by tapping only'
            : 'Settle it by tapping and with a stick, round by round',
        why:
          traits.rootKind === 'hair'
            ? 'hair-fine roots suffocate in mix that is pressed'
            : 'roots dry out in air pockets; pressed hard they suffocate',
        cautions: [],
      },
      {
        id: 'level',
        title: say`Finish ${{ cm: depth.headspaceCm }} below the rim, a little lower at the wall`,
        why: 'water then stands and sinks in, and does not run off',
        cautions: [],
      },
    );
  }
  return [...steps, ...dressed];
}

function fastened({ support, signals, work, start = 'potted', traits }: Repotting): Step[] {
  const steps: Step[] = [];
  if (support && support.ties > 0) {
    steps.push({
      id: 'tie',
      title: `${support.ties} loose ties, just under nodes`,
      why: 'stems thicken; roots come out at the nodes',
      cautions: [],
    });
  }
  const loose = work === 'bareRoot' && start === 'potted' && traits.rootKind === 'velamen';
  if (!support && (loose || signals.wobble === 'topples' || signals.wobble === 'leans')) {
    steps.push({
      id: 'secure',
      title: 'Hold it with a clip or a short stake until it stands by itself',
      why: 'a plant that rocks breaks every new root tip',
      cautions: [],
    });
  }
  return steps;
}

/** First water, or none yet; where it then stands; and the bench left clean. */
export function after(request: Repotting): Step[] {
  return [
    ...watered(request),
    {
      id: 'place',
      title: `Stand it ${takesCold(request) ? 'bright' : 'warm and bright'}, out of direct sun and drafts`,
      why: 'it drinks less than it breathes out for some weeks',
      cautions: [],
    },
    {
      id: 'cleanUp',
      title: isInfested(request.signals)
        ? 'Bag what came off; soak the old pot and the tools; wash hands and bench'
        : 'Put the old pot to soak; clean the blade; wash hands',
      why: 'the next plant gets a clean pot',
      cautions: ['bleach'],
    },
  ];
}

function watered(request: Repotting): Step[] {
  const { to, traits, signals, schools, components, pieces, rootsPruned } = request;
  const cut = pieces > 1 || rootsPruned || rotSeen(signals);
  const { days, because } = firstWaterFor(traits, cut, schools.firstWater);
  const why = firstWaterWhy(because);
  if (to === 'pebbles' && traits.drying !== 'fullyDry') return reservoirFilled(request);
  if (days > 0) {
    return [
      {
        id: 'holdWater',
        title: `${to === 'pebbles' ? 'The reservoir stays empty' : 'No water'} ${days === 1 ? 'until tomorrow' : `for ${days} days`}`,
        why,
        cautions: [],
        timer: { minutes: days * 24 * 60, label: 'first water' },
      },
    ];
  }
  const dryFill =
    schools.wetting === 'dryFill' && components.some(({ rewets }) => rewets === 'repels');
  if (dryFill) {
    return [
      {
        id: 'waterDoses',
        title: 'Water in four small doses, ten minutes apart',
        why: 'dry peat takes water up slowly; one large pour runs past it',
        cautions: [],
        timer: { minutes: DOSE_MIN, label: 'next dose' },
      },
    ];
  }
  const slow = components.some(({ rewets }) => rewets !== 'easily');
  return [
    {
      id: 'waterNow',
      title: 'Water thoroughly and let it drain',
      why,
      cautions: [],
    },
    ...(slow && to !== 'moss'
      ? [
          {
            id: 'waterAgain' as const,
            title: 'Water a second time',
            why: 'this mix takes up water slowly; the first pour runs past dry parts',
            cautions: [],
            timer: { minutes: SECOND_WATER_MIN, label: 'second water' },
          },
        ]
      : []),
  ];
}
