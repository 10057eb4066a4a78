<script setup lang="ts">
/** The keys of reviewing. */
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const KEYS = [
  'items',
  'right',
  'wrong',
  'part',
  'back',
  'across',
  'levels',
  'comment',
  'list',
  'on',
  'next',
  'sheet',
] as const
const keys = computed(() =>
  KEYS.map(name => ({ name, press: t(`reviewKeys.${name}.press`), does: t(`reviewKeys.${name}.does`) })),
)
</script>

<template>
  <UiKeyList :open="open" :title="t('reviewKeys.title')" :keys="keys" @close="emit('close')" />
</template>
