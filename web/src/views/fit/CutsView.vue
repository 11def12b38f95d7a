<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import {
  sheetWidthCm,
  supportKind,
  SUPPORT_KINDS,
  type CutPlan,
  type MeshPiece,
  type MeshPlan,
  type MeshStock,
  type SupportKindId,
} from '@fernbank/core';
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client.ts';
import BarCuts from '../../components/fit/BarCuts.vue';
import LengthRows, { type LengthRow } from '../../components/fit/LengthRows.vue';
import MeshCuts from '../../components/fit/MeshCuts.vue';
import FetchState from '../../components/FetchState.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useCutter } from '../../composables/useCutter.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

// A batch of poles from stock lengths, and their mesh from a roll or from sheets.

/** A piece that is wanted; `sheetCm`: width of the sheet it is folded from. */
interface Wanted {
  lengthCm: number;
  count: number;
  forWhom: string;
  sheetCm: number | null;
}

const { length } = useUnits();
const {
  value: loaded,
  fault,
  load,
} = useLoaded(async () => {
  const [plans, supports] = await Promise.all([api('/plans'), api('/supports?limit=1000')]);
  return { plans: plans.items, supports: supports.items };
});
const kind = ref<SupportKindId>('mossSheet');
const { draft } = useDraft('cuts', () => ({
  pieces: [] as LengthRow[],
  kerfCm: 0.2 as number | null,
  mesh: 'roll' as MeshStock['kind'],
  widthCm: 100 as number | null,
  sheetLengthCm: 90 as number | null,
}));
/** A length without a count is sold: as many as wanted. */
const stock = ref<LengthRow[]>([]);
const kinds = SUPPORT_KINDS.map(({ id: value, label: title }) => ({ value, title }));

watch(loaded, (now) => {
  const counts = new Map<SupportKindId, number>();
  for (const { fit } of now?.plans ?? []) {
    if (fit.support) counts.set(fit.support.kind, (counts.get(fit.support.kind) ?? 0) + 1);
  }
  const most = [...counts].sort((a, b) => b[1] - a[1])[0];
  if (most) kind.value = most[0];
});
watch(
  [kind, loaded],
  () => {
    if (!loaded.value) return;
    const own = loaded.value.supports.filter(
      (row) => row.kind === kind.value && row.free > 0 && !row.extension,
    );
    const sold = supportKind(kind.value).stockCm.slice(-2);
    stock.value = [
      ...own.map(({ lengthCm, free }) => ({ lengthCm, count: free })),
      ...sold.map((lengthCm) => ({ lengthCm, count: null })),
    ];
  },
  { immediate: true },
);

/** What plants are settled on, then what is typed. */
const planned = computed((): Wanted[] =>
  (loaded.value?.plans ?? []).flatMap(({ name, fit: { support } }) =>
    support && support.kind === kind.value
      ? [
          {
            lengthCm: support.lengthCm,
            count: support.poles,
            forWhom: name,
            sheetCm: sheetWidthCm(support.section),
          },
        ]
      : [],
  ),
);
const typed = computed((): Wanted[] =>
  draft.value.pieces.flatMap(({ lengthCm, count }) =>
    lengthCm !== null && lengthCm > 0 && (count ?? 0) >= 1
      ? [{ lengthCm, count: Math.round(count!), forWhom: '', sheetCm: null }]
      : [],
  ),
);
const pieces = computed(() => [...planned.value, ...typed.value]);
const lengths = computed(() =>
  stock.value.flatMap(({ lengthCm, count }) =>
    lengthCm !== null && lengthCm > 0
      ? [
          count === null
            ? { lengthCm, toBuy: true }
            : { lengthCm, count: Math.max(1, Math.round(count)) },
        ]
      : [],
  ),
);
const usualSheet = computed(() => sheetWidthCm(supportKind(kind.value).section));
const flat = computed((): MeshPiece[] =>
  supportKind(kind.value).moss
    ? pieces.value.flatMap(({ lengthCm, count, sheetCm }) => {
        const widthCm = sheetCm ?? usualSheet.value;
        return widthCm ? [{ widthCm: Math.round(widthCm * 10) / 10, lengthCm, count }] : [];
      })
    : [],
);
const meshStock = computed((): MeshStock | null => {
  const { mesh, widthCm, sheetLengthCm } = draft.value;
  if (!widthCm || widthCm <= 0) return null;
  if (mesh === 'roll') return { kind: 'roll', widthCm };
  return sheetLengthCm && sheetLengthCm > 0
    ? { kind: 'sheets', widthCm, lengthCm: sheetLengthCm }
    : null;
});

