/** One row of CONTRIBUTING's table, done: what is added, in the file that the table names. */
interface Added {
  /** as it begins in the table */
  row: string;
  file: string;
  /** the place in the file: the text before which it is added */
  before: string;
  text: string;
}

/** Something new in every table that rows are added to. */
export const ADDED: readonly Added[] = [
  {
    row: 'a signal',
    file: 'core/src/decide/signals.ts',
    before: '] satisfies readonly (ChoiceOf',
    text: `yesNo('wireGrownIn', 'Wire grown in', 'ball', 0.01, { danger: 5 }, 'a wire is grown in', {
      weights: { danger: -0.1 }, text: 'no wire is grown in' }),`,
  },
  {
    row: 'a pot shape',
    file: 'core/src/pots/shape.ts',
    before: '} as const;\ntype SizesOfShape',
    text: `hexagonal: ['topAcrossCm', 'heightCm'],`,
  },
  {
    row: 'a pot shape',
    file: 'core/src/pots/shape.ts',
    before: "    case 'cylinder':\n      return (Math.PI",
    text: `case 'hexagonal': return (Math.sqrt(3) / 2) * pot.topAcrossCm ** 2;`,
  },
  {
    row: 'a number that components have',
    file: 'core/src/media/own.ts',
    before: '} as const;\nexport type ComponentNumber',
    text: `springShare: { label: 'springs back', unit: '', least: 0, most: 1 },`,
  },
  {
    row: 'a component or recipe',
    file: 'core/src/media/components.ts',
    before: '} satisfies Record<string, Row>;',
    text: `corkCrumb: { label: 'cork crumb', grain: 'crumb', colour: '#b98d5e', grainMm: 4, packing: 0.55,
      dryKgPerL: 0.12, totalPorosity: 0.85, airAt7_6cm: 0.5, ph: 6, buffers: 0.1, rewets: 'slowly' },`,
  },
  {
    row: 'a component or recipe',
    file: 'core/src/media/recipes.ts',
    before: '];\n\n/** The shipped recipes. */',
    text: `['corky', 'Corky', 'what likes cork', { corkCrumb: 3, peat: 1 }],`,
  },
  {
    row: 'a kind of plant',
    file: 'core/src/catalogue/taxa.ts',
    before: '  // Foliage shrubs',
    text: `['Marrowia quayensis', 'quay marrow', 'foliageShrub', { floorC: 3 }],`,
  },
  {
    row: 'a step of a procedure',
    file: 'core/src/procedures/step.ts',
    before: '  keepBall: {',
    text: `brushOff: { work: 'roots', minutes: 2 },`,
  },
  {
    row: 'a step of a procedure',
    file: 'core/src/procedures/before.ts',
    before: '...plantAhead(request), ',
    text: `{ id: 'brushOff' as const, title: 'Brush it off', why: 'it is dusty', cautions: [] },`,
  },
  {
    row: 'what is measured beside a look',
    file: 'core/src/measured/index.ts',
    before: '  watered: done(',
    text: `girthCm: { label: 'girth', as: 'cm', least: 0.1, most: 300, aka: ['stem girth'] },`,
  },
  {
    row: 'what outcomes are told apart by',
    file: 'core/src/worked/practice.ts',
    before: "  season: { label: 'Season'",
    text: `groupOfPlant: { label: 'Group', words: {}, of: ({ group }) => group },`,
  },
  {
    row: 'a question on which keepers differ',
    file: 'core/src/schools/index.ts',
    before: '} as const satisfies Record<string, Question>;',
    text: `saucer: { question: 'What runs into the saucer', topic: 'Saucer', usual: 'emptied',
      setting: 'saucerSchool', bearsOn: ['plant'], options: {
        emptied: { label: 'is emptied', costs: 'a round after the watering' },
        left: { label: 'is left', costs: 'wet feet' } } },`,
  },
  {
    row: 'a heading that a CSV may have',
    file: 'core/src/columns/fields.ts',
    before: "'nickname', 'title')",
    text: `'whatwecallit', `,
  },
];

/** Rows that no run of the program can try, and what holds them instead. */
export const HELD_OTHERWISE: Record<string, string> = {
  'a task of aftercare': 'types: its words, its rule and what moves it',
  'a view': 'web/src/views/views.test.ts and e2e/access.e2e.ts visit every row of the table',
  'a route':
    'types and server/src/openapi/openapi.test.ts: every route is described and answered as it says',
  'a column':
    'server/src/db: samples of every generation are opened; the dictionary is held to the tables',
  'a field of a length': 'web/src/style.test.ts',
  'what stands beside each other': 'web/src/style.test.ts',
};
