<script setup lang="ts">
import { mdiImageOutline } from '@mdi/js';
import { useTemplateRef } from 'vue';
import { savePicture } from '../composables/savePicture.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';

/** Around a drawing or a chart: it can be saved as a file of its own. */
const props = defineProps<{ name: string; chart?: boolean }>();
const notices = useNotices();
const frame = useTemplateRef<HTMLElement>('frame');
async function save(kind: 'svg' | 'png'): Promise<void> {
  const picture = frame.value?.querySelector<SVGSVGElement | HTMLCanvasElement>(
    props.chart ? 'canvas' : 'svg.cutaway',
  );
  if (!picture) return;
  try {
    await savePicture(picture, props.name, kind);
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <div ref="frame" class="frame">
    <slot />
    <div class="save no-print">
      <v-btn
        v-for="kind in chart ? (['png'] as const) : (['svg', 'png'] as const)"
        :key="kind"
        variant="text"
        size="small"
        :prepend-icon="mdiImageOutline"
        :aria-label="`${m.keeping.picture.save}, ${m.keeping.picture[kind]}: ${name}`"
        @click="save(kind)"
        >{{ m.keeping.picture[kind] }}</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
}
.save {
  display: flex;
  justify-content: end;
}
</style>
