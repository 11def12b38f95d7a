/** Texts of bringing a CSV in. */
export const importing = {
  title: 'Bring in a CSV',
  intro: 'Choose a file. You see what becomes of every row before anything is written.',
  choose: 'Choose a CSV file',
  drop: 'or drop it here',
  other: 'Choose another file',
  reading: 'Reading…',
  found: (rows: number, columns: number, encoding: string, delimiter: string) =>
    `${rows.toLocaleString()} rows of ${columns} columns, ${encoding}, parted by ${delimiter}`,
  delimiters: { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' } as Record<
    string,
    string
  >,
  encoding: 'Letters are written as',
  encodingHint: 'Change it if names look wrong below',
  kind: 'What is it?',
  collection: 'A collection: a row a plant',
  log: 'A log: a row what was measured or seen',
  remembered: 'Columns are read as the last time.',
  columns: 'What the columns mean',
  column: 'Column',
  sample: 'For example',
  means: 'Means',
  leaveOut: 'left out',
  toNote: 'into the note',
  unit: 'Unit',
  order: 'Days written as',
  orders: {
    ymd: 'year, month, day',
    dmy: 'day, month, year',
    mdy: 'month, day, year',
    serial: 'spreadsheet days',
  },
  unsure: 'These days can be read in two ways: check the order.',
  decimal: 'Decimal sign',
  point: 'point: 12.5',
  comma: 'comma: 12,5',
  open: 'Where rows leave it open',
  same: 'A plant you have already',
  sames: {
    skip: 'leave it as it is',
    update: 'take over what the row tells',
    add: 'add it once more',
  },
  spot: 'Rows without a spot stand at',
  noSpot: 'refuse them',
  potCm: (unit: string) => `Rows without a pot size: width, ${unit}`,
  group: 'Species not in the catalogue belong to',
  groupOf: (taxon: string) => `“${taxon}” belongs to`,
  noGroup: 'refuse them',
  fates: 'What becomes of the rows',
  judging: 'Judging rows…',
  counts: { add: 'to add', update: 'to change', skip: 'left as they are', refuse: 'refused' },
  newSpots: (n: number) =>
    n === 1
      ? 'One new spot is made: what is it like?'
      : `${n} new spots are made: what are they like?`,
  newSpotsHint:
    'A room is taken as 20 °C and half humid, outdoors as a typical year there; change either under Rounds, with lamps and months.',
  ofRows: (note: string, rows: number) => `${note} (${rows.toLocaleString()} rows)`,
  line: 'Line',
  fate: { add: 'adds', update: 'changes', skip: 'left', refuse: 'refused' },
  onlyFirst: (n: number) => `and ${n.toLocaleString()} more rows like these`,
  refusedCsv: 'Save the refused rows with their reasons',
  run: (add: number, update: number, what: 'collection' | 'log') => {
    const rows =
      what === 'collection' ? (add === 1 ? 'plant' : 'plants') : add === 1 ? 'row' : 'rows';
    const parts = [
      add > 0 ? `Bring in ${add.toLocaleString()} ${rows}` : '',
      update > 0 ? `${add > 0 ? 'change' : 'Change'} ${update.toLocaleString()}` : '',
    ];
    return parts.filter(Boolean).join(', ') || 'Nothing to bring in';
  },
  leaves: (n: number) =>
    n === 1 ? '1 refused row stays out.' : `${n.toLocaleString()} refused rows stay out.`,
  done: (add: number, update: number) =>
    [
      add > 0 ? `Brought in ${add.toLocaleString()}.` : '',
      update > 0 ? `Changed ${update.toLocaleString()}.` : '',
    ]
      .filter(Boolean)
      .join(' '),
  see: 'See the collection',
  words:
    'Species, genus, name, spot, pot, medium, days, height, notes; Darwin Core terms are known.',
};
