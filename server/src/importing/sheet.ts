import chardet from 'chardet';
import iconv from 'iconv-lite';
import Papa from 'papaparse';
import { HttpError } from '../http/errors.ts';

/** A file of rows as it was read: cells as text, nothing judged. */
export interface Sheet {
  encoding: string;
  delimiter: string;
  headings: string[];
  rows: Row[];
  /** what is odd about the file as a whole, in words */
  notices: string[];
}
export interface Row {
  /** in the file, the heading being line 1 where no cell holds a line break before */
  line: number;
  cells: string[];
  /** more cells than headings */
  tooLong: boolean;
}

/** Encodings that a keeper can name. */
export const ENCODINGS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'windows-1252',
  'windows-1250',
  'windows-1251',
  'iso-8859-15',
  'macintosh',
  'shift_jis',
  'gb18030',
  'euc-kr',
] as const;

export const LARGEST_CSV_BYTES = 60_000_000;
const MOST_ROWS = 100_000;
const MOST_COLUMNS = 200;
const DELIMITERS = [',', ';', '\t', '|'];
/** How far encodings and delimiters are judged by. */
const JUDGED_BYTES = 200_000;

const refuse = (message: string) => new HttpError(422, 'badFile', message, 'body');

/**
 * Reads a CSV of any common make: encoding by byte order mark, then UTF-8 where it is that, then by
 * the letters in it; delimiter by which of them makes even rows.
 *
 * @param told  the encoding, where the keeper knows better
 * @throws HttpError 422 in words when it is no text, has no rows, or is too large
 * @source RFC 4180 by the papaparse package; encodings by the chardet and iconv-lite packages
 */
export function readSheet(bytes: Buffer, told: string | null = null): Sheet {
  if (bytes.length === 0) throw refuse('the file is empty');
  if (bytes.subarray(0, 4).toString('latin1') === 'PK\u0003\u0004') {
    throw refuse('this is a spreadsheet or an archive: save it as CSV first');
  }
  const { encoding, text } = told
    ? { encoding: told, text: iconv.decode(bytes, told) }
    : decoded(bytes);
  const judged = text.slice(0, JUDGED_BYTES);
  if (judged.includes('\0') || judged.includes('\ufffd')) {
    throw refuse('this is no text file');
  }
  const hint = /^sep=(.)\r?\n/i.exec(text);
  const body = hint ? text.slice(hint[0].length) : text;
  const delimiter = hint?.[1] ?? delimiterOf(body);
  return sheetOf(rowsIn(body, delimiter), { encoding, delimiter, firstLine: hint ? 2 : 1 });
}

/** Rows as they stand; given up at once where there are more of them, or wider ones, than any file has. */
function rowsIn(body: string, delimiter: string): string[][] {
  refuseFlood(body, delimiter);
  const data: string[][] = [];
  let stopped: HttpError | null = null;
  Papa.parse<string[]>(body, {
    delimiter,
    skipEmptyLines: false,
    step: ({ data: cells, errors }, parser) => {
      const quotes = errors.find(({ type }) => type === 'Quotes');
      if (quotes) stopped = refuse(`a quotation mark is left open, near row ${data.length + 1}`);
      else if (data.length > 2 * MOST_ROWS) stopped = tooManyRows();
      else data.push(cells);
      if (stopped) parser.abort();
    },
  });
  if (stopped) throw stopped as HttpError;
  return data;
}

/** More delimiters in one line than any table has columns, even with the longest text between them. */
const MOST_DELIMITERS = 20_000;
function refuseFlood(body: string, delimiter: string): void {
  let inLine = 0;
  for (let at = 0; at < body.length; at++) {
    const letter = body[at];
    if (letter === '\n') inLine = 0;
    else if (letter === delimiter && ++inLine > MOST_DELIMITERS) {
      throw refuse(`the file has more than ${MOST_COLUMNS} columns`);
    }
  }
}

const tooManyRows = () => refuse(`the file has more than ${MOST_ROWS} rows`);

function sheetOf(
  data: readonly string[][],
  { encoding, delimiter, firstLine }: { encoding: string; delimiter: string; firstLine: number },
): Sheet {
  const filled = (cells: readonly string[]) => cells.some((cell) => cell.trim() !== '');
  const head = data.findIndex(filled);
  if (head < 0) throw refuse('the file holds no row');
  const cut = [...data[head]!];
  while (cut.length > 0 && cut[cut.length - 1]!.trim() === '') cut.pop();
  if (cut.length > MOST_COLUMNS) throw refuse(`the file has more than ${MOST_COLUMNS} columns`);
  const notices: string[] = [];
  const headings = distinct(
    cut.map((cell) => plain(cell)),
    notices,
  );
  let line = firstLine + head;
  const rows: Row[] = [];
  for (const cells of data.slice(head + 1)) {
    // A row stands where it begins; line breaks within cells push those below it down.
    line += 1;
    const at = line;
    for (const cell of cells) line += cell.split('\n').length - 1;
    if (!filled(cells)) continue;
    if (rows.length >= MOST_ROWS) throw tooManyRows();
    const extra = cells.slice(headings.length);
    rows.push({
      line: at,
      cells: headings.map((_, i) => plain(cells[i] ?? '')),
      tooLong: filled(extra),
    });
  }
  return { encoding, delimiter, headings, rows, notices };
}

