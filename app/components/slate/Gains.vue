<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import { GAINS, type NamedGains } from '~~/core/review/gained'

/** What the answers have gained and lost since the try before. */
const { edition, gains } = defineProps<{ edition: Edition; gains: NamedGains }>()
const { t } = useWords()
const itemName = useItemName(() => edition)
const ICONS = { gained: 'lucide:trending-up', lost: 'lucide:trending-down', keptWrong: 'lucide:minus' } as const
const rows = computed(() => GAINS.map(what => ({ what, names: gains[what].map(itemName) })))
</script>

<template>
  <dl class="grid grid-cols-3 gap-3 rounded-lg border border-panel-line p-3" data-test="gains">
    <div v-for="row in rows" :key="row.what" class="min-w-0">
      <dt class="flex items-center gap-2 font-bold">
        <Icon :name="ICONS[row.what]" size="20" />{{ t(`again.gains.${row.what}`, { count: row.names.length }) }}
      </dt>
      <dd class="max-h-24 overflow-auto text-sm">
        <BoardWords>{{ row.names.join(', ') }}</BoardWords>
      </dd>
    </div>
  </dl>
</template>
