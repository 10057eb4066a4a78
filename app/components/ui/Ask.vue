<script setup lang="ts">
/**
 * A dialog with a title, whatever is asked, and its buttons, which stay in sight however long it is. What it takes to
 * be a dialog is fetched once everything else is there.
 */
const { open, title, wide = false } = defineProps<{ open: boolean; title: string; wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()
const wanted = ref(open)
watch(
  () => open,
  now => (wanted.value ||= now),
)
onNuxtReady(() => import('~/components/ui/Dialog.vue'))
</script>

<template>
  <LazyUiDialog v-if="wanted" :open="open" :title="title" :wide="wide" @close="emit('close')">
    <slot />
    <template #buttons><slot name="buttons" /></template>
  </LazyUiDialog>
</template>
