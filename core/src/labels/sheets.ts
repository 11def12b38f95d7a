import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';

/** Paper, mm. @source ISO 216 (A4); ANSI/ASME Y14.1 (Letter, 8.5 × 11 in) */
export const PAPERS = {
  a4: { label: 'A4', widthMm: 210, heightMm: 297 },
  letter: { label: 'Letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

/** A sheet of labels: where the first one lies, how large they are, and how far from one to the next. */
export interface LabelSheet {
  paper: Paper;
  columns: number;
  rows: number;
  widthMm: number;
  heightMm: number;
  leftMm: number;
  topMm: number;
  /** from the left edge of one to that of the next */
  pitchXMm: number;
  pitchYMm: number;
}

/** Common sizes; any other is set by the ruler. @source common practice, no source: sizes in which label paper is sold */
export const LABEL_SHEETS = {
  a4x24: {
    label: '24 on A4, 70 × 37 mm',
    sheet: grid('a4', 3, 8, 70, 37, 0, 0.5),
  },
  a4x21: {
    label: '21 on A4, 63.5 × 38.1 mm',
    sheet: { ...grid('a4', 3, 7, 63.5, 38.1, 7.25, 15.15), pitchXMm: 66 },
  },
  a4x12: {
    label: '12 on A4, 70 × 67 mm',
    sheet: grid('a4', 3, 4, 70, 67, 0, 14.5),
  },
  a4x8: {
    label: '8 on A4, 105 × 74 mm',
    sheet: grid('a4', 2, 4, 105, 74, 0, 0.5),
  },
  letterx30: {
    label: '30 on Letter, 66.7 × 25.4 mm',
    sheet: { ...grid('letter', 3, 10, 66.7, 25.4, 4.8, 12.7), pitchXMm: 69.8 },
  },
  letterx10: {
    label: '10 on Letter, 101.6 × 50.8 mm',
    sheet: { ...grid('letter', 2, 5, 101.6, 50.8, 4, 12.7), pitchXMm: 106.3 },
  },
} as const satisfies Record<string, { label: string; sheet: LabelSheet }>;
export type LabelSheetId = keyof typeof LABEL_SHEETS;

function grid(
  paper: Paper,
  columns: number,
  rows: number,
  widthMm: number,
  heightMm: number,
  leftMm: number,
  topMm: number,
): LabelSheet {
  return {
    paper,
    columns,
    rows,
    widthMm,
    heightMm,
    leftMm,
    topMm,
    pitchXMm: widthMm,
    pitchYMm: heightMm,
  };
}

const MOST_ACROSS = 20;
const MOST_DOWN = 60;
/** Narrower or lower holds neither a name nor a code that can be read. */
export const SMALLEST_LABEL_MM = { width: 25, height: 12 } as const;
/** Cutting and printing are no finer than this. */
const SLACK_MM = 0.6;

/**
 * @throws RangeError naming the measure that does not fit the paper
 */
export function checkLabelSheet(sheet: LabelSheet): LabelSheet {
  const { columns, rows, widthMm, heightMm, leftMm, topMm, pitchXMm, pitchYMm } = sheet;
  const paper = PAPERS[sheet.paper];
  within('columns', columns, 1, MOST_ACROSS);
  within('rows', rows, 1, MOST_DOWN);
  within('widthMm', widthMm, SMALLEST_LABEL_MM.width, paper.widthMm);
  within('heightMm', heightMm, SMALLEST_LABEL_MM.height, paper.heightMm);
  within('leftMm', leftMm, 0, paper.widthMm);
  within('topMm', topMm, 0, paper.heightMm);
  positive('pitchXMm', pitchXMm);
  positive('pitchYMm', pitchYMm);
  if (columns > 1 && pitchXMm < widthMm - 1e-9) {
    throw new OutOfRange(`pitchXMm must not be less than widthMm ${widthMm}, got ${pitchXMm}`);
  }
  if (rows > 1 && pitchYMm < heightMm - 1e-9) {
    throw new OutOfRange(`pitchYMm must not be less than heightMm ${heightMm}, got ${pitchYMm}`);
  }
  const right = leftMm + (columns - 1) * pitchXMm + widthMm;
  if (right > paper.widthMm + SLACK_MM) {
    throw new OutOfRange(
      `columns do not fit: they end at ${right.toFixed(1)} mm of ${paper.widthMm} mm`,
    );
  }
  const bottom = topMm + (rows - 1) * pitchYMm + heightMm;
  if (bottom > paper.heightMm + SLACK_MM) {
    throw new OutOfRange(
      `rows do not fit: they end at ${bottom.toFixed(1)} mm of ${paper.heightMm} mm`,
    );
  }
  return sheet;
}

/** One label on its page. */
export interface LabelPlace {
  page: number;
  xMm: number;
  yMm: number;
}

/**
 * Where so many labels lie, row by row.
 *
 * @param used  labels already gone from the first sheet, from its top left on
 */
export function labelPlaces(sheet: LabelSheet, count: number, used = 0): LabelPlace[] {
  checkLabelSheet(sheet);
  within('count', count, 0, 10_000);
  const { columns, rows, leftMm, topMm, pitchXMm, pitchYMm } = sheet;
  const perPage = columns * rows;
  within('used', used, 0, perPage - 1);
  return Array.from({ length: count }, (_, i) => {
    const at = i + used;
    const onPage = at % perPage;
    return {
      page: Math.floor(at / perPage),
      xMm: leftMm + (onPage % columns) * pitchXMm,
      yMm: topMm + Math.floor(onPage / columns) * pitchYMm,
    };
  });
}
