<script setup lang="ts">
import type { Decision } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What may lie behind a plant that looks poorly, likeliest first, and how to tell. */
const props = defineProps<{ troubleshoot: NonNullable<Decision['troubleshoot']> }>();
const { percent, said } = useUnits();
const SHOWN = 5;
const causes = computed(() => props.troubleshoot.causes.slice(0, SHOWN));
</script>

<template>
  <section class="panel">
    <h2>{{ m.causes.title }}</h2>
    <p class="quiet">{{ m.causes.symptoms(troubleshoot.symptoms.join('; ')) }}</p>
    <p v-if="troubleshoot.check" class="check">
      <strong>{{ m.causes.check }}:</strong> {{ troubleshoot.check.text }}
      <span class="quiet">{{ troubleshoot.check.yes }}.</span>
    </p>
    <ol>
      <li v-for="cause in causes" :key="cause.id">
        <div class="head">
          <strong>{{ cause.label }}</strong>
          <span class="meter"><span :style="{ width: `${cause.share * 100}%` }" /></span>
          <span class="figure">{{ m.verdictPage.share(percent(cause.share)) }}</span>
        </div>
        <div class="quiet">
          {{
            cause.because
              .slice(0, 3)
              .map(({ text, weight }) => `${weight > 0 ? '+' : '−'} ${said(text)}`)
              .join(' · ')
          }}
        </div>
      </li>
    </ol>
    <p class="quiet">{{ m.causes.source }}</p>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
}
li {
  padding: 6px 0;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.1);
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px 3.2em;
  gap: 10px;
  align-items: center;
}
.figure {
  text-align: right;
}
.meter {
  height: 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  overflow: hidden;
}
.meter span {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-slate));
}
.check {
  border-left: 4px solid rgb(var(--v-theme-water));
  padding: 4px 12px;
  margin: 8px 0;
}
</style>
