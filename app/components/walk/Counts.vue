<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import { countsOf } from '~~/core/findings/counts'
import type { SlateState } from '~~/core/slate/state'

/** What the class has voted, and where it stands, added up over all slates as they are now. */
const { edition, states } = defineProps<{ edition: Edition; states: readonly SlateState[] }>()
const { t } = useWords()
const counts = computed(() => countsOf(states, edition))
const rows = useCountWords(
  () => edition,
  () => counts.value,
)
</script>

<template>
  <section
    v-if="rows.length"
    class="panel mb-5 flex max-w-3xl flex-col gap-2"
    :aria-label="t('walk.together')"
    data-test="counts">
    <h2 class="font-bold">{{ t('walk.together') }}</h2>
    <div v-for="row in rows" :key="row.id">
      <p>{{ row.words }}</p>
      <div class="relative h-3 overflow-hidden rounded bg-field" aria-hidden="true">
        <div
          class="absolute inset-y-0 rounded bg-leaf-500"
          :style="{
            left: `${row.from * 100}%`,
            width: `${Math.max(row.to - row.from, row.middle === null ? 0 : 0.01) * 100}%`,
          }" />
        <div
          v-if="row.middle !== null"
          class="absolute inset-y-0 w-1 bg-stone-950"
          :style="{ left: `calc(${row.middle * 100}% - 2px)` }" />
      </div>
    </div>
  </section>
</template>
