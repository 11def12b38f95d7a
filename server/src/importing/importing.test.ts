import { typicalYear } from '@fernbank/core';
import iconv from 'iconv-lite';
import Papa from 'papaparse';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';
import type { Mapping } from './mapping.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, addPlant } = handsOf(() => app);

const read = (file: string | Buffer) =>
  app.call.post('/api/imports').set('Content-Type', 'text/csv').send(Buffer.from(file));
const opened = async (file: string | Buffer) => (await read(file).expect(201)).body;
const mappingOf = (guess: Partial<Mapping>, over: Partial<Mapping> = {}) => ({
  kind: guess.kind,
  decimal: guess.decimal,
  columns: guess.columns,
  latitudeDeg: 54,
  ...over,
});
async function preview(file: string | Buffer, over: Partial<Mapping> = {}) {
  const { token, guess } = await opened(file);
  const mapping = mappingOf(guess, over);
  const { body } = await app.call.post(`/api/imports/${token}/preview`).send(mapping).expect(200);
  return {
    ...body,
    run: () => app.call.post(`/api/imports/${token}/run`).send(mapping),
    token,
    mapping,
  };
}
const plants = async () => (await get('/api/plants?limit=1000')).items;

const COLLECTION = `Name,Scientific name,Location,Pot (in),Soil,Repotted,Height (cm),Notes,Shelf code
Gangway,Aspidistra elatior,Ticket hall,6,soil,25/03/2024,45,by the door,A1
Bollard,Davallia fejeensis,Slipway porch,4.5,moss,2/4/2025,,,B7
Capstan,Begonia maculata,ticket hall,5,,,30,,`;

