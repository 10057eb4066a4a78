<script setup lang="ts">
import type { Spoken } from '~~/core/board/clip'

/** What to do, always in reach, and read aloud where the device can. */
const {
  text,
  language = 'en-GB',
  spoken = undefined,
} = defineProps<{ text: string; language?: string | undefined; spoken?: Spoken | undefined }>()
const { t } = useWords()
</script>

<template>
  <section
    class="flex items-center gap-4 rounded-xl border-l-[6px] border-sunfleck-400 bg-sunfleck-100 px-4 py-2 text-stone-950"
    :aria-label="t('slate.instructions')">
    <SlateSpoken :text="text" :language="language" :spoken="spoken" class="board-text text-lg leading-snug" />
  </section>
</template>
