<script setup lang="ts">
import type { Page } from '~~/core/board/board'

/** How closely the slates are looked at: how large they are, which part of the page, whether names stand below. */
const { page, keyed } = defineProps<{ page: Page; keyed: boolean }>()
const size = defineModel<number>('size', { required: true })
/** The id of an activity or a place; empty for the whole page. */
const part = defineModel<string>('part', { required: true })
const names = defineModel<boolean>('names', { required: true })
const marked = defineModel<boolean>('marked', { required: true })
const { t } = useWords()
const { headingOf } = useHeadings()
const parts = computed(() => [
  ...(page.steps ?? []).map((step, i) => ({ id: step.id as string, name: t('walk.activity', { number: i + 1 }) })),
  ...page.places.map(place => ({ id: place.id as string, name: headingOf(place, page) })),
])
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-5 gap-y-2">
    <label class="flex items-center gap-2"
      ><span class="shrink-0">{{ t('walk.size') }}</span
      ><input v-model.number="size" type="range" min="8" max="40" step="1" class="w-32 accent-leaf-600"
    /></label>
    <label v-if="parts.length > 1" class="flex items-center gap-2"
      ><span class="shrink-0">{{ t('walk.part') }}</span
      ><select v-model="part" class="field min-h-9 max-w-56 py-1">
        <option value="">{{ t('walk.wholePage') }}</option>
        <option v-for="one in parts" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label v-if="keyed" class="flex min-h-9 items-center gap-2"
      ><input v-model="marked" type="checkbox" class="h-5 w-5" />{{ t('walk.soFar') }}</label
    >
    <label class="flex min-h-9 items-center gap-2"
      ><input v-model="names" type="checkbox" class="h-5 w-5" />{{ t('walk.names') }}</label
    >
  </div>
</template>