describe('a collection', () => {
  it('takes a repot of a year for its spring, of a season for its middle, and “?” for not known', async () => {
    const days = ['2023', 'spring 2024', '?', TODAY.slice(0, 4), 'ca. 2021'];
    const csv = [
      'Name,Species,Pot,Location,Soil,Repotted',
      ...days.map((day, i) => `P${i},Aspidistra elatior,14,Hall,soil,${day}`),
    ].join('\n');
    const north = await preview(csv, { latitudeDeg: 54 });
    expect(north.counts.refuse).toBe(0);
    await north.run().expect(200);
    const repots = (await plants()).map(({ lastRepot }: { lastRepot: string | null }) => lastRepot);
    expect(repots.slice(0, 3)).toEqual(['2023-04-15', '2024-04-15', null]);
    expect(repots[3]! <= TODAY).toBe(true);
    expect(repots[4]).toBe('2021-04-15');
  });

  it('a season that has begun is taken as the middle of what has gone by of it; one ahead is refused', async () => {
    const year = TODAY.slice(0, 4);
    const csv = ['spring', 'summer']
      .map((season) => `${season},Aspidistra elatior,14,Hall,soil,${season} ${year}`)
      .join('\n');
    const { counts, fates, run } = await preview(`Name,Species,Pot,Location,Soil,Repotted\n${csv}`);
    expect(counts).toMatchObject({ add: 1, refuse: 1 });
    const refused = fates.find(({ fate }: { fate: string }) => fate === 'refuse');
    expect(refused.problems).toEqual([
      {
        column: 'Repotted',
        message: expect.stringMatching(/^must not be in the future/) as string,
      },
    ]);
    await run().expect(200);
    const [{ lastRepot }] = await plants();
    expect(lastRepot > `${year}-03-01` && lastRepot < TODAY).toBe(true);
  });

  it('what a field does not take is told with its row; the others come in', async () => {
    const { counts, fates, run } = await preview(
      'Name,Species,Pot,Location,Stems\nBell,Aspidistra elatior,14,Hall,900000\nBuoy,Aspidistra elatior,14,Hall,2',
    );
    expect(counts).toMatchObject({ add: 1, refuse: 1 });
    expect(fates[0].problems).toEqual([
      { column: 'Stems', message: expect.stringMatching(/^must be /) as string },
    ]);
    await run().expect(200);
    expect((await plants()).map(({ name }: { name: string }) => name)).toEqual(['Buoy']);
  });

  it('a list of names and pots alone is told by its names', async () => {
    const { counts, run } = await preview(
      'Plant,Pot,Room\nAspidistra elatior,21,Hall\nBell buoy,12,Hall',
    );
    expect(counts).toMatchObject({ add: 1, refuse: 1 });
    await run().expect(200);
    expect((await plants())[0]).toMatchObject({
      name: 'Aspidistra elatior',
      taxon: 'Aspidistra elatior',
    });
  });

  it('… and in the south for the spring of the south', async () => {
    const csv = 'Name,Species,Pot,Location,Soil,Repotted\nP,Aspidistra elatior,14,Hall,soil,2023';
    await (await preview(csv, { latitudeDeg: -38 })).run().expect(200);
    expect((await plants())[0].lastRepot).toBe('2023-10-15');
  });

  it('reads a pot as a label has it: its width, what it is made of, its shape', async () => {
    const rows = [
      ['8 cm net pot', { shape: 'round', topDiameterCm: 8 }, 'net'],
      ['6 in', { shape: 'round', topDiameterCm: 15.24 }, 'plastic'],
      ['4.5" terra cotta pot', { shape: 'round', topDiameterCm: 11.43 }, 'terracotta'],
      ['15 square glazed', { shape: 'square', topLengthCm: 15 }, 'glazed'],
      ['14', { shape: 'round', topDiameterCm: 14 }, 'plastic'],
    ] as const;
    const cell = (text: string) => `"${text.replaceAll('"', '""')}"`;
    const csv = [
      'Name,Species,Pot,Location,Soil',
      ...rows.map(([pot], i) => `P${i},Aspidistra elatior,${cell(pot)},Hall,soil`),
      'P9,Aspidistra elatior,12 cm odd,Hall,soil',
    ].join('\n');
    const { counts, fates, run } = await preview(csv);
    expect(counts).toEqual({ add: 5, update: 0, skip: 0, refuse: 1 });
    const refused = fates.find(({ fate }: { fate: string }) => fate === 'refuse');
    expect(refused.problems[0]).toMatchObject({ column: 'Pot' });
    expect(refused.problems[0].message).toContain('“odd”');
    await run().expect(200);
    const kept = await plants();
    rows.forEach(([text, pot, potMaterial], i) => {
      const row = kept.find(({ name }: { name: string }) => name === `P${i}`);
      expect(row.potMaterial, text).toBe(potMaterial);
      for (const [size, value] of Object.entries(pot)) {
        if (typeof value === 'number') expect(row.pot[size], text).toBeCloseTo(value, 6);
        else expect(row.pot[size], text).toBe(value);
      }
    });
  });

  it('is brought in with spots, units and days as its columns say, and taken back as one', async () => {
    const { counts, newSpots, run } = await preview(COLLECTION);
    expect(counts).toEqual({ add: 3, update: 0, skip: 0, refuse: 0 });
    expect(newSpots).toEqual(['Ticket hall', 'Slipway porch']);
    expect(await plants()).toEqual([]);
    expect((await run().expect(200)).body.counts.add).toBe(3);
    const [first, second, third] = await plants();
    expect(first).toMatchObject({
      name: 'Gangway',
      taxon: 'Aspidistra elatior',
      lastRepot: '2024-03-25',
      heightCm: 45,
      mediumKind: 'peatSoil',
      note: 'by the door',
    });
    expect(first.pot.topDiameterCm).toBeCloseTo(15.24, 6);
    expect(second.mediumKind).toBe('moss');
    expect(third.spotId).toBe(first.spotId);
    const [deed] = (await get('/api/history')).items;
    expect(deed).toMatchObject({ kind: 'import', counts: { plants: 3, spots: 2 } });
    await app.call.post(`/api/history/${deed.id}/undo`).expect(200);
    expect(await plants()).toEqual([]);
    expect((await get('/api/spots')).items).toEqual([]);
  });

  it('makes its spots as was said of each: outdoors has a typical year there, a room is a common one', async () => {
    const said = { 'Slipway porch': { indoors: false, light: 'bright' as const } };
    await (await preview(COLLECTION, { newSpots: said, latitudeDeg: 54 })).run().expect(200);
    const [hall, porch] = (await get('/api/spots')).items;
    expect(hall).toMatchObject({ name: 'Ticket hall', indoors: true, temperatureC: 20 });
    expect(porch).toMatchObject({ name: 'Slipway porch', indoors: false, light: 'bright' });
    expect(porch.temperatureC).toEqual(typicalYear(54));
  });

  it('brought in twice adds nothing the second time, or brings what changed', async () => {
    await (await preview(COLLECTION)).run();
    const again = await preview(COLLECTION);
    expect(again.counts).toEqual({ add: 0, update: 0, skip: 3, refuse: 0 });
    const changed = COLLECTION.replace('45,by the door', '52,moved');
    const update = await preview(changed, { same: 'update' });
    expect(update.counts).toMatchObject({ update: 3, add: 0 });
    await update.run().expect(200);
    const [first] = await plants();
    expect(first).toMatchObject({ heightCm: 52, note: 'moved', lastRepot: '2024-03-25' });
    expect(await plants()).toHaveLength(3);
  });

  it('what Fernbank wrote out it reads back: every plant is known again', async () => {
    const garden = testApp({ garden: true });
    try {
      const { text } = await garden.call.get('/api/tables/plants.csv');
      const { body } = await garden.call.post('/api/imports').send(Buffer.from(text)).expect(201);
      const { body: told } = await garden.call
        .post(`/api/imports/${body.token}/preview`)
        .send(mappingOf(body.guess))
        .expect(200);
      const rows = Papa.parse(text.trim(), { header: true }).data.length;
      expect(told.counts).toEqual({ add: 0, update: 0, skip: rows, refuse: 0 });
    } finally {
      garden.close();
    }
  });

  it('refuses a row with each of its reasons by column, and brings the others in', async () => {
    const file = `name;taxon;spot;pot;lastRepot;height
Gangway;Aspidistra elatior;Hall;14;01.05.2024;45
Nameless;Planta nulla;Hall;14;01.05.2024;45
Ahead;Aspidistra elatior;Hall;14;01.05.2027;45
Giant;Aspidistra elatior;Hall;900;40.05.2024;tall`;
    const { counts, fates, unknownTaxa, run, token, mapping } = await preview(file);
    expect(counts).toEqual({ add: 1, update: 0, skip: 0, refuse: 3 });
    expect(unknownTaxa).toEqual(['Planta nulla']);
    const by = Object.fromEntries(fates.map((fate: { name: string }) => [fate.name, fate]));
    expect(by.Nameless.problems).toEqual([
      { column: 'taxon', message: expect.stringContaining('not in the catalogue') },
    ]);
    expect(by.Nameless.line).toBe(3);
    expect(by.Ahead.problems[0].message).toMatch(/future/);
    expect(by.Giant.problems.map(({ column }: { column: string }) => column)).toEqual([
      'lastRepot',
      'height',
    ]);
    const refused = await app.call
      .post(`/api/imports/${token}/refused.csv`)
      .send(mapping)
      .expect(200);
    const { data } = Papa.parse<string[]>(refused.text.trim());
    expect(data).toHaveLength(4);
    expect(data[1]![6]).toContain('taxon: “Planta nulla”');
    await run().expect(200);
    expect((await plants()).map(({ name }: { name: string }) => name)).toEqual(['Gangway']);
  });

  it('takes a species that is not in the catalogue once its group is told', async () => {
    const file = 'name,taxon,spot,pot\nA,Planta nulla,Hall,12\nB,Planta alia,Hall,12';
    const [{ id: group }] = (await get('/api/groups')).items ?? (await get('/api/groups'));
    const one = await preview(file, { groups: { 'Planta nulla': group } });
    expect(one.counts).toMatchObject({ add: 1, refuse: 1 });
    const both = await preview(file, { elseGroup: group });
    expect(both.counts).toMatchObject({ add: 2, refuse: 0 });
  });

  it('remembers how columns were read', async () => {
    const first = await preview(COLLECTION);
    await first.run().expect(200);
    const { remembered } = await opened(COLLECTION.replace('Gangway', 'Other'));
    expect(remembered.columns).toEqual(first.mapping.columns);
    expect((await opened('a,b\n1,2')).remembered).toBeNull();
  });

  it('keeps columns without a field of their own in the note, when told to', async () => {
    const { token, guess } = await opened(COLLECTION);
    const columns = guess.columns.map((use: object, i: number) =>
      i === 8 ? { field: 'note' } : use,
    );
    const mapping = mappingOf({ ...guess, columns });
    await app.call.post(`/api/imports/${token}/run`).send(mapping).expect(200);
    expect((await plants())[0].note).toBe('by the door\nShelf code: A1');
  });

  it('a file that is held no longer, or columns that are another file’s, are refused', async () => {
    const { guess, token } = await opened(COLLECTION);
    await app.call.post('/api/imports/nothing/preview').send(mappingOf(guess)).expect(404);
    const { body } = await app.call
      .post(`/api/imports/${token}/preview`)
      .send(mappingOf({ ...guess, columns: [] }))
      .expect(422);
    expect(body.error.field).toBe('columns');
  });
});

