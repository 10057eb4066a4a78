<script setup lang="ts">
import type { Clip, Link } from '~~/core/board/clip'
import { hostOf } from '~~/core/board/webAddress'
import { drawClipCard } from '~~/core/drawing/clipCard'
import { playingTime } from '~~/core/layout/clipCard'

/** A clip that isn't played, or where a link leads: printed, with a sign on it. What is played stands over it. */
const { thing } = defineProps<{ thing: Clip | Link }>()
const { t } = useWords()
const marks = computed(() => drawClipCard(thing))
const label = computed(() =>
  'kind' in thing
    ? t(`clips.is.${thing.kind}`, { name: thing.name, time: playingTime(thing.seconds) })
    : t('clips.linkIs', { name: thing.name, host: hostOf(thing.address) }),
)
</script>

<template>
  <BoardMarks :marks="marks" role="img" :aria-label="label" />
</template>
