<script setup lang="ts">
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const leftHanded = useLeftHanded()
const KEYS = ['pick', 'choose', 'nudge', 'down', 'turn', 'own', 'letBe', 'undo', 'closer', 'sheet'] as const
</script>

<template>
  <UiAsk :open="open" :title="t('keys.title')" @close="emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
      <template v-for="key in KEYS" :key="key">
        <dt class="font-bold">{{ t(`keys.${key}.press`) }}</dt>
        <dd>{{ t(`keys.${key}.does`) }}</dd>
      </template>
    </dl>
    <label class="mt-4 flex min-h-11 items-center gap-2"
      ><input v-model="leftHanded" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{
        t('keys.left')
      }}</label
    >
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
