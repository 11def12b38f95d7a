<script setup lang="ts">
import type { Decision } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import ReasonList from './ReasonList.vue';

/** Every finding with what it weighs: what speaks for a state, then what speaks against. */
const props = defineProps<{ decision: Decision }>();
const ranked = computed(() => props.decision.reasons.filter(({ signal: id }) => id !== 'baseRate'));
const speaksFor = computed(() => ranked.value.filter(({ logOdds }) => logOdds > 0));
const speaksAgainst = computed(() => ranked.value.filter(({ logOdds }) => logOdds < 0));
</script>

<template>
  <section class="panel">
    <h2>{{ m.verdictPage.because }}</h2>
    <ReasonList :reasons="speaksFor" />
    <template v-if="speaksAgainst.length > 0">
      <h3 class="mt-3">{{ m.verdictPage.against }}</h3>
      <ReasonList :reasons="speaksAgainst" />
    </template>
    <p class="quiet mt-2">{{ m.verdictPage.barScale }} {{ m.verdictPage.sources }}</p>
  </section>
</template>
