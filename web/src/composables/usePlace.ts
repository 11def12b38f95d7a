import { GROUPS, meanTemperatureC, nominalPot, rimCm, type PottedPlace } from '@fernbank/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, shallowRef } from 'vue';
import { api, apiAll } from '../api/client.ts';
import type { Plant, PlantFile } from '../api/types.ts';
import { m } from '../messages/index.ts';

/** A kind of plant, or one of the keeper's own, that a mix is held against. */
interface Choice {
  value: string;
  title: string;
  props: { subtitle: string };
}

interface Chosen {
  /** `group:<id>`, `plant:<id>`; empty: nothing is asked of the mix */
  judgedFor: string;
  rimCm: number;
  heightCm: number;
  temperatureC: number;
}
const START: Chosen = {
  judgedFor: 'group:foliageShrub',
  rimCm: 14,
  heightCm: 12,
  temperatureC: 20,
};

/** The pot that mixes are looked at in, and the plant they are to serve; kept from page to page. */
export function usePlace() {
  const chosen = useLocalStorage<Chosen>('fernbank.mixPlace', START, { mergeDefaults: true });
  const plants = shallowRef<Plant[]>([]);
  const file = shallowRef<PlantFile | null>(null);
  const fault = ref('');

  const own = computed(() => chosen.value.judgedFor.match(/^plant:(\d+)$/)?.[1] ?? null);
  const group = computed(() => {
    const id = chosen.value.judgedFor.replace(/^group:/, '');
    return GROUPS.find((candidate) => candidate.id === id) ?? null;
  });

  async function judgeFor(value: string): Promise<void> {
    chosen.value.judgedFor = value;
    file.value = null;
    const id = own.value;
    if (!id) return;
    try {
      const fetched = await api(`/plants/${id}/file`);
      if (own.value !== id) return;
      file.value = fetched;
      const { pot, spot } = fetched.situation;
      chosen.value.heightCm = Math.round(pot.heightCm);
      chosen.value.rimCm = Math.round(rimCm(pot));
      chosen.value.temperatureC = Math.round(meanTemperatureC(spot));
    } catch {
      fault.value = m.mix.plantGone;
      chosen.value.judgedFor = START.judgedFor;
    }
  }
  async function start(): Promise<void> {
    try {
      plants.value = await apiAll('/plants');
    } catch {
      plants.value = [];
    }
    if (own.value) await judgeFor(chosen.value.judgedFor);
  }
  void start();

  const traits = computed(() => file.value?.situation.traits ?? group.value?.traits ?? null);
  const place = computed((): PottedPlace => {
    const { rimCm, heightCm, temperatureC } = chosen.value;
    return {
      pot: { ...(file.value?.situation.pot ?? nominalPot(rimCm)), heightCm },
      airNeed: traits.value?.airNeed ?? null,
      drying: traits.value?.drying ?? 'halfDry',
      temperatureC,
    };
  });
  const choices = computed((): Choice[] => [
    { value: '', title: m.mix.nobody, props: { subtitle: m.mix.nobodyHint } },
    ...plants.value.map(({ id, name, taxon }) => ({
      value: `plant:${id}`,
      title: name,
      props: { subtitle: taxon },
    })),
    ...GROUPS.map(({ id, label }) => ({
      value: `group:${id}`,
      title: label,
      props: { subtitle: m.mix.groupHint },
    })),
  ]);
  return { chosen, choices, place, traits, file, judgeFor, fault };
}
export type MixPlaceChoice = ReturnType<typeof usePlace>;
