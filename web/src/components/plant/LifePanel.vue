<script setup lang="ts">
import { computed } from 'vue';
import type { Photo, PlantFile, Repot } from '../../api/types.ts';
import { useLifeWords } from '../../composables/lifeWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useUndo } from '../../stores/undo.ts';

/** Its life so far: looks, repots, measurements, pictures, words, the newest first. */
const props = defineProps<{ file: PlantFile }>();
const emit = defineEmits<{ changed: [] }>();
const changed = () => emit('changed');
const notices = useNotices();
const { full } = useDates();
const { momentsOf } = useLifeWords();
const moments = computed(() => momentsOf(props.file));
const newestRepot = computed(() => props.file.repots[0]?.id);

const { takeBack } = useUndo();
/** Its deed is taken back; what was written down before the history began only leaves the record. */
async function undoRepot({ id, rev, deed }: Repot): Promise<void> {
  if (deed === null) {
    const path = `/repots/${id}`;
    return removal({ path, rev, said: m.plant.repotRemoved, then: changed, back: changed });
  }
  try {
    const done = await takeBack(`/history/${deed}/undo`);
    if (!done) return;
    notices.done(m.plant.undone, { deed: done.deed, back: changed });
    changed();
  } catch (error) {
    notices.fault(error);
  }
}
const removal = useRemoval();
const removePhoto = (photo: Photo) =>
  removal({ path: `/photos/${photo.id}`, said: m.plant.deleted, then: changed, back: changed });
</script>

<template>
  <section class="panel">
    <h2>{{ m.plant.life }}</h2>
    <p v-if="moments.length === 0" class="quiet">{{ m.plant.noLife }}</p>
    <ol class="bare life">
      <li v-for="moment in moments" :key="moment.key">
        <span class="when">{{ full(moment.date) }}</span>
        <div>
          <strong>{{ moment.title }}</strong>
          <div v-for="line in moment.lines" :key="line">{{ line }}</div>
          <div v-if="moment.photos" class="row">
            <figure v-for="photo in moment.photos" :key="photo.id" class="photo">
              <a :href="`/api/photos/${photo.id}`" target="_blank" rel="noopener">
                <img
                  :src="`/api/photos/${photo.id}`"
                  :alt="m.photo.of(file.plant.name, full(photo.date))"
                  loading="lazy"
                />
              </a>
              <v-btn
                size="small"
                variant="text"
                class="no-print"
                :aria-label="m.photo.remove"
                @click="removePhoto(photo)"
                >{{ m.app.delete }}</v-btn
              >
            </figure>
          </div>
          <v-btn
            v-if="moment.repot?.id === newestRepot && !moment.repot?.before.fromBatch"
            size="small"
            variant="outlined"
            class="no-print"
            @click="undoRepot(moment.repot!)"
            >{{ moment.repot!.deed === null ? m.plant.removeRepot : m.plant.undoRepot }}</v-btn
          >
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.photo img {
  width: 128px;
  height: 128px;
  object-fit: cover;
  border-radius: 8px;
  display: block;
}
.life li {
  display: grid;
  grid-template-columns: 7.4em minmax(0, 1fr);
  gap: 12px;
  padding: 7px 0;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.when {
  color: rgb(var(--v-theme-on-surface), 0.76);
}
</style>