const cutter = useCutter();
const bars = ref<CutPlan | null>(null);
const barFault = ref('');
const mesh = ref<MeshPlan | null>(null);
const meshFault = ref('');
const working = ref(false);
let latest = 0;
async function work(): Promise<void> {
  const mine = ++latest;
  working.value = true;
  const ask = async <T,>(run: () => Promise<T>): Promise<{ plan: T | null; fault: string }> => {
    try {
      return { plan: await run(), fault: '' };
    } catch (error) {
      return { plan: null, fault: error instanceof Error ? error.message : String(error) };
    }
  };
  const request = {
    stock: lengths.value,
    pieces: pieces.value.map(({ lengthCm, count }) => ({ lengthCm, count })),
    kerfCm: draft.value.kerfCm ?? 0,
  };
  const able = request.pieces.length > 0;
  const cut = able && request.stock.length > 0 ? await ask(() => cutter.bars(request)) : null;
  const sheet = meshStock.value;
  const rolled =
    able && sheet && flat.value.length > 0 ? await ask(() => cutter.mesh(sheet, flat.value)) : null;
  // A later question has overtaken this one.
  if (mine !== latest) return;
  bars.value = cut?.plan ?? null;
  barFault.value = cut?.fault ?? '';
  mesh.value = rolled?.plan ?? null;
  meshFault.value = rolled?.fault ?? '';
  working.value = false;
}
watchDebounced(
  () =>
    JSON.stringify([lengths.value, pieces.value, meshStock.value, draft.value.kerfCm, kind.value]),
  work,
  { debounce: 250, immediate: true },
);

const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <div class="row spread">
      <h1>{{ m.cuts.title }}</h1>
      <v-btn variant="outlined" class="no-print" :prepend-icon="mdiPrinter" @click="print">{{
        m.cuts.print
      }}</v-btn>
    </div>
    <p class="quiet">{{ m.cuts.intro }}</p>
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <template v-if="loaded">
      <section class="panel" aria-live="polite">
        <p v-if="working" class="quiet">{{ m.cuts.working }}</p>
        <p v-if="barFault" role="alert" class="text-error">{{ barFault }}</p>
        <p v-else-if="!working && !bars" class="quiet">{{ m.cuts.nothing }}</p>
        <BarCuts v-if="bars" :plan="bars" />
      </section>
      <section v-if="flat.length > 0" class="panel">
        <h2>{{ m.cuts.mesh }}</h2>
        <div class="fields no-print">
          <v-select
            v-model="draft.mesh"
            :items="[
              { value: 'roll', title: m.cuts.roll },
              { value: 'sheets', title: m.cuts.sheets },
            ]"
            :label="m.cuts.meshStock"
          />
          <QuantityField
            v-model="draft.widthCm"
            :label="draft.mesh === 'roll' ? m.cuts.rollWidth : m.cuts.sheetWidth"
            of="length"
          />
          <QuantityField
            v-if="draft.mesh === 'sheets'"
            v-model="draft.sheetLengthCm"
            :label="m.cuts.sheetLength"
            of="length"
          />
        </div>
        <p v-if="meshFault" role="alert" class="text-error">{{ meshFault }}</p>
        <MeshCuts v-if="mesh && meshStock" :plan="mesh" :width-cm="meshStock.widthCm" />
      </section>
      <div class="pair no-print">
        <section class="panel stack">
          <h2>{{ m.cuts.pieces }}</h2>
          <v-select v-model="kind" :items="kinds" :label="m.cuts.kind" />
          <p class="quiet">{{ m.cuts.fromPlans(planned.length) }}</p>
          <ul v-if="planned.length > 0" class="planned">
            <li v-for="piece in planned" :key="piece.forWhom">
              {{ piece.count }} × {{ length(piece.lengthCm) }}, {{ piece.forWhom }}
            </li>
          </ul>
          <LengthRows
            v-model="draft.pieces"
            :count-word="m.cuts.count"
            uncounted=""
            :add-word="m.cuts.addPiece"
            :first="1"
          />
        </section>
        <section class="panel stack">
          <h2>{{ m.cuts.stock }}</h2>
          <LengthRows
            v-model="stock"
            :count-word="m.cuts.stockHave"
            :uncounted="m.cuts.stockAny"
            :add-word="m.cuts.addStock"
            :first="null"
          />
          <QuantityField v-model="draft.kerfCm" :label="m.cuts.kerf" of="length" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.fields {
  margin: 8px 0;
}
.planned {
  padding-left: 1.1em;
}
</style>