describe('a log', () => {
  it('adds weights, heights and waterings, keeps each once, and moves the newest height to the plant', async () => {
    const { id } = await addPlant();
    const file = `Date,Plant,Weight (g),Height cm,Watered,Remarks
3/2/2026,gangway,"1,250",,yes,
3/9/2026,Gangway,1180,52,,new leaf
3/13/2026,Gangway,,54,no,`;
    const { counts, run } = await preview(file);
    expect(counts).toEqual({ add: 3, update: 0, skip: 0, refuse: 0 });
    await run().expect(200);
    const { measurements, looks, plant } = await get(`/api/plants/${id}/file`);
    expect(
      measurements.map(({ kind, value }: { kind: string; value: number }) => [kind, value]),
    ).toEqual(
      expect.arrayContaining([
        ['weightKg', 1.25],
        ['weightKg', 1.18],
        ['watered', 1],
        ['heightCm', 54],
      ]),
    );
    expect(plant.heightCm).toBe(54);
    expect(looks[0]).toMatchObject({ note: 'new leaf', date: '2026-03-09' });
    const again = await preview(file);
    expect(again.counts).toMatchObject({ add: 1, skip: 2 });
  });

  it('in the long form of Darwin Core names what it measured, with its unit', async () => {
    await addPlant();
    const file = `dwc:organismName,dwc:measurementType,dwc:measurementValue,dwc:measurementUnit,dwc:measurementDeterminedDate
Gangway,weight,850,g,2026-03-01
Gangway,plant height,1.2,m,2026-03-01
Gangway,girth,3,cm,2026-03-01
Gangway,weight,850,bananas,2026-03-01
Nobody,weight,850,g,2026-03-01`;
    const { counts, fates, run } = await preview(file);
    expect(counts).toMatchObject({ add: 2, refuse: 3 });
    expect(
      fates.map(({ problems }: { problems: { column: string }[] }) => problems[0]?.column),
    ).toEqual([
      'dwc:measurementType',
      'dwc:measurementUnit',
      'dwc:organismName',
      undefined,
      undefined,
    ]);
    await run().expect(200);
    const { items } = await get('/api/measurements');
    expect(items.map(({ value }: { value: number }) => value)).toEqual([0.85, 120]);
  });

  it('says where a name stands for several plants', async () => {
    await addPlant();
    await addPlant();
    const { fates } = await preview('date,plant,weight\n2026-03-01,Gangway,1');
    expect(fates[0].problems[0].message).toContain('several plants');
  });
});

