import { longWay } from '../aftercare/index.ts';
import { WICKS } from '../pebbles/index.ts';
import { say, type Saying } from '../saying/index.ts';
import type { Repotting } from './request.ts';
import type { Step } from './step.ts';

const WATER_WEEKS_MIN = 3 * 7 * 24 * 60;

/** Roots made ready for water before they meet pebbles. */
export function throughWater({ from, to, traits, start = 'potted', schools }: Repotting): Step[] {
  if (start !== 'potted' || !longWay({ from, to, traits, school: schools.toPebbles })) return [];
  return [
    {
      id: 'waterJar',
      title:
        'Stand the bare roots in a dark jar of water, changed twice a week, until new white roots grow',
      why: 'soil roots partly die in pebbles; roots grown in water go on there',
      cautions: [],
      timer: { minutes: WATER_WEEKS_MIN, label: 'look for new water roots' },
    },
  ];
}

/** The vessel and the way that water takes up into the pebbles, and what becomes of roots above them. */
export function overWater(request: Repotting): Step[] {
  const { under, signals, traits, to } = request;
  if (to !== 'pebbles') return [];
  const hangs = signals.aerialRootsOutside === 'few' || signals.aerialRootsOutside === 'many';
  return [
    ...(under ? vesselReady(under) : []),
    ...(hangs || traits.rootKind === 'velamen'
      ? [
          {
            id: 'leaveAerial' as const,
            title: 'Lay roots of the surface under the top pebbles; aerial roots stay in the air',
            why: 'a root that grew in air drowns when it is forced down; its new tips find the water',
            cautions: [],
          },
        ]
      : []),
  ];
}

function vesselReady(under: NonNullable<Repotting['under']>): Step[] {
  const { kind, gapCm, wick, wickKind, wickInsideCm, cautions } = under;
  const steps: Step[] = [];
  if (cautions.includes('wrapDark')) {
    steps.push({
      id: 'wrapVessel',
      title: 'Wrap the vessel so that no light reaches the water',
      why: 'algae grow in light, and use up the air and the feed',
      cautions: [],
    });
  }
  if (kind === 'holes') {
    steps.push({
      id: 'makeHoles',
      title: say`Holes ${{ cm: gapCm }} above the floor: water stands no higher`,
      why: 'what is poured in too much runs out there',
      cautions: [],
    });
    return steps;
  }
  if (wick?.reaches && wickKind) {
    steps.push({
      id: 'threadWicks',
      title: say`Pull ${cords(wick.count)} of ${WICKS[wickKind].label}, ${{ cm: Math.ceil(wick.lengthCm) }} long, through the holes`,
      items: [
        say`${{ cm: Math.round(wickInsideCm) }} stand up inside among the pebbles; the rest reaches the floor of the vessel`,
        'wetted first: a dry wick lifts nothing',
        ...(wick.winterCount < wick.count
          ? [`in the dark months ${wick.winterCount} is enough: draw the others up`]
          : []),
      ],
      why: 'later a wick never gets in among the roots',
      cautions: [],
    });
  }
  steps.push({
    id: 'setOverWater',
    title: say`Raise the pot ${{ cm: gapCm }} above the floor of its vessel, on a spacer or by its rim`,
    why: 'the roots hang in air over the water',
    cautions: [],
  });
  return steps;
}
const cords = (count: number) => (count === 1 ? 'one wick' : `${count} wicks`);

/** The first filling, with its litres and its level where the vessel is known. */
export function reservoirFilled({ under, traits }: Repotting): Step[] {
  const what = traits.fed ? 'weak nutrient solution, pH about 6,' : 'rain water, without feed,';
  const to: Saying = under
    ? say`until ${{ litres: under.summer.litres }} stand ${{ cm: under.summer.levelCm }} deep in ${under.kind === 'holes' ? 'the pot' : 'the vessel'}`
    : 'then up to the level';
  return [
    {
      id: 'fillReservoir',
      title: say`Pour ${what} through the pebbles ${to}`,
      why: `${traits.fed ? 'plain water has no food; ' : ''}the first pour wets every pebble, dry clay draws water out of roots`,
      cautions: [],
    },
  ];
}
