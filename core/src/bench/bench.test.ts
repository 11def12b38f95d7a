import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STEP_IDS } from '../procedures/index.ts';
import { benchAfter, EMPTY_BENCH, type BenchEvent, type BenchState } from './index.ts';

const step = fc.constantFrom(...STEP_IDS.slice(0, 6));
const event: fc.Arbitrary<BenchEvent> = fc.oneof(
  fc.record({ kind: fc.constant('start' as const), at: fc.option(fc.nat(), { nil: undefined }) }),
  fc.record({
    kind: fc.constant('done' as const),
    step,
    at: fc.option(fc.nat(), { nil: undefined }),
  }),
  fc.record({ kind: fc.constant('undone' as const), step }),
  fc.record({ kind: fc.constant('note' as const), step, text: fc.string() }),
  fc.record({ kind: fc.constant('timer' as const), step, label: fc.string(), until: fc.nat() }),
  fc.record({ kind: fc.constant('stopTimer' as const), step }),
  fc.record({ kind: fc.constant('found' as const), found: fc.record({ liveRoots: fc.double() }) }),
  fc.record({ kind: fc.constant('photo' as const), step, photoId: fc.nat() }),
);
const after = (events: readonly BenchEvent[]) => events.reduce(benchAfter, EMPTY_BENCH);

describe('the bench', () => {
  it('an event that arrives twice, from one device or two, comes to the same', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 25 }), event, (events, last) => {
        const once = benchAfter(after(events), last);
        expect(benchAfter(once, last)).toEqual(once);
      }),
    );
  });

  it('a step is done once, however often; a timer of it ends with it', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        const { done, timers }: BenchState = after(events);
        expect(new Set(done).size).toBe(done.length);
        expect(new Set(timers.map((timer) => timer.step)).size).toBe(timers.length);
        const untils = timers.map(({ until }) => until);
        expect(untils).toEqual([...untils].sort((a, b) => a - b));
      }),
    );
  });

  it('what touches different steps may come in any order', () => {
    const one: BenchEvent = { kind: 'done', step: 'screen' };
    const other: BenchEvent = { kind: 'note', step: 'bed', text: 'deep' };
    expect(after([one, other])).toEqual(after([other, one]));
  });

  it('nothing new is the very same state', () => {
    const state = after([{ kind: 'done', step: 'screen' }]);
    expect(benchAfter(state, { kind: 'done', step: 'screen' })).toBe(state);
    expect(benchAfter(state, { kind: 'undone', step: 'bed' })).toBe(state);
  });
});
