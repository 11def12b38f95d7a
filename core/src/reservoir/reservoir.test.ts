import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../season/index.ts';
import {
  ownThirst,
  reservoirState,
  suggestedReservoirL,
  type ReservoirEvent,
  type ReservoirRequest,
} from './index.ts';

const TODAY = '2026-06-20';
const ago = (days: number) => addDays(TODAY, -days);
const REQUEST: ReservoirRequest = {
  today: TODAY,
  fullL: 0.6,
  events: [{ kind: 'flushed', date: ago(5) }],
  typicalPerDayL: () => 0.04,
  activity: 0.9,
  school: 'calendar',
  winter: 'lower',
  hasWick: true,
};
const state = (change: Partial<ReservoirRequest> = {}) => reservoirState({ ...REQUEST, ...change });
const asks = (change: Partial<ReservoirRequest> = {}) => state(change).asks.map(({ id }) => id);
const since = (...events: ReservoirEvent[]): Partial<ReservoirRequest> => ({
  events: [...REQUEST.events, ...events],
});

describe('a reservoir', () => {
  // Worked by hand: 0.6 L, five days at 0.04 L leave 0.4 L, which lasts ten more.
  it('sinks by its use and is empty on the day that this leaves', () => {
    const { left, daysLeft, emptyOn, thirst } = state();
    expect(left!.litres).toBeCloseTo(0.4, 9);
    // A tenth of its 0.6 L lies where nothing drinks it: 0.34 L at 0.04 a day.
    expect(daysLeft).toBe(9);
    expect(emptyOn).toBe(addDays(TODAY, 9));
    expect(thirst).toEqual({ factor: 1, refills: 0 });
  });

  it('that was never filled says nothing of itself', () => {
    expect(state({ events: [] })).toMatchObject({
      left: null,
      daysLeft: null,
      flush: null,
      asks: [],
    });
  });

  it('a level that was read counts from that day', () => {
    const { left } = state(since({ kind: 'left', date: ago(1), share: 0.2 }));
    expect(left!.litres).toBeCloseTo(0.6 * 0.2 - 0.04, 9);
  });

  it('refills teach its own thirst, the more the surer', () => {
    const refills = (count: number): ReservoirEvent[] => [
      { kind: 'flushed', date: ago(70) },
      ...Array.from({ length: count }, (_, i): ReservoirEvent => ({
        kind: 'filled',
        date: ago(70 - 10 * (i + 1)),
        litres: 0.8,
      })),
    ];
    const one = ownThirst(refills(1), () => 0.04);
    const five = ownThirst(refills(5), () => 0.04);
    expect(one).toMatchObject({ refills: 1 });
    expect(one.factor).toBeGreaterThan(1.3);
    expect(five.factor).toBeGreaterThan(one.factor);
    expect(five.factor).toBeLessThan(2);
    // A can that was topped up next morning says nothing.
    expect(
      ownThirst([...refills(1), { kind: 'filled', date: ago(59), litres: 0.5 }], () => 0.04)
        .refills,
    ).toBe(1);
  });

  it('learns nothing from a refill after months without one', () => {
    const forgotten: ReservoirEvent[] = [
      { kind: 'flushed', date: ago(90) },
      { kind: 'filled', date: ago(10), litres: 0.6 },
    ];
    expect(ownThirst(forgotten, () => 0.04)).toEqual({ factor: 1, refills: 0 });
  });

  it('asks to be filled two days ahead, and calls an empty one by its name', () => {
    expect(asks({ events: [{ kind: 'flushed', date: ago(13) }] })).toEqual(['refill']);
    expect(asks({ events: [{ kind: 'flushed', date: ago(20) }] })).toEqual(['empty']);
    expect(asks()).toEqual([]);
  });

  it('a dry wick is an alarm that only a flush ends', () => {
    const dry: ReservoirEvent = { kind: 'wick', date: ago(1), damp: false };
    const [first] = state(since(dry)).asks;
    expect(first).toMatchObject({ id: 'wickDry', urgent: true });
    expect(first!.remedy).toMatch(/refilling is not enough/);
    expect(asks(since(dry, { kind: 'filled', date: TODAY, litres: 0.3 }))).toContain('wickDry');
    expect(asks(since(dry, { kind: 'flushed', date: TODAY }))).not.toContain('wickDry');
    expect(asks(since(dry, { kind: 'flushed', date: ago(1) }))).not.toContain('wickDry');
  });

  it('salts: a thick crust, a solution too strong, or one and a half times the fresh one', () => {
    expect(asks(since({ kind: 'salt', date: ago(1), crust: 'thick' }))).toContain('salt');
    expect(asks(since({ kind: 'salt', date: ago(1), crust: 'some' }))).not.toContain('salt');
    expect(asks(since({ kind: 'ec', date: ago(1), msPerCm: 2.6 }))).toContain('strong');
    const fresh: ReservoirEvent = { kind: 'ec', date: ago(5), msPerCm: 1 };
    expect(asks(since(fresh, { kind: 'ec', date: ago(1), msPerCm: 1.6 }))).toContain('strong');
    expect(asks(since(fresh, { kind: 'ec', date: ago(1), msPerCm: 1.4 }))).not.toContain('strong');
  });

  it('a pH outside of what roots can use asks to be set', () => {
    expect(asks(since({ kind: 'ph', date: ago(1), value: 7.4 }))).toContain('ph');
    expect(asks(since({ kind: 'ph', date: ago(1), value: 6.1 }))).not.toContain('ph');
  });

  it('flushes by three schools: two weeks, when empty, by pH 2–3 days longer or sooner', () => {
    expect(state().flush!.intervalDays).toBe(14);
    expect(state({ school: 'empty' }).flush!.intervalDays).toBeCloseTo(15, 9);
    const ph = (now: number) =>
      state({
        school: 'ph',
        events: [
          { kind: 'flushed', date: ago(15) },
          { kind: 'flushed', date: ago(5) },
          { kind: 'ph', date: ago(5), value: 6 },
          { kind: 'ph', date: ago(1), value: now },
        ],
      }).flush!;
    expect(ph(6.1)).toMatchObject({
      intervalDays: 12.5,
      why: expect.stringMatching(/held/) as string,
    });
    expect(ph(6.6).intervalDays).toBe(7.5);
  });

  it('in the dark months stands lower by the school, and an empty one wants its wick felt', () => {
    const winter = {
      activity: 0.1,
      events: [{ kind: 'flushed', date: ago(1) }] as ReservoirEvent[],
    };
    expect(state({ ...winter, winter: 'full' }).fullL).toBe(0.6);
    expect(state({ ...winter, winter: 'lower' }).fullL).toBeCloseTo(0.3, 9);
    expect(asks({ ...winter, winter: 'wickDamp' })).toEqual(['checkWick']);
    const felt: ReservoirEvent = { kind: 'wick', date: ago(1), damp: true };
    expect(asks({ ...winter, winter: 'wickDamp', events: [...winter.events, felt] })).toEqual([]);
    // Without a wick an empty reservoir is simply empty.
    expect(
      asks({
        ...winter,
        winter: 'wickDamp',
        hasWick: false,
        events: [{ kind: 'flushed', date: ago(30) }],
      }),
    ).toContain('empty');
  });

  it('never holds less than nothing, and never lasts longer for drinking more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 0.2, noNaN: true }),
        fc.integer({ min: 0, max: 40 }),
        (use, days) => {
          const events: ReservoirEvent[] = [{ kind: 'flushed', date: ago(days) }];
          const one = state({ typicalPerDayL: () => use, events });
          const thirstier = state({ typicalPerDayL: () => use * 1.5, events });
          expect(one.left!.litres).toBeGreaterThanOrEqual(0);
          expect(thirstier.daysLeft ?? Infinity).toBeLessThanOrEqual(one.daysLeft ?? Infinity);
        },
      ),
    );
    expect(() => state({ fullL: 0 })).toThrow(/fullL/);
  });
});

describe('a reservoir that nobody measured', () => {
  const inside = { shape: 'cylinder', topDiameterCm: 14, heightCm: 14 } as const;
  const cover = { shape: 'cylinder', topDiameterCm: 18, heightCm: 20 } as const;
  // By hand: a fifth of 20 cm over a circle of 18 cm is 4 · π · 9² cm³.
  it('is a fifth of its cover’s height, or the room between pebbles below its holes', () => {
    expect(suggestedReservoirL(inside, cover)).toBeCloseTo((4 * Math.PI * 81) / 1000, 6);
    const low = suggestedReservoirL(inside, null);
    expect(low).toBeGreaterThan(0.1);
    expect(low).toBeLessThan((3 * Math.PI * 49) / 1000);
  });
});
