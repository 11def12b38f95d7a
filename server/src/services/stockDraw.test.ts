import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { components } from '../db/schema.ts';
import { stamp } from '../http/resource.ts';
import { testApp, type TestApp } from '../testApp.ts';
import { addBags, drawStock, isCounted, putStockBack } from './stockDraw.ts';

let app: TestApp;
beforeEach(() => {
  app = testApp();
});
afterEach(() => app.close());

type Stock = { bagL: number | null; bags: number; openL: number };
function stock(rows: Record<string, Stock>): void {
  app.file.db.delete(components).run();
  for (const [key, row] of Object.entries(rows)) {
    app.file.db
      .insert(components)
      .values({ ...stamp(), key, label: key, like: key, ...row })
      .run();
  }
}
const now = () =>
  Object.fromEntries(
    app.file.db
      .select()
      .from(components)
      .all()
      .map(({ key, bags, openL }) => [key, { bags, openL }]),
  );

describe('drawing from stock', () => {
  it('takes what is open first, then opens bags one by one', () => {
    stock({ perlite: { bagL: 10, bags: 3, openL: 4 } });
    drawStock(app.file.db, [{ component: 'perlite', litres: 3 }]);
    expect(now().perlite).toEqual({ bags: 3, openL: 1 });
    drawStock(app.file.db, [{ component: 'perlite', litres: 13 }]);
    expect(now().perlite).toEqual({ bags: 1, openL: 8 });
  });

  it('runs out and never goes below nothing; says what it took', () => {
    stock({ perlite: { bagL: 10, bags: 1, openL: 2 } });
    const [drawn] = drawStock(app.file.db, [{ component: 'perlite', litres: 50 }]);
    expect(drawn!.litres).toBe(12);
    expect(now().perlite).toEqual({ bags: 0, openL: 0 });
  });

  it('does not open a bag of unknown size, nor touch what is not counted', () => {
    stock({
      coir: { bagL: null, bags: 2, openL: 1 },
      grit: { bagL: null, bags: 0, openL: 0 },
    });
    drawStock(
      app.file.db,
      ['coir', 'grit', 'nothing'].map((component) => ({ component, litres: 5 })),
    );
    expect(now()).toEqual({ coir: { bags: 2, openL: 0 }, grit: { bags: 0, openL: 0 } });
    expect(isCounted({ bagL: null, bags: 0, openL: 0 })).toBe(false);
  });

  it('refuses less than nothing', () => {
    stock({ perlite: { bagL: 10, bags: 1, openL: 2 } });
    expect(() => drawStock(app.file.db, [{ component: 'perlite', litres: -1 }])).toThrow(
      RangeError,
    );
  });

  it('put back, any row of draws leaves the very numbers from before', () => {
    const row = fc.record({
      bagL: fc.double({ min: 0.3, max: 60, noNaN: true }),
      bags: fc.integer({ min: 0, max: 5 }),
      openL: fc.double({ min: 0, max: 40, noNaN: true }),
    });
    const litres = fc.array(fc.double({ min: 0, max: 70, noNaN: true }), { maxLength: 6 });
    fc.assert(
      fc.property(row, litres, fc.integer({ min: 0, max: 3 }), (perlite, draws, bought) => {
        stock({ perlite });
        const before = now();
        const bags = addBags(app.file.db, 'perlite', bought);
        const drawn = draws.map((one) =>
          drawStock(app.file.db, [{ component: 'perlite', litres: one }]),
        );
        const { bags: left, openL } = now().perlite!;
        expect(left).toBeGreaterThanOrEqual(0);
        expect(openL).toBeGreaterThanOrEqual(0);
        const took = drawn.flat().reduce((sum, one) => sum + one.litres, 0);
        const had = (perlite.bags + bought) * perlite.bagL + perlite.openL;
        expect(left * perlite.bagL + openL + took).toBeCloseTo(had, 6);
        for (const one of [...drawn].reverse()) putStockBack(app.file.db, one);
        if (bags) putStockBack(app.file.db, [bags]);
        expect(now()).toEqual(before);
      }),
      { numRuns: 60 },
    );
  });

  it('put back after the keeper has counted anew, it gives back what it took', () => {
    stock({ perlite: { bagL: 10, bags: 1, openL: 6 } });
    const drawn = drawStock(app.file.db, [{ component: 'perlite', litres: 4 }]);
    app.file.db.update(components).set({ openL: 9 }).run();
    putStockBack(app.file.db, drawn);
    expect(now().perlite).toEqual({ bags: 1, openL: 13 });
  });
});
