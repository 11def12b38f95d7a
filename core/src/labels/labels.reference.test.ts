import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkLabelSheet, LABEL_SHEETS, labelPlaces, PAPERS, type LabelSheet } from './index.ts';

const SHEET = LABEL_SHEETS.a4x24.sheet;

describe('label sheets', () => {
  // ISO 216: A4 is 210 × 297 mm. US Letter is 8.5 × 11 in of 25.4 mm.
  it('papers have their published sizes', () => {
    expect(PAPERS.a4).toMatchObject({ widthMm: 210, heightMm: 297 });
    expect(PAPERS.letter.widthMm).toBeCloseTo(8.5 * 25.4, 9);
    expect(PAPERS.letter.heightMm).toBeCloseTo(11 * 25.4, 9);
  });

  it.each(Object.entries(LABEL_SHEETS))(
    '%s fits its paper and has as many as it says',
    (_id, { label, sheet }) => {
      expect(checkLabelSheet(sheet)).toBe(sheet);
      expect(label.startsWith(`${sheet.columns * sheet.rows} on`)).toBe(true);
    },
  );

  it('labels lie inside the paper, never over each other, a full sheet before the next', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(LABEL_SHEETS)),
        fc.integer({ min: 1, max: 80 }),
        fc.nat(7),
        ({ sheet }, count, used) => {
          const places = labelPlaces(sheet, count, used);
          const paper = PAPERS[sheet.paper];
          expect(places).toHaveLength(count);
          places.forEach(({ xMm, yMm }) => {
            expect(xMm + sheet.widthMm).toBeLessThanOrEqual(paper.widthMm + 0.6);
            expect(yMm + sheet.heightMm).toBeLessThanOrEqual(paper.heightMm + 0.6);
          });
          for (const [i, one] of places.entries()) {
            for (const other of places.slice(i + 1)) {
              const apart =
                one.page !== other.page ||
                Math.abs(one.xMm - other.xMm) >= sheet.widthMm - 1e-9 ||
                Math.abs(one.yMm - other.yMm) >= sheet.heightMm - 1e-9;
              expect(apart).toBe(true);
            }
          }
          expect(places.at(-1)!.page).toBe(
            Math.floor((count + used - 1) / (sheet.columns * sheet.rows)),
          );
        },
      ),
      { numRuns: 40 },
    );
  });

  it.each<[string, Partial<LabelSheet>, RegExp]>([
    ['too many columns for the paper', { columns: 4 }, /columns do not fit/],
    ['too many rows', { rows: 9 }, /rows do not fit/],
    ['labels over each other', { pitchXMm: 60 }, /pitchXMm/],
    ['a label too small for a code', { widthMm: 10, pitchXMm: 70 }, /widthMm/],
    ['no rows', { rows: 0 }, /rows/],
  ])('%s is refused by name', (_what, change, message) => {
    expect(() => checkLabelSheet({ ...SHEET, ...change })).toThrow(message);
  });
  it('more used than a sheet has is refused', () => {
    expect(() => labelPlaces(SHEET, 1, 24)).toThrow(/used/);
  });
});
