<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, wordsFor } from '../../api/client.ts';
import type { Way } from '../../api/types.ts';
import { m } from '../../messages/index.ts';

/** The door: stands in for the whole interface until this device is let in. */
const emit = defineEmits<{ entered: [] }>();
const router = useRouter();
const way = ref<Way | null>(null);
const given = ref('');
const label = ref(deviceName());
const fault = ref('');
const asking = ref(false);

/** A name to know it by in the list at the desk. */
function deviceName(): string {
  const { door } = m.keeping;
  if (!window.matchMedia('(pointer: coarse)').matches) return door.computer;
  const system = /Android|iPhone|iPad/.exec(navigator.userAgent)?.[0];
  return system ? door.phoneOf(system) : door.phone;
}

const PAIR = /^#pair=(\w+)$/;
onMounted(async () => {
  const [, code] = PAIR.exec(location.hash) ?? [];
  if (code) {
    way.value = 'code';
    given.value = code;
    // Used up, it should not stand in the address, where it would be kept and sent on.
    await router.replace({ hash: '' });
    return enter();
  }
  way.value = await api('/door').then(
    (door) => door.way,
    () => 'passphrase' as const,
  );
});

async function enter(): Promise<void> {
  fault.value = '';
  asking.value = true;
  const name = label.value.trim() || m.keeping.door.computer;
  try {
    if (way.value === 'code') {
      await api('/door/code', { method: 'POST', body: { code: given.value, label: name } });
    } else {
      await api('/door', { method: 'POST', body: { passphrase: given.value, label: name } });
    }
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
    <form v-if="way" class="panel stack" novalidate @submit.prevent="enter">
      <h1>{{ m.keeping.door.title }}</h1>
      <template v-if="way === 'code'">
        <p class="quiet">{{ m.keeping.door.byCode }}</p>
        <v-text-field
          v-model="given"
          name="code"
          autocomplete="one-time-code"
          autocapitalize="characters"
          :label="m.keeping.door.code"
          :error-messages="fault"
        />
      </template>
      <template v-else>
        <p class="quiet">{{ m.keeping.door.intro }}</p>
        <v-text-field
          v-model="given"
          type="password"
          name="passphrase"
          autocomplete="current-password"
          :label="m.keeping.door.passphrase"
          :error-messages="fault"
          autofocus
        />
      </template>
      <v-text-field v-model="label" name="device" maxlength="60" :label="m.keeping.door.label" />
      <v-btn type="submit" color="primary" size="large" min-height="54" :loading="asking">{{
        m.keeping.door.enter
      }}</v-btn>
    </form>
  </div>
</template>
