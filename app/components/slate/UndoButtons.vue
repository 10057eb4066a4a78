<script setup lang="ts">
/** At the end of the ledge: the last step taken back, or all of them. On a low ledge they stand beside each other. */
const { undo, again, low } = defineProps<{ undo: boolean; again: boolean; low: boolean }>()
const emit = defineEmits<{ undo: []; again: [] }>()
const { t } = useWords()
const words = computed(() => (low ? 'sr-only' : 'max-sm:sr-only'))
</script>

<template>
  <button
    type="button"
    class="button min-w-11 px-3 py-1"
    :disabled="!undo"
    :title="t('slate.undo')"
    @click="emit('undo')">
    <Icon name="lucide:undo-2" /><span :class="words">{{ t('slate.undo') }}</span>
  </button>
  <button
    type="button"
    class="button min-w-11 px-3 py-1"
    :disabled="!again"
    :title="t('slate.startAgain')"
    @click="emit('again')">
    <Icon name="lucide:rotate-ccw" /><span :class="words">{{ t('slate.startAgain') }}</span>
  </button>
</template>
