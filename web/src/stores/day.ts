import type { DayProblem, LaidDay, Move, Pace, Pin, PinConflict } from '@fernbank/core';
import { proxy, wrap, type Remote } from 'comlink';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, ApiError, wordsFor, write } from '../api/client.ts';
import type { Day, DayAsk, DayEvent, NotAsked } from '../api/types.ts';
import { plain } from '../composables/useRemote.ts';
import { m } from '../messages/index.ts';
import type { DayPlanner, PlannedDay, Told } from '../workers/dayPlanner.ts';
import { useLive } from './live.ts';
import { useNotices } from './notices.ts';
import { useSettings } from './settings.ts';
import { useUndo } from './undo.ts';

interface Planned {
  laid: LaidDay;
  moves: Move[];
}

/** The planner in its worker; where there is none, in the page. */
async function startPlanner(): Promise<{ planner: Remote<DayPlanner>; end: () => void }> {
  if (typeof Worker === 'undefined') {
    const [{ dayPlanner }, { default: load }] = await Promise.all([
      import('../workers/dayPlanner.ts'),
      import('highs'),
    ]);
    return { planner: dayPlanner(load()) as unknown as Remote<DayPlanner>, end: () => undefined };
  }
  const worker = new Worker(new URL('../workers/day.worker.ts', import.meta.url), {
    type: 'module',
  });
  return { planner: wrap<DayPlanner>(worker), end: () => worker.terminate() };
}

/**
 * The potting day in hand: what is asked of it, the plan that is being searched
 * or was settled on, and how far the day has come.
 */
