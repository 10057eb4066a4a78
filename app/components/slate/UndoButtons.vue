<script setup lang="ts">
/** At the end of the ledge: the last step taken back, or all of them. */
const { undo, again } = defineProps<{ undo: boolean; again: boolean }>()
const emit = defineEmits<{ undo: []; again: [] }>()
const { t } = useWords()
</script>

<template>
  <button type="button" class="button min-h-9 px-3 py-1" :disabled="!undo" @click="emit('undo')">
    <Icon name="lucide:undo-2" /><span class="max-sm:sr-only">{{ t('slate.undo') }}</span>
  </button>
  <button type="button" class="button min-h-9 px-3 py-1" :disabled="!again" @click="emit('again')">
    <Icon name="lucide:rotate-ccw" /><span class="max-sm:sr-only">{{ t('slate.startAgain') }}</span>
  </button>
</template>
