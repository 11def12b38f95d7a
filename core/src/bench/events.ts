import type { StepId } from '../procedures/index.ts';

/** A running timer of the bench. */
export interface StepTimer {
  step: StepId;
  label: string;
  /** ms since 1970 at which it is over */
  until: number;
}

/** What was found and done at the bench where it differs from the plan. */
export interface BenchFound {
  /** share of the roots alive, 0 … 1 */
  liveRoots?: number | undefined;
  rootsPruned?: boolean | undefined;
  pieces?: number | undefined;
  recipeId?: string | undefined;
  /** option of the ladder that was taken */
  potOption?: string | undefined;
}

/** How far one plant's repot has come. */
export interface BenchState {
  done: StepId[];
  /** what was noted at a step */
  notes: Partial<Record<StepId, string>>;
  timers: StepTimer[];
  found: BenchFound;
  /** when hands began, ms since 1970; null: not known */
  startedAt: number | null;
  /** when each step was ticked, ms since 1970 */
  doneAt: Partial<Record<StepId, number>>;
  /** ids of pictures taken at a step */
  photos: Partial<Record<StepId, number[]>>;
}
export const EMPTY_BENCH: BenchState = {
  done: [],
  notes: {},
  timers: [],
  found: {},
  startedAt: null,
  doneAt: {},
  photos: {},
};

/**
 * What hands report from the bench. Each says how things are then, not how they
 * change: sent twice, or from two devices, it comes to the same.
 */
export type BenchEvent =
  | { kind: 'start'; at?: number | undefined }
  | { kind: 'done'; step: StepId; at?: number | undefined }
  | { kind: 'undone'; step: StepId }
  | { kind: 'note'; step: StepId; text: string }
  | { kind: 'timer'; step: StepId; label: string; until: number }
  | { kind: 'stopTimer'; step: StepId }
  | { kind: 'found'; found: BenchFound }
  | { kind: 'photo'; step: StepId; photoId: number };

/** The bench after an event; the same object where nothing changed. */
export function benchAfter(state: BenchState, event: BenchEvent): BenchState {
  switch (event.kind) {
    case 'start':
      return event.at === undefined || state.startedAt !== null
        ? state
        : { ...state, startedAt: event.at };
    case 'done': {
      const { step } = event;
      const timed = state.timers.some((timer) => timer.step === step);
      if (state.done.includes(step) && !timed) return state;
      return {
        ...state,
        done: state.done.includes(step) ? state.done : [...state.done, step],
        // The first tick counts: one that is told again does not make the work longer.
        doneAt:
          event.at === undefined || state.doneAt[step] !== undefined
            ? state.doneAt
            : { ...state.doneAt, [step]: event.at },
        timers: withoutTimer(state, step),
      };
    }
    case 'undone': {
      if (!state.done.includes(event.step)) return state;
      const { [event.step]: _ticked, ...doneAt } = state.doneAt;
      return { ...state, done: state.done.filter((step) => step !== event.step), doneAt };
    }
    case 'note':
      return { ...state, notes: { ...state.notes, [event.step]: event.text } };
    case 'timer': {
      const { step, label, until } = event;
      const timers = [...withoutTimer(state, step), { step, label, until }];
      return { ...state, timers: timers.sort((a, b) => a.until - b.until) };
    }
    case 'stopTimer':
      return { ...state, timers: withoutTimer(state, event.step) };
    case 'found':
      return { ...state, found: event.found };
    case 'photo': {
      const taken = state.photos[event.step] ?? [];
      return taken.includes(event.photoId)
        ? state
        : { ...state, photos: { ...state.photos, [event.step]: [...taken, event.photoId] } };
    }
  }
}

const withoutTimer = ({ timers }: BenchState, step: StepId): StepTimer[] =>
  timers.filter((timer) => timer.step !== step);
