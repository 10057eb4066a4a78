<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { KeyMark } from '~~/core/keys/outcome'
import { gainsOf } from '~~/core/review/gained'

/** What the answers have gained and lost since the try before, by the key as it is now. */
const { edition, before, now } = defineProps<{
  edition: Edition
  before: readonly KeyMark[]
  now: readonly KeyMark[]
}>()
const { t } = useWords()
const itemName = useItemName(() => edition)
const gains = computed(() => gainsOf(before, now))
const rows = computed(() =>
  (
    [
      ['gained', 'lucide:trending-up'],
      ['lost', 'lucide:trending-down'],
      ['keptWrong', 'lucide:minus'],
    ] as const
  ).map(([what, icon]) => ({ what, icon, names: gains.value[what].map(itemName) })),
)
</script>

<template>
  <dl class="grid grid-cols-3 gap-3 rounded-lg border border-panel-line p-3" data-test="gains">
    <div v-for="row in rows" :key="row.what" class="min-w-0">
      <dt class="flex items-center gap-2 font-bold">
        <Icon :name="row.icon" size="20" />{{ t(`review.gains.${row.what}`, { count: row.names.length }) }}
      </dt>
      <dd class="max-h-24 overflow-auto text-sm">
        <bdi>{{ row.names.join(', ') }}</bdi>
      </dd>
    </div>
  </dl>
</template>
