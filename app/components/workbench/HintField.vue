<script setup lang="ts">
import { MOST_HINTS } from '~~/core/board/sizes'

/** Hints, one a line, in the order in which students can ask for them. */
const { hints } = defineProps<{ hints: readonly string[] }>()
const emit = defineEmits<{ set: [lines: string] }>()
const { t } = useWords()
</script>

<template>
  <label
    ><span class="label">{{ t('around.hints') }}</span
    ><span class="note-line mb-1 block">{{ t('around.hintsHow', { count: MOST_HINTS }) }}</span>
    <UiTyped
      tall
      rows="3"
      maxlength="1500"
      :value="hints.join('\n')"
      @change="emit('set', ($event.target as HTMLTextAreaElement).value)"
  /></label>
</template>
