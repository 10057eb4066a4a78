<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Master, Piece } from '~~/core/board/piece'
import { addFamily, FAMILIES, tilesOf, type Family } from '~~/core/design/tiles'
import { freshIds } from '~/composables/workbench/useIds'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Tiles as families, made from a few numbers. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const family = ref<Family>('base-ten')
const of = ref('')
const bins = ref(true)
const each = ref(1)
const plans = computed(() => tilesOf(family.value, of.value))
watch(family, () => (of.value = ''))
const shown = computed(() =>
  plans.value.map(({ master, piece }) => ({
    master: { id: 'shown', ...master } as Master,
    piece: { id: 'shown', master: 'shown', ...piece } as Piece,
  })),
)
function make() {
  bench.change(
    addFamily(
      bench.board.value,
      page.id,
      { family: family.value, of: of.value, bins: bins.value, each: Math.min(20, Math.max(1, each.value || 1)) },
      freshIds,
    ),
  )
}
</script>

<template>
  <div class="flex flex-col gap-3">
    <label
      ><span class="label">{{ t('tiles.family') }}</span
      ><select v-model="family" class="field">
        <option v-for="name in FAMILIES" :key="name" :value="name">{{ t(`tiles.families.${name}`) }}</option>
      </select></label
    >
    <label v-if="family !== 'clock'"
      ><span class="label">{{ t(`tiles.of.${family}`) }}</span
      ><input v-model="of" class="field" maxlength="200" :placeholder="t(`tiles.usual.${family}`)"
    /></label>
    <div
      class="flex max-h-36 flex-wrap items-end gap-1.5 overflow-auto rounded-lg border border-panel-line bg-chalk p-2"
      aria-hidden="true">
      <svg
        v-for="({ master, piece }, i) in shown"
        :key="i"
        :viewBox="`${-master.width / 2 - 2} ${-master.height / 2 - 2} ${master.width + 4} ${master.height + 6}`"
        :width="(master.width + 4) * 0.4"
        class="max-w-full">
        <BoardPieceShape :piece="piece" :master="master" />
      </svg>
    </div>
    <label class="flex min-h-9 items-center gap-2"
      ><input v-model="bins" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{ t('tiles.bins') }}</label
    >
    <label v-if="!bins"
      ><span class="label">{{ t('tiles.each') }}</span
      ><input v-model.number="each" type="number" min="1" max="20" class="field"
    /></label>
    <button type="button" class="button button-action" :disabled="plans.length === 0" @click="make">
      {{ t('tiles.make', { count: plans.length }) }}
    </button>
  </div>
</template>
