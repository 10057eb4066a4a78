<script setup lang="ts">
/** The hints of this page or activity, one after the other, as far as they were asked for. */
const { hints, seen, editable } = defineProps<{ hints: readonly string[]; seen: number; editable: boolean }>()
const emit = defineEmits<{ next: [number: number]; close: [] }>()
const { t } = useWords()
</script>

<template>
  <SlateSidePanel :title="t('hints.title')" data-test="hints" @close="emit('close')">
    <ol class="flex flex-col gap-3" aria-live="polite">
      <li v-for="(hint, i) in hints.slice(0, seen)" :key="i">
        <strong class="block text-sm">{{ t('hints.of', { number: i + 1, count: hints.length }) }}</strong><BoardWords
          class="board-text text-lg"
          >{{ hint }}</BoardWords
        >
      </li>
    </ol>
    <button v-if="editable && seen < hints.length" type="button" class="button" @click="emit('next', seen + 1)">
      <Icon name="lucide:lightbulb" size="20" />{{ t('hints.next', { count: seen + 1 }) }}
    </button>
    <p v-if="seen === hints.length" class="note-line">{{ t('hints.all') }}</p>
    <p class="note-line">{{ t('hints.seen') }}</p>
  </SlateSidePanel>
</template>
