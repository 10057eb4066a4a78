<script setup lang="ts">
/** The keys of reviewing. */
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const KEYS = ['items', 'right', 'wrong', 'back', 'across', 'levels', 'comment', 'list', 'on', 'next', 'sheet'] as const
</script>

<template>
  <UiAsk :open="open" :title="t('reviewKeys.title')" @close="emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
      <template v-for="key in KEYS" :key="key">
        <dt class="font-bold">{{ t(`reviewKeys.${key}.press`) }}</dt>
        <dd>{{ t(`reviewKeys.${key}.does`) }}</dd>
      </template>
    </dl>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
