import { wishOf } from '@fernbank/core';
import { computed, ref, type Ref } from 'vue';
import { api, write } from '../api/client.ts';
import type { FitPlan, Fitting, PlanRow, PlantFile } from '../api/types.ts';
import { useNotices } from '../stores/notices.ts';
import type { Fit } from './useFit.ts';

/** Which piece it is cut from may change with the shelf; what stands in the pot is what was settled. */
const lasting = (plan: FitPlan | null | undefined) =>
  JSON.stringify(plan && { ...plan, support: plan.support && { ...plan.support, stock: null } });

/** The fit of a plant that its keeper settled on, beside the one that stands on the page. */
export function useSettling(fit: Fit, loaded: Ref<{ file: PlantFile; fitting: Fitting }>) {
  const notices = useNotices();
  const plant = computed(() => loaded.value.file.plant);
  const kept = ref<PlanRow | null>(loaded.value.fitting.plan);
  const same = computed(() => lasting(kept.value?.fit) === lasting(fit.settled.value));
  const saving = ref(false);

  /**
   * Keeps a plan, or drops it; the notice takes it back to what was settled before.
   *
   * @returns whether it was kept
   */
  async function settle(
    plan: FitPlan | null,
    done: string,
    alike: readonly number[] = [],
  ): Promise<boolean> {
    const before = kept.value;
    const path = `/plants/${plant.value.id}/plan` as const;
    saving.value = true;
    try {
      const { answer, deed } = await (plan
        ? write(path, { method: 'PUT', body: alike.length > 0 ? { ...plan, alike } : plan })
        : write(path, { method: 'DELETE' }));
      kept.value = answer ?? null;
      if (plan) await keepWish();
      notices.done(done, { deed, back: () => (kept.value = before) });
      return true;
    } catch (error) {
      notices.fault(error);
      return false;
    } finally {
      saving.value = false;
    }
  }
  async function keepWish(): Promise<void> {
    const { stems } = fit.choices;
    const supportWish = wishOf(fit.choices);
    const isKept = JSON.stringify(supportWish) === JSON.stringify(plant.value.supportWish);
    if (isKept && stems === plant.value.stems) return;
    await api(`/plants/${plant.value.id}`, { method: 'PATCH', body: { supportWish, stems } });
  }

  return { kept, same, saving, settle };
}
