<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Stands, Votes } from '~~/core/findings/counts'

/** What the class makes together, in words under its picture. */
const { edition, counts } = defineProps<{ edition: Edition; counts: readonly (Votes | Stands)[] }>()
const rows = useCountWords(
  () => edition,
  () => counts,
)
</script>

<template>
  <ul class="flex flex-col gap-1">
    <li v-for="row in rows" :key="row.id">{{ row.words }}</li>
  </ul>
</template>
