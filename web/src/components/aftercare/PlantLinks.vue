<script setup lang="ts">
/** Names in a row, each leading to its plant. */
defineProps<{ plants: readonly { id: number; name: string }[] }>();
</script>

<template>
  <div class="who">
    <router-link v-for="one in plants" :key="one.id" :to="`/plants/${one.id}`">{{
      one.name
    }}</router-link>
  </div>
</template>

<style scoped>
.who {
  display: flex;
  flex-wrap: wrap;
  column-gap: 12px;
}
</style>
