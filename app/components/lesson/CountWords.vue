<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Stands, Votes } from '~~/core/findings/counts'
import { dotShape } from '~/composables/lesson/dotShapes'

/** What the class makes together, in words under its picture. */
const { edition, counts } = defineProps<{ edition: Edition; counts: readonly (Votes | Stands)[] }>()
const rows = useCountWords(
  () => edition,
  () => counts,
)
</script>

<template>
  <ul class="flex flex-col gap-1">
    <li v-for="row in rows" :key="row.id" class="flex items-baseline gap-2">
      <svg v-if="row.turn !== null" viewBox="-1.1 -1.1 2.2 2.2" class="h-[0.7em] w-[0.7em] shrink-0" aria-hidden="true">
        <path :d="dotShape(row.turn).path" :fill="dotShape(row.turn).fill" /></svg
      ><span>{{ row.words }}</span>
    </li>
  </ul>
</template>
