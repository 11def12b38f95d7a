import type { DayPlant, DayPot, DayProblem, Pin } from '../day/index.ts';
import { USUAL_OVERHEADS } from '../day/index.ts';
import { component } from '../media/index.ts';
import { seeded } from '../number/index.ts';
import { nominalPot } from '../pots/index.ts';
import { addDays } from '../season/index.ts';

/** How large an invented potting day is. */
export interface DayScale {
  plants: number;
  /** pots on the shelf */
  pots: number;
  components: number;
  dates: number;
  /** pots that a plant may choose from, at most */
  options: number;
  hands?: number;
}

const COMPONENTS = [
  'perlite',
  'barkMedium',
  'coir',
  'pumice',
  'pottingSoil',
  'barkFine',
  'longMoss',
  'charcoal',
  'grit',
  'loamCompost',
  'sharpSand',
  'wormCompost',
  'coconutChips',
  'lava',
  'vermiculite',
  'firedClay',
  'treeFernFibre',
  'compost',
  'peat',
  'barkCoarse',
] as const;
const RIMS_CM = [9, 11, 12, 13, 14, 15, 17, 19, 21, 24, 27, 30];
/** No day at the bench is longer. */
const LONGEST_MINUTES = 720;
const START = '2026-03-21';

/** An invented potting day: plants that gain unevenly, odd pots, half bags. */
export function trialDay(seed: number, scale: DayScale): DayProblem {
  const random = seeded(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const between = (low: number, high: number) => low + random() * (high - low);
  const dates = Array.from({ length: scale.dates }, (_, i) => ({
    date: addDays(START, i * pick([1, 1, 7])),
    minutes: 0,
  }));
  dates.forEach((day, i) => {
    if (i > 0 && day.date <= dates[i - 1]!.date) day.date = addDays(dates[i - 1]!.date, 1);
  });
  const known = COMPONENTS.slice(0, Math.max(2, scale.components));
  const mixes = Array.from({ length: Math.max(1, Math.ceil(scale.components / 4)) }, (_, i) => {
    const parts = [...known].sort(() => random() - 0.5).slice(0, Math.min(known.length, 3));
    return {
      id: `mix-${i}`,
      label: `mix ${i}`,
      recipeId: `mix-${i}`,
      parts: parts.map((id) => ({
        ingredient: component(id),
        parts: 1 + Math.floor(random() * 3),
      })),
    };
  });
  const rims = Array.from({ length: scale.plants }, () => pick(RIMS_CM.slice(0, -2)));
  const shelf: DayPot[] = [];
  for (let pots = scale.pots, i = 0; pots > 0; i++) {
    const count = Math.min(pots, 1 + Math.floor(random() * 3));
    pots -= count;
    const rim = pick(RIMS_CM);
    const soaking = random() < 0.2 ? 1 : 0;
    shelf.push({
      id: `shelf-${i}`,
      label: `${rim} cm, no. ${i}`,
      shape: nominalPot(rim),
      material: 'plastic',
      source: 'shelf',
      ready: dates.map((_, date) => (date === 0 ? count - soaking : count)),
    });
  }
  const left = rims.map((rim, i): DayPot => ({
    id: `left-${i + 1}`,
    label: `pot of plant ${i + 1}`,
    shape: nominalPot(rim),
    material: 'plastic',
    source: 'left',
    of: i + 1,
  }));
  const stays = rims.map((_, i): DayPot => ({
    ...left[i]!,
    id: `stays-${i + 1}`,
    source: 'stays',
  }));
  const bought = RIMS_CM.map((rim): DayPot => ({
    id: `buy-${rim}`,
    label: `${rim} cm, new`,
    shape: nominalPot(rim),
    material: 'plastic',
    source: 'toBuy',
    price: random() < 0.8 ? rim / 4 : null,
  }));
  const rimOf = (pot: DayPot) => (pot.shape as { topDiameterCm: number }).topDiameterCm;
  const plants = rims.map((rim, i): DayPlant => {
    const id = i + 1;
    const wants = rim + pick([0, 2, 3]);
    const near = (pot: DayPot) => Math.abs(rimOf(pot) - wants) <= 3;
    const able = [
      ...shelf.filter(near),
      ...left.filter((pot) => pot.of !== id && near(pot)),
      ...bought.filter(near),
    ];
    const own = stays[i]!;
    const chosen = [...able]
      .sort((a, b) => Math.abs(rimOf(a) - wants) - Math.abs(rimOf(b) - wants) || random() - 0.5)
      .slice(0, scale.options - 1);
    const gain = between(-0.05, 0.6) ** 2 + between(0, 0.3);
    const each = (pot: DayPot) => ({
      pot: pot.id,
      minutes: Math.round(between(12, 40)),
      filledL: Math.round(100 * (rimOf(pot) ** 3 / 2500 + 0.2)) / 100,
      penalty: Math.round(1000 * 0.02 * Math.abs(rimOf(pot) - wants)) / 1000,
    });
    return {
      id,
      name: `Plant ${id}`,
      gain: dates.map((_, date) => Math.round(1000 * (gain - 0.01 * date)) / 1000),
      tidiness: random() < 0.8 ? 'clean' : pick(['suspect', 'quarantine'] as const),
      mix: pick(mixes).id,
      options: [...chosen, ...(random() < 0.4 ? [own] : [])].map(each),
      soakMinutes: random() < 0.15 ? 30 : 0,
      support: random() < 0.1 ? { kind: 'stake', lengthCm: pick([45, 60, 80]), poles: 1 } : null,
    };
  });
  const asks = plants.reduce((sum, { options }) => sum + (options[0]?.minutes ?? 0), 0);
  const hands = scale.hands ?? 1;
  const share = between(0.35, 0.75);
  for (const day of dates) {
    day.minutes = Math.min(LONGEST_MINUTES, Math.round(60 + (share * asks) / dates.length / hands));
  }
  return {
    dates,
    hands,
    money: random() < 0.7 ? Math.round(between(0, 12 * Math.sqrt(scale.plants))) : null,
    cleaning: random() < 0.5 ? 'rinse' : 'soak',
    overheads: USUAL_OVERHEADS,
    plants,
    pots: [...shelf, ...left, ...stays, ...bought],
    mixes,
    stock: known.map((id) => ({
      component: id,
      label: id,
      bagL: pick([10, 20, 40]),
      bags: Math.floor(random() * 2),
      openL: Math.round(10 * between(0, scale.plants / 3)) / 10,
      pricePerBag: random() < 0.85 ? Math.round(between(3, 20)) : null,
      counted: random() < 0.9,
    })),
    poles: [
      { kind: 'stake', lengthCm: 90, count: 2 },
      { kind: 'stake', lengthCm: 120, count: null },
    ],
    pins: [],
  };
}

/** Some of a keeper's words on a day, now and then ones that cannot all hold. */
export function trialPins(problem: DayProblem, seed: number): Pin[] {
  const random = seeded(seed);
  return problem.plants.flatMap(({ id, options }): Pin[] => {
    const dice = random();
    if (dice < 0.08) return [{ kind: 'in', plant: id }];
    if (dice < 0.16) return [{ kind: 'out', plant: id }];
    const option = options[Math.floor(random() * options.length)];
    if (dice < 0.22 && option) return [{ kind: 'pot', plant: id, pot: option.pot }];
    if (dice < 0.3 && option) return [{ kind: 'notPot', plant: id, pot: option.pot }];
    if (dice < 0.34) return [{ kind: 'on', plant: id, date: problem.dates[0]!.date }];
    return [];
  });
}