/** Files as they come: what is read of each (encoding, delimiter, headings, rows), or why it is refused. */
const HEAD = 'name,taxon,spot,pot';
const ROW = 'Müller,Aspidistra elatior,Hall,14';
const PLAIN = `${HEAD}\n${ROW}\n`;
const SEMI = PLAIN.replaceAll(',', ';');
interface Wanted {
  encoding?: string;
  delimiter?: string;
  headings?: string[];
  rows?: number;
  first?: string[];
  refused?: RegExp;
  notice?: RegExp;
}
const W = ['name', 'taxon', 'spot', 'pot'];
const CORPUS: [what: string, file: string | Buffer, wanted: Wanted][] = [
  ['plain', PLAIN, { encoding: 'utf-8', delimiter: ',', headings: W, rows: 1 }],
  ['UTF-8 with a mark', `\ufeff${PLAIN}`, { encoding: 'utf-8', headings: W }],
  [
    'UTF-16 LE with a mark',
    iconv.encode(PLAIN, 'utf-16le', { addBOM: true }),
    { encoding: 'utf-16le', headings: W, first: ROW.split(',') },
  ],
  [
    'UTF-16 BE with a mark',
    iconv.encode(PLAIN, 'utf-16be', { addBOM: true }),
    { encoding: 'utf-16be', headings: W, first: ROW.split(',') },
  ],
  [
    'UTF-16 LE without',
    iconv.encode(PLAIN, 'utf-16le', { addBOM: false }),
    { encoding: 'utf-16le', headings: W },
  ],
  [
    'UTF-16 BE without',
    iconv.encode(PLAIN, 'utf-16be', { addBOM: false }),
    { encoding: 'utf-16be', headings: W },
  ],
  [
    'windows-1252',
    iconv.encode(PLAIN + 'Grün,Begonia maculata,Straße,12\n'.repeat(5), 'win1252'),
    { encoding: 'windows-1252', first: ROW.split(',') },
  ],
  [
    'windows-1251',
    iconv.encode(
      `${HEAD}\n${'Щитовник мужской пушистый,Dryopteris filix-mas,Северное окно,14\n'.repeat(8)}`,
      'win1251',
    ),
    { first: ['Щитовник мужской пушистый', 'Dryopteris filix-mas', 'Северное окно', '14'] },
  ],
  [
    'Shift JIS',
    iconv.encode(
      `${HEAD}\n${'葉蘭の大きな鉢,Aspidistra elatior,東の窓のそば,14\n'.repeat(8)}`,
      'shift_jis',
    ),
    { encoding: 'shift_jis', rows: 8 },
  ],
  ['semicolons', SEMI, { delimiter: ';', headings: W }],
  ['tabs', PLAIN.replaceAll(',', '\t'), { delimiter: '\t', headings: W }],
  ['bars', PLAIN.replaceAll(',', '|'), { delimiter: '|', headings: W }],
  ['a spreadsheet’s hint', `sep=;\r\n${SEMI}`, { delimiter: ';', headings: W, rows: 1 }],
  [
    'semicolons and decimal commas',
    `name;taxon;spot;pot\n${'A;Aspidistra elatior;Hall;14,5\n'.repeat(9)}`,
    { delimiter: ';', rows: 9 },
  ],
  ['CRLF', PLAIN.replaceAll('\n', '\r\n'), { headings: W, rows: 1 }],
  ['CR alone', PLAIN.replaceAll('\n', '\r'), { headings: W, rows: 1 }],
  ['no line break at the end', PLAIN.trim(), { rows: 1 }],
  ['blank lines all over', `\n\n${HEAD}\n\n${ROW}\n\n\n${ROW}\n\n`, { headings: W, rows: 2 }],
  ['lines of delimiters', `${HEAD}\n,,,\n${ROW}\n,,,\n`, { rows: 1 }],
  ['only headings', `${HEAD}\n`, { headings: W, rows: 0 }],
  [
    'quoted cells',
    '"name","taxon","spot","pot"\n"A ""big"" one","Aspidistra elatior","Hall, east","14"\n',
    { first: ['A "big" one', 'Aspidistra elatior', 'Hall, east', '14'] },
  ],
  [
    'a line break in a cell',
    `${HEAD}\n"two\nlines",Aspidistra elatior,Hall,14\n${ROW}\n`,
    { rows: 2, first: ['two\nlines', 'Aspidistra elatior', 'Hall', '14'] },
  ],
  ['a CRLF in a cell', `${HEAD}\r\n"two\r\nlines",Aspidistra elatior,Hall,14\r\n`, { rows: 1 }],
  [
    'a quotation mark left open',
    `${HEAD}\n"open,Aspidistra elatior,Hall,14\n${ROW}\n`,
    { refused: /left open/ },
  ],
  [
    'a quotation mark inside',
    `${HEAD}\nA 6" pot,Aspidistra elatior,Hall,14\n`,
    { first: ['A 6" pot', 'Aspidistra elatior', 'Hall', '14'] },
  ],
  [
    'headings twice',
    'name,note,note\nA,b,c\n',
    { headings: ['name', 'note', 'note (2)'], notice: /more than once/ },
  ],
  [
    'a heading missing',
    'name,,pot\nA,b,14\n',
    { headings: ['name', 'column 2', 'pot'], notice: /no heading/ },
  ],
  ['empty columns at the end', `${HEAD},,\n${ROW},,\n`, { headings: W, rows: 1 }],
  [
    'rows too short',
    `${HEAD}\nA,Aspidistra elatior\n`,
    { first: ['A', 'Aspidistra elatior', '', ''] },
  ],
  ['rows too long', `${HEAD}\n${ROW},more,still\n`, { rows: 1 }],
  ['a cell of a megabyte', `${HEAD},note\n${ROW},${'x'.repeat(1_000_000)}\n`, { rows: 1 }],
  ['a heading of a megabyte', `${'h'.repeat(1_000_000)},b\n1,2\n`, { rows: 1 }],
  [
    'formulas',
    `${HEAD}\n"=cmd|' /C calc'!A0",Aspidistra elatior,+Hall,14\n`,
    { first: ["=cmd|' /C calc'!A0", 'Aspidistra elatior', '+Hall', '14'] },
  ],
  [
    'marked formulas',
    `${HEAD}\n'=1+1,Aspidistra elatior,'@Hall,14\n`,
    { first: ['=1+1', 'Aspidistra elatior', '@Hall', '14'] },
  ],
  [
    'names of objects',
    '__proto__,constructor,toString\n1,2,3\n',
    { headings: ['__proto__', 'constructor', 'toString'], rows: 1 },
  ],
  [
    'tags',
    `${HEAD}\n<script>alert(1)</script>,Aspidistra elatior,<b>Hall</b>,14\n`,
    { first: ['<script>alert(1)</script>', 'Aspidistra elatior', '<b>Hall</b>', '14'] },
  ],
  [
    'letters from right to left and beyond 16 bits',
    `${HEAD}\nשרך 🌿,Aspidistra elatior,قاعة,14\n`,
    { first: ['שרך 🌿', 'Aspidistra elatior', 'قاعة', '14'] },
  ],
  [
    'hard spaces',
    `${HEAD}\n\u00a0A\u00a0,Aspidistra elatior,Hall,14\n`,
    { first: ['A', 'Aspidistra elatior', 'Hall', '14'] },
  ],
  ['one column', 'name\nA\nB\n', { headings: ['name'], rows: 2 }],
  ['nothing', '', { refused: /empty|body must be/ }],
  ['blank lines only', '\n\n  \n,,\n', { refused: /no row/ }],
  ['a mark and nothing', '\ufeff', { refused: /no row/ }],
  [
    'a spreadsheet',
    Buffer.concat([Buffer.from('504b0304', 'hex'), Buffer.alloc(400, 3)]),
    { refused: /spreadsheet or an archive/ },
  ],
  [
    'a picture',
    Buffer.concat([Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), Buffer.alloc(400)]),
    { refused: /no text/ },
  ],
  [
    'noise',
    Buffer.from(Array.from({ length: 5000 }, (_, i) => (i * 7919) % 256)),
    { refused: /no text/ },
  ],
  ['zeros', Buffer.alloc(5000), { refused: /no text/ }],
  [
    '300 columns',
    `${Array.from({ length: 300 }, (_, i) => `c${i}`).join(',')}\n`,
    { refused: /200 columns/ },
  ],
  ['110,000 rows', `${HEAD}\n${`${ROW}\n`.repeat(110_000)}`, { refused: /100000 rows/ }],
  ['nothing but commas', ','.repeat(20_000_000), { refused: /200 columns/ }],
  [
    'commas in a cell without end',
    `${HEAD}\n"${','.repeat(5_000_000)}`,
    { refused: /200 columns/ },
  ],
];

