import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { components } from '../db/schema.ts';
import { stamp } from '../http/resource.ts';
import { testApp, type TestApp } from '../testApp.ts';
import { takeBack } from '../history/undo.ts';
import { addBags, drawStock, isCounted } from './stockDraw.ts';

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

  it('runs out and never goes below nothing', () => {
    stock({ perlite: { bagL: 10, bags: 1, openL: 2 } });
    drawStock(app.file.db, [{ component: 'perlite', litres: 50 }]);
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

  /** Done as a write of a keeper is, so that it can be taken back. @returns its deed */
  const asDeed = (run: () => void) => app.journal.write({ what: 'draw' }, run).done?.id;
  const takeBackDeed = (deed: number) =>
    app.journal.write({ what: '' }, () => takeBack(app.file, [deed]));

  it('taken back, any row of draws leaves the very numbers from before', () => {
    const row = fc.record({
      bagL: fc.double({ min: 0.3, max: 60, noNaN: true }),
      bags: fc.integer({ min: 0, max: 5 }),
      openL: fc.double({ min: 0, max: 40, noNaN: true }),
    });
    const litres = fc.array(fc.double({ min: 0, max: 70, noNaN: true }), { maxLength: 6 });
    fc.assert(
      fc.property(row, litres, fc.integer({ min: 0, max: 3 }), (perlite, draws, bought) => {
        stock({ perlite });
        const litresNow = () => now().perlite!.bags * perlite.bagL + now().perlite!.openL;
        const before = now();
        const had = litresNow() + bought * perlite.bagL;
        const deeds = [asDeed(() => addBags(app.file.db, 'perlite', bought))];
        let drawn = 0;
        for (const one of draws) {
          deeds.push(asDeed(() => drawStock(app.file.db, [{ component: 'perlite', litres: one }])));
          drawn += one;
          const { bags, openL } = now().perlite!;
          expect(Math.min(bags, openL)).toBeGreaterThanOrEqual(0);
          expect(litresNow()).toBeCloseTo(Math.max(0, had - drawn), 6);
        }
        for (const deed of deeds.reverse()) if (deed) takeBackDeed(deed);
        expect(now()).toEqual(before);
      }),
      { numRuns: 60 },
    );
  });

  it('taken back after the keeper has counted anew, gives back what it took', () => {
    stock({ perlite: { bagL: 10, bags: 1, openL: 6 } });
    const deed = asDeed(() => drawStock(app.file.db, [{ component: 'perlite', litres: 4 }]))!;
    app.file.db.update(components).set({ openL: 9 }).run();
    takeBackDeed(deed);
    expect(now().perlite).toEqual({ bags: 1, openL: 13 });
  });

  it('a draw taken back after its bag was opened and used leaves every litre where it is', () => {
    stock({ perlite: { bagL: 10, bags: 2, openL: 0 } });
    const first = asDeed(() => drawStock(app.file.db, [{ component: 'perlite', litres: 2 }]))!;
    asDeed(() => drawStock(app.file.db, [{ component: 'perlite', litres: 8 }]));
    takeBackDeed(first);
    // Twenty litres, of which eight were used.
    expect(now().perlite).toEqual({ bags: 1, openL: 2 });
  });
});
