<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { ROLES, type Master } from '~~/core/board/piece'
import { changeMaster } from '~~/core/design/otherPieces'
import { setTextSize } from '~~/core/design/pieces'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** The styles of the board's pieces: change one, and all pieces made in it follow. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
/** Tiles have a look for each size; what is set once for all others is not offered for them. */
const masters = computed(() =>
  bench.board.value.masters.filter(
    m => m.kind !== 'tile' && m.kind !== 'cover' && m.kind !== 'token' && page.pieces.some(p => p.master === m.id),
  ),
)
const size = (master: Master, event: Event) =>
  bench.change(
    setTextSize(bench.board.value, master.id, Number((event.target as HTMLInputElement).value)),
    `size ${master.id}`,
  )
const role = (master: Master, event: Event) =>
  bench.change(
    changeMaster(bench.board.value, master.id, {
      role: (event.target as HTMLSelectElement).value as (typeof ROLES)[number],
    }),
  )
</script>

<template>
  <div v-for="master in masters" :key="master.id" class="flex flex-col gap-1">
    <label
      ><span class="label">{{ t(`pieces.size.${master.kind}`, { size: master.textSize }) }}</span>
      <input
        type="range"
        min="12"
        max="36"
        step="1"
        class="w-full accent-leaf-600"
        :value="master.textSize"
        @input="size(master, $event)"
    /></label>
    <label v-if="master.kind === 'card' || master.kind === 'label'" class="flex items-center gap-2 text-sm"
      ><span class="shrink-0">{{ t('pieces.role') }}</span>
      <select class="field" :value="master.role ?? 'piece'" @change="role(master, $event)">
        <option v-for="name in ROLES" :key="name" :value="name">{{ t(`pieces.roles.${name}`) }}</option>
      </select></label
    >
  </div>
</template>