describe('files as they come', () => {
  it(`are ${CORPUS.length} kinds, 40 or more`, () => {
    expect(new Set(CORPUS.map(([what]) => what)).size).toBeGreaterThanOrEqual(40);
  });

  it.each(CORPUS)('%s', async (_what, file, wanted) => {
    const { status, body } = await read(file);
    if (wanted.refused) {
      expect([400, 422]).toContain(status);
      expect(body.error.message).toMatch(wanted.refused);
      return;
    }
    expect([status, body.error]).toEqual([201, undefined]);
    if (wanted.encoding) expect(body.encoding).toBe(wanted.encoding);
    if (wanted.delimiter) expect(body.delimiter).toBe(wanted.delimiter);
    if (wanted.headings) expect(body.headings).toEqual(wanted.headings);
    if (wanted.rows !== undefined) expect(body.rows).toBe(wanted.rows);
    if (wanted.first) expect(body.sample[0]).toEqual(wanted.first);
    if (wanted.notice) expect(body.notices.join('; ')).toMatch(wanted.notice);
    // Whatever it is, every row has its fate, and running it never breaks the server.
    const mapping = mappingOf(body.guess, { elseGroup: null });
    const told = await app.call.post(`/api/imports/${body.token}/preview`).send(mapping);
    expect(told.status).toBe(200);
    const { add: added, update, skip, refuse } = told.body.counts;
    expect(added + update + skip + refuse).toBe(body.rows);
    expect((await app.call.post(`/api/imports/${body.token}/run`).send(mapping)).status).toBe(200);
    expect(await plants()).toHaveLength(added);
  });

  it('is read in the encoding that the keeper names', async () => {
    const file = iconv.encode(`${HEAD}\nŁódź,Aspidistra elatior,Hall,14\n`, 'win1250');
    expect((await opened(file)).sample[0][0]).not.toBe('Łódź');
    const named = await app.call.post('/api/imports?encoding=windows-1250').send(file).expect(201);
    expect(named.body.sample[0][0]).toBe('Łódź');
    await app.call.post('/api/imports?encoding=klingon').send(file).expect(400);
  });

  it('a file larger than 60 MB is refused before it is read', async () => {
    expect((await read(Buffer.alloc(60_000_001, 'a'))).status).toBe(413);
  });

  it('words that every object knows are no words of a file', async () => {
    for (const word of ['constructor', '__proto__', 'toString', 'hasOwnProperty']) {
      const log = await preview(`plant,date,kind,value,unit\nx,2026-03-01,${word},3,${word}\n`);
      expect(log.counts).toMatchObject({ add: 0, refuse: 1 });
      const list = await preview(
        `name,species,pot,material,medium\na,${word},14 ${word},${word},${word}\n`,
      );
      expect(list.counts).toMatchObject({ add: 0, refuse: 1 });
      const groups = await preview(`name,species,pot\na,${word},14\n`, {
        groups: {},
        elseGroup: null,
      });
      expect(groups.counts).toMatchObject({ refuse: 1 });
    }
  });

  it('a row that is refused for a cell says how long that was', async () => {
    const { fates } = await preview(`${HEAD},note\n${ROW},${'x'.repeat(5000)}\n`);
    expect(fates[0].problems).toEqual([
      { column: 'note', message: expect.stringContaining('5,000 characters') },
    ]);
  });

  it('a row of a spot that is gone is refused, not lost', async () => {
    await add('/api/spots', { name: 'Hall', latitudeDeg: 54 });
    const { counts } = await preview('name,taxon,pot\nA,Aspidistra elatior,14', { spotId: 99 });
    expect(counts).toMatchObject({ refuse: 1 });
  });
});
