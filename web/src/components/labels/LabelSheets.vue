<script setup lang="ts">
import { labelPlaces, PAPERS, type LabelSheet } from '@fernbank/core';
import { computed } from 'vue';
import { qrPath, QUIET_MODULES } from '../../composables/qrPath.ts';
import { m } from '../../messages/index.ts';
import PageSize from '../PageSize.vue';

/** What stands on one label. */
export interface Label {
  plantId: number;
  name: string;
  taxon: string;
  lines: string[];
  address: string;
}

/** Labels as they lie on their sheets, every measure in mm; printed at 100 %. */
const props = defineProps<{ sheet: LabelSheet; labels: readonly Label[]; used: number }>();

const paper = computed(() => PAPERS[props.sheet.paper]);
const pages = computed(() => {
  const places = labelPlaces(props.sheet, props.labels.length, props.used);
  const placed = places.map((place, i) => ({ ...place, label: props.labels[i]! }));
  return [...new Set(places.map(({ page }) => page))].map((page) =>
    placed
      .filter((one) => one.page === page)
      .map((one) => ({ ...one, qr: qrPath(one.label.address) })),
  );
});
const MARGIN_MM = 2;
/** A code smaller than this is hard for a phone, mm; larger wins nothing. */
const CODE_MM = { least: 14, most: 30 } as const;
const codeMm = computed(() =>
  Math.min(CODE_MM.most, props.sheet.heightMm - 2 * MARGIN_MM, props.sheet.widthMm * 0.45),
);
const hasCode = computed(() => codeMm.value >= CODE_MM.least);
const LINE_MM = 3.6;
/** Lines that go on the label beside its name. */
const linesThatFit = computed(() =>
  Math.max(0, Math.floor((props.sheet.heightMm - 2 * MARGIN_MM - 5.5) / LINE_MM)),
);
const mm = (value: number) => `${value}mm`;
const box = ({ size }: { size: number }) => {
  const side = size + 2 * QUIET_MODULES;
  return `${-QUIET_MODULES} ${-QUIET_MODULES} ${side} ${side}`;
};
</script>

<template>
  <div class="sheets">
    <PageSize :paper="sheet.paper" :margin-mm="0" />
    <section
      v-for="(page, i) in pages"
      :key="i"
      class="sheet"
      :aria-label="m.labels.page(i + 1, pages.length)"
      :style="{ width: mm(paper.widthMm), height: mm(paper.heightMm) }"
    >
      <article
        v-for="{ label, qr, xMm, yMm } in page"
        :key="label.plantId"
        class="label"
        :style="{
          left: mm(xMm),
          top: mm(yMm),
          width: mm(sheet.widthMm),
          height: mm(sheet.heightMm),
        }"
      >
        <div class="words">
          <strong>{{ label.name }}</strong>
          <span v-for="line in [label.taxon, ...label.lines].slice(0, linesThatFit)" :key="line">{{
            line
          }}</span>
        </div>
        <svg
          v-if="hasCode"
          :viewBox="box(qr)"
          :style="{ width: mm(codeMm), height: mm(codeMm) }"
          role="img"
          :aria-label="m.labels.code(label.name)"
          :data-address="label.address"
        >
          <path :d="qr.path" />
        </svg>
      </article>
    </section>
  </div>
</template>

<style scoped>
.sheets {
  display: grid;
  gap: 16px;
  justify-content: start;
}
.sheet {
  position: relative;
  background: #fff;
  color: #111;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.3);
  overflow: hidden;
}
.label {
  position: absolute;
  box-sizing: border-box;
  padding: 2mm;
  display: flex;
  justify-content: space-between;
  gap: 1.5mm;
  outline: 1px dashed rgb(0 0 0 / 0.25);
  overflow: hidden;
}
.words {
  display: flex;
  flex-direction: column;
  min-width: 0;
  font-size: 2.7mm;
  line-height: 3.6mm;
}
.words strong {
  font-size: 3.7mm;
  line-height: 4.4mm;
  font-family: 'Fraunces Variable', serif;
}
.words span {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.label svg {
  flex: none;
  background: #fff;
}
.label path {
  fill: #000;
}
@media print {
  .sheets {
    display: block;
  }
  .sheet {
    border: 0;
    break-after: page;
  }
  .sheet:last-child {
    break-after: auto;
  }
  .label {
    outline: none;
  }
}
</style>