/** Without the mark that kept a spreadsheet from taking it for a formula. */
const plain = (cell: string) => cell.trim().replace(/^'(?=[=+\-@\t\r])/, '');

/** A column without a heading, or with another's, still has a name of its own. */
function distinct(headings: readonly string[], notices: string[]): string[] {
  const taken = new Map<string, number>();
  return headings.map((heading, i) => {
    const base = heading || `column ${i + 1}`;
    const times = (taken.get(base) ?? 0) + 1;
    taken.set(base, times);
    if (!heading) notices.push(`column ${i + 1} has no heading`);
    if (times === 2) notices.push(`the heading “${base.slice(0, 60)}” stands there more than once`);
    return times === 1 ? base : `${base} (${times})`;
  });
}

function decoded(bytes: Buffer): { encoding: string; text: string } {
  const marks: [Buffer, string][] = [
    [Buffer.from('efbbbf', 'hex'), 'utf-8'],
    [Buffer.from('fffe', 'hex'), 'utf-16le'],
    [Buffer.from('feff', 'hex'), 'utf-16be'],
  ];
  for (const [mark, encoding] of marks) {
    if (bytes.subarray(0, mark.length).equals(mark)) {
      return { encoding, text: iconv.decode(bytes.subarray(mark.length), encoding) };
    }
  }
  const wide = withoutMark16(bytes);
  if (wide) return { encoding: wide, text: iconv.decode(bytes, wide) };
  try {
    return { encoding: 'utf-8', text: new TextDecoder('utf-8', { fatal: true }).decode(bytes) };
  } catch {
    const encoding = byLetters(bytes.subarray(0, JUDGED_BYTES));
    return { encoding, text: iconv.decode(bytes, encoding) };
  }
}

/** The one-byte encoding of western Europe with the letters of all its others. */
const WESTERN = 'windows-1252';

/** By how often which letters stand there; Latin names beside another script are left out of it. */
function byLetters(bytes: Buffer): string {
  const usable = (name: string | null) =>
    name && iconv.encodingExists(name) && !/^(utf-8|iso-8859-1$|ascii)/i.test(name)
      ? name.toLowerCase()
      : WESTERN;
  const whole = usable(chardet.detect(bytes));
  if (whole !== WESTERN) return whole;
  const foreign = bytes.filter((byte) => byte >= 0x80 || byte === 0x20 || byte === 0x0a);
  const other = usable(chardet.detect(foreign));
  // Few letters say little: a name with an umlaut is no other script.
  const share = foreign.filter((byte) => byte >= 0x80).length / bytes.length;
  return share > 0.2 ? other : WESTERN;
}

/** Text of 16-bit letters without a mark: every other byte of Latin text is zero. */
function withoutMark16(bytes: Buffer): 'utf-16le' | 'utf-16be' | null {
  const judged = bytes.subarray(0, 2000);
  const zeros = [0, 0];
  for (const [i, byte] of judged.entries()) if (byte === 0) zeros[i % 2]! += 1;
  const half = judged.length / 2;
  if (zeros[1]! > half * 0.7 && zeros[0]! < half * 0.1) return 'utf-16le';
  if (zeros[0]! > half * 0.7 && zeros[1]! < half * 0.1) return 'utf-16be';
  return null;
}

/** The delimiter that makes most columns, evenly, in the first rows. */
function delimiterOf(text: string): string {
  const judged = text.slice(0, JUDGED_BYTES);
  const scored = DELIMITERS.map((delimiter) => {
    const { data } = Papa.parse<string[]>(judged, { delimiter, preview: 20 });
    const widths = data.map((cells) => cells.length).filter((width, i) => i === 0 || width > 1);
    const first = widths[0] ?? 1;
    const even = widths.filter((width) => width === first).length / Math.max(1, data.length);
    return { delimiter, score: first > 1 ? even * Math.log2(first + 1) : 0 };
  });
  scored.sort((a, b) => b.score - a.score);
  return scored[0]!.score > 0 ? scored[0]!.delimiter : ',';
}
