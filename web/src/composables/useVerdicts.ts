import { matchesVerdict, type VerdictFilter } from '@fernbank/core';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref, watch, type Ref } from 'vue';
import { api } from '../api/client.ts';
import { PAGE, VERDICTS } from '../api/lists.ts';
import type { VerdictsOn, VerdictSummary } from '../api/types.ts';
import { useGrowing } from './useGrowing.ts';
import { useLoaded } from './useLoaded.ts';

/** How long a word may be typed on before a large house is searched for it, ms. */
const PAUSE_MS = 120;

/**
 * The ranking of all plants, or of those that are asked for: a collection of a page is kept whole and
 * searched here, at every letter; a larger one is searched where it lies and fetched as it is scrolled.
 */
export function useVerdicts(
  filter: Ref<VerdictFilter> = ref({}),
  { first }: { first?: 'toPot' } = {},
) {
  const begin = first ? `${VERDICTS}&first=${first}` : VERDICTS;
  /** what the server was asked for; null: everything */
  let asked: VerdictFilter | null = null;
  /** so far the list was fetched: what shows is fetched again when something changed */
  let known = 0;
  const query = (from: number): typeof VERDICTS => {
    const given = Object.entries(asked ?? {}).filter(([, value]) => value);
    const more = new URLSearchParams(given.map(([key, value]) => [key, String(value)]));
    if (from > 0) more.set('from', String(from));
    return (more.size > 0 ? `${begin}&${more}` : begin) as typeof VERDICTS;
  };
  const {
    value: told,
    fault,
    load,
  } = useLoaded(async () => {
    const upTo = known;
    let page = await api(query(0));
    if (asked && page.total <= PAGE) {
      asked = null;
      page = await api(query(0));
    }
    while (page.items.length < Math.min(upTo, page.matching)) if (!(await goOn(page))) break;
    known = page.items.length;
    return page;
  });
  /** @returns whether there was more */
  async function goOn(page: VerdictsOn): Promise<boolean> {
    const { items } = await api(query(page.items.length));
    page.items = [...page.items, ...items];
    known = page.items.length;
    return items.length > 0;
  }

  const whole = computed(() => told.value !== null && told.value.total <= PAGE);
  const shown = computed((): VerdictSummary[] => {
    const items = told.value?.items ?? [];
    return whole.value ? items.filter((one) => matchesVerdict(one, filter.value)) : items;
  });
  const matching = computed(() => (whole.value ? shown.value.length : (told.value?.matching ?? 0)));
  const search = useDebounceFn(async () => {
    asked = filter.value;
    known = 0;
    await load();
  }, PAUSE_MS);
  watch(filter, () => {
    if (told.value && !whole.value) void search();
  });

  let fetching = false;
  const { drawn, more } = useGrowing(shown, {
    total: matching,
    async next() {
      if (fetching || !told.value) return;
      fetching = true;
      const page = told.value;
      await goOn(page).catch(() => false);
      fetching = false;
    },
  });
  return { told, fault, load, shown, matching, drawn, more };
}
