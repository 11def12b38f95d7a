<script setup lang="ts">
import { ref } from 'vue';
import { api, wordsFor } from '../../api/client.ts';
import { m } from '../../messages/index.ts';

/** The door: stands in for the whole interface until the passphrase was given. */
const emit = defineEmits<{ entered: [] }>();
const passphrase = ref('');
const label = ref(
  window.matchMedia('(pointer: coarse)').matches ? m.keeping.door.phone : m.keeping.door.computer,
);
const fault = ref('');
const asking = ref(false);
async function enter(): Promise<void> {
  fault.value = '';
  asking.value = true;
  try {
    await api('/door', {
      method: 'POST',
      body: { passphrase: passphrase.value, label: label.value.trim() || m.keeping.door.computer },
    });
    emit('entered');
  } catch (error) {
    fault.value = wordsFor(error);
  } finally {
    asking.value = false;
  }
}
</script>

<template>
  <div class="page stack narrow">
    <form class="panel stack" novalidate @submit.prevent="enter">
      <h1>{{ m.keeping.door.title }}</h1>
      <p class="quiet">{{ m.keeping.door.intro }}</p>
      <v-text-field
        v-model="passphrase"
        type="password"
        name="passphrase"
        autocomplete="current-password"
        :label="m.keeping.door.passphrase"
        :error-messages="fault"
        autofocus
      />
      <v-text-field v-model="label" name="device" maxlength="60" :label="m.keeping.door.label" />
      <v-btn type="submit" color="primary" size="large" min-height="54" :loading="asking">{{
        m.keeping.door.enter
      }}</v-btn>
    </form>
  </div>
</template>
