import { readFileSync, writeFileSync } from 'node:fs';
import { STATES, type State } from '../core/src/decide/index.ts';
import { calibration, fernbank, SCHOOL_RULES, totalCost } from '../core/src/trials/calibration.ts';
import { trialGarden } from '../core/src/trials/garden.ts';
import { yearsHeld } from '../core/src/trials/futures.ts';
import { byTurns, byWorth, yearOfRounds } from '../core/src/trials/looks.ts';

/**
 * `npm run trials [-- --write]`: the judgement tried on invented plants whose truth is known, as the
 * tables of docs/models.md.
 */
const SEED = 20_261;
/** Never used while weights were set. */
const OTHER_SEEDS = [4_409, 88_117];
const PLANTS = 16_000;
const LEAST = 100;
const COSTED = 4000;
const ROUNDS = { plants: 500, looks: 20 };
/** On seeds that were not used while its spreads were set. */
const FORETOLD = { gardens: 400, plants: 20, seeds: [88_117, 51_003] };

const WORDS: Record<State, string> = {
  crowded: 'crowded',
  mediumFailing: 'medium failing',
  danger: 'danger',
  tooWet: 'too wet',
  unstable: 'unstable',
};
const share = (value: number) => value.toFixed(2);

function calibrationTable(): string[] {
  const deciles = calibration(trialGarden(SEED, PLANTS)).filter(({ plants }) => plants >= LEAST);
  const rows = Array.from({ length: 10 }, (_, tenth) => {
    const cells = STATES.flatMap((state) => {
      const found = deciles.find(
        (one) => one.state === state && Math.round(10 * one.from) === tenth,
      );
      return found
        ? [`${share(found.predicted)} (${found.plants})`, share(found.observed)]
        : ['–', '–'];
    });
    return `| ${10 * tenth}–${10 * tenth + 10} % | ${cells.join(' | ')} |`;
  });
  const head = STATES.flatMap((state) => [WORDS[state], 'true']);
  return [
    `| held as | ${head.join(' | ')} |`,
    `| --- | ${head.map(() => '---:').join(' | ')} |`,
    ...rows,
  ];
}

function costs(seed: number): string {
  const garden = trialGarden(seed, COSTED);
  const of = (policy: (plant: (typeof garden)[number]) => number | null) =>
    Math.round(totalCost(garden, policy));
  const schools = Object.entries(SCHOOL_RULES).map(([school, rule]) => `“${school}” ${of(rule)}`);
  return `seed ${seed}: Fernbank ${of(fernbank)}, ${schools.join(', ')}, never ${of(() => null)}`;
}

function looks(seed: number): string {
  const { plants, looks: each } = ROUNDS;
  const turns = Math.round(yearOfRounds(plants, seed, byTurns, each).cost);
  const worth = Math.round(yearOfRounds(plants, seed, byWorth, each).cost);
  return `seed ${seed}: in turns ${turns}, by worth ${worth}`;
}

function foretold(seed: number): string {
  const { gardens, plants } = FORETOLD;
  const { below, within, above, between } = yearsHeld(gardens, plants, seed);
  const share = (count: number) => `${Math.round((100 * count) / gardens)} %`;
  return `seed ${seed}: ${share(between)} (${share(within)} within the band as it is shown, ${share(below)} below, ${share(above)} above)`;
}

const told = [
  ...calibrationTable(),
  '',
  `In brackets: plants of ${PLANTS}; tenths with fewer than ${LEAST} are left out.`,
  '',
  `Total true cost over two years of ${COSTED} plants, each school as a plain rule:`,
  '',
  ...[SEED + 1, ...OTHER_SEEDS].map((seed) => `- ${costs(seed)}`),
  '',
  `A year of rounds over ${ROUNDS.plants} plants, ${ROUNDS.looks} looks every four weeks, 40 % of repots forgotten:`,
  '',
  ...[SEED, ...OTHER_SEEDS].map((seed) => `- ${looks(seed)}`),
  '',
  `Repots of a year in ${FORETOLD.gardens} gardens of ${FORETOLD.plants} plants, foretold from one look at each, against what their keepers then did. Between a tenth and nine tenths of the futures drawn, equal counts shared out, are to lie 80 %; a band of whole repots takes in more (\`ahead/\`):`,
  '',
  ...FORETOLD.seeds.map((seed) => `- ${foretold(seed)}`),
];

const [from, to] = ['<!-- trials -->', '<!-- /trials -->'];
console.log(told.join('\n'));
if (process.argv.includes('--write')) {
  const page = new URL('../docs/models.md', import.meta.url);
  const text = readFileSync(page, 'utf8');
  const start = text.indexOf(from);
  const end = text.indexOf(to);
  if (start === -1 || end === -1) throw new Error('docs/models.md has no place for the trials');
  writeFileSync(
    page,
    `${text.slice(0, start + from.length)}\n\n${told.join('\n')}\n\n${text.slice(end)}`,
  );
}