export const useDay = defineStore('day', () => {
  const settings = useSettings();
  const notices = useNotices();
  const days = ref<Day[]>([]);
  const loaded = ref(false);
  const fault = ref('');
  const chosen = ref<number | null>(null);
  const current = computed(
    () =>
      days.value.find(({ id }) => id === chosen.value) ??
      days.value.find(({ state }) => state !== 'closed') ??
      null,
  );
  const problem = shallowRef<DayProblem | null>(null);
  const notAsked = ref<NotAsked[]>([]);
  const pace = ref<Pace | null>(null);
  const found = shallowRef<Planned | null>(null);
  const conflict = ref<PinConflict | null>(null);
  const searching = ref(false);
  const progress = ref<{ seconds: number; bound: number | null }>({ seconds: 0, bound: null });
  let stopSearch: (() => void) | null = null;
  /** the settings that the plan was made by */
  let plannedBy = '';
  const settingsNow = () => JSON.stringify(settings.current);
  let latest = 0;

  /** What is shown: the plan of a settled day, else the best that was found. */
  const laid = computed((): LaidDay | null =>
    current.value && current.value.state !== 'planning'
      ? current.value.plan
      : (found.value?.laid ?? null),
  );

  function put(day: Day): void {
    days.value = days.value.some(({ id }) => id === day.id)
      ? days.value.map((one) => (one.id === day.id ? day : one))
      : [day, ...days.value];
  }
  async function load(): Promise<void> {
    fault.value = '';
    try {
      days.value = (await api('/days/now')).items;
      loaded.value = true;
      const stale = !found.value || plannedBy !== settingsNow();
      if (current.value?.state === 'planning' && stale) await plan();
    } catch (error) {
      fault.value = wordsFor(error);
    }
  }

  // Others are at the same day: what they did shows here, and what they ask otherwise is planned anew.
  const live = useLive();
  watch(
    () => live.turn,
    async () => {
      if (!loaded.value) return;
      const before = current.value;
      await load();
      const now = current.value;
      const asksTheSame = now?.id === before?.id && now?.rev === before?.rev;
      if (now?.state === 'planning' && !asksTheSame) await plan();
    },
  );

  /** Fetches what the day is chosen from, and searches. */
  async function plan(): Promise<void> {
    const day = current.value;
    if (!day) return;
    const mine = ++latest;
    stopSearch?.();
    conflict.value = null;
    fault.value = '';
    searching.value = true;
    plannedBy = settingsNow();
    progress.value = { seconds: 0, bound: null };
    try {
      const answer = await api(`/days/${day.id}/problem`);
      if (mine !== latest) return;
      problem.value = answer.problem;
      notAsked.value = answer.notAsked;
      pace.value = answer.pace;
      if (answer.problem.plants.length === 0) {
        found.value = null;
        return;
      }
      const planned = await search(answer.problem, mine);
      if (planned && mine === latest) take(planned);
    } catch (error) {
      if (mine === latest) fault.value = error instanceof Error ? wordsOf(error) : m.error.unknown;
    } finally {
      if (mine === latest) searching.value = false;
    }
  }
  const wordsOf = (error: Error) => (error instanceof ApiError ? wordsFor(error) : error.message);

  function take(planned: PlannedDay): void {
    if (planned.kind === 'conflict') conflict.value = planned.conflict;
    else found.value = planned;
  }

  async function search(asked: DayProblem, mine: number): Promise<PlannedDay | null> {
    const wetting = settings.current.wettingSchool;
    const { planner, end } = await startPlanner();
    let best: Planned | null = null;
    let over = false;
    const tell = (told: Told): void => {
      // What is told may arrive after the answer: they come by different ways.
      if (mine !== latest || over) return;
      if (told.kind === 'progress') {
        progress.value = { seconds: told.seconds, bound: told.bound };
      } else {
        best = told;
        found.value = told;
      }
    };
    const stopped = new Promise<'stopped'>((resolve) => {
      stopSearch = () => resolve('stopped');
    });
    const searched = planner.plan(plain(asked), wetting, proxy(tell)) as Promise<PlannedDay>;
    const ended = await Promise.race([searched, stopped]);
    over = true;
    end();
    stopSearch = null;
    if (ended !== 'stopped') return ended;
    searched.catch(() => undefined);
    return best ? finish(asked, best, progress.value.bound) : null;
  }

  /** What stays of a search that was stopped: its best plan, with its poles cut. */
  async function finish(
    asked: DayProblem,
    { moves }: Planned,
    bound: number | null,
  ): Promise<PlannedDay> {
    const { planner, end } = await startPlanner();
    try {
      return (await planner.complete(
        plain(asked),
        settings.current.wettingSchool,
        plain(moves),
        bound,
      )) as PlannedDay;
    } finally {
      end();
    }
  }

  /** `carries`: the day whose rest this is. */
  async function create(
    ask: Partial<DayAsk> & Pick<DayAsk, 'dates'> & { carries?: number },
  ): Promise<void> {
    const day = await api('/days', { method: 'POST', body: ask });
    chosen.value = day.id;
    found.value = null;
    put(day);
    await plan();
  }
  /** Changes what is asked, and plans anew. @returns the deed that it became */
  async function change(changed: Partial<DayAsk>): Promise<number | null> {
    const { id, rev } = current.value!;
    const { answer, deed } = await write(`/days/${id}`, {
      method: 'PATCH',
      body: changed,
      rev,
    });
    put(answer);
    await plan();
    return deed;
  }
  async function pins(next: Pin[], told: string): Promise<void> {
    try {
      const deed = await change({ pins: next });
      notices.done(told, { deed, back: loadAndPlan });
    } catch (error) {
      notices.fault(error);
      if (error instanceof ApiError && error.status === 412) await load();
    }
  }
  async function loadAndPlan(): Promise<void> {
    await load();
    await plan();
  }
  const same = (a: Pin, b: Pin) =>
    a.plant === b.plant &&
    (a.kind === b.kind || !['pot', 'notPot', 'on'].includes(a.kind)) &&
    (a.kind !== 'notPot' || b.kind !== 'notPot' || a.pot === b.pot);
  /** The keeper's word; it takes the place of what it contradicts. */
  function pin(next: Pin, told: string): Promise<void> {
    const kept = current.value!.pins.filter((one) => {
      if (same(one, next)) return false;
      if (one.plant !== next.plant) return true;
      if (next.kind === 'out') return false;
      if (one.kind === 'out') return false;
      return !(next.kind === 'in' && one.kind === 'in');
    });
    return pins([...kept, next], told);
  }
  /** Takes the keeper's word on a plant back. */
  const unpin = (plant: number, told: string) =>
    pins(
      current.value!.pins.filter((one) => one.plant !== plant),
      told,
    );

  /** Settles the day on the plan that is shown. @throws ApiError 409 when the collection changed meanwhile */
  async function settle(): Promise<void> {
    const { id, rev } = current.value!;
    const { moves, laid: shown } = found.value!;
    const asked = problem.value!;
    const body = {
      moves: moves.map(({ plant, option, date }) => ({
        plant,
        pot: asked.plants.find((row) => row.id === plant)!.options[option]!.pot,
        date: asked.dates[date]!.date,
      })),
      bound: shown.bound,
    };
    put(await api(`/days/${id}/settle`, { method: 'POST', body, rev }));
  }
  const act = async (path: 'reopen' | 'close' | 'events', body?: object): Promise<void> => {
    put(await api(`/days/${current.value!.id}/${path}`, { method: 'POST', body: body ?? {} }));
  };
  async function reopen(): Promise<void> {
    await act('reopen');
    found.value = null;
    await plan();
  }
  async function drop(): Promise<void> {
    const { id, rev } = current.value!;
    await api(`/days/${id}`, { method: 'DELETE', rev });
    days.value = days.value.filter((one) => one.id !== id);
    found.value = null;
    problem.value = null;
  }

  return {
    days,
    loaded,
    fault,
    current,
    chosen,
    problem,
    notAsked,
    pace,
    laid,
    found,
    conflict,
    searching,
    progress,
    load,
    plan,
    stop: () => stopSearch?.(),
    create,
    change,
    pin,
    unpin,
    settle,
    reopen,
    drop,
    report: (event: DayEvent) => act('events', event),
    /** takes a whole day back. @returns false when the keeper let it stand */
    undo: async (id = current.value!.id): Promise<boolean> => {
      const day = await useUndo().takeBack(`/days/${id}/undo`);
      if (day) put(day);
      return day !== null;
    },
    close: () => act('close'),
  };
});
