<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Board, Page } from '~~/core/board/board'
import { makeEdition } from '~~/core/board/edition'
import type { PageId } from '~~/core/board/ids'
import { takeSheets } from '~~/core/design/pages'
import { sheetOf } from '~~/core/design/sheet'
import type { Workbench } from '~/composables/useWorkbench'

/** Pages of another board of one's own, taken behind the open page. The other board stays as it is. */
const { open, boardId, bench, page } = defineProps<{ open: boolean, boardId: string, bench: Workbench, page: Page }>()
const emit = defineEmits<{ close: [], taken: [id: PageId] }>()
const { t } = useWords()
const { attempt, trouble } = useAsking()
const boards = shallowRef<{ id: string, title: string }[]>([])
const from = shallowRef<Board | null>(null)
const ticked = ref(new Set<PageId>())

watch(() => open, async (now) => {
  if (!now) return
  from.value = null
  boards.value = (await attempt(() => ask<{ id: string, title: string }[]>('/api/boards')))?.filter(b => b.id !== boardId) ?? []
})
async function choose(event: Event) {
  const id = (event.target as HTMLSelectElement).value
  from.value = id ? (await attempt(() => ask<{ board: Board }>(`/api/boards/${id}`)))?.board ?? null : null
  ticked.value = new Set(from.value?.pages.length === 1 ? [from.value.pages[0]!.id] : [])
}
const edition = computed(() => from.value && makeEdition(from.value))
const onePage = (id: PageId) => ({ ...from.value!, pages: from.value!.pages.filter(p => p.id === id) })
function tick(id: PageId) {
  if (!ticked.value.delete(id)) ticked.value.add(id)
}
function take() {
  const sheets = from.value!.pages.filter(p => ticked.value.has(p.id)).map(p => sheetOf(from.value!, p.id))
  bench.change(takeSheets(bench.board.value, page.id, sheets, nanoid))
  const at = bench.board.value.pages.findIndex(p => p.id === page.id)
  emit('taken', bench.board.value.pages[at + 1]?.id ?? page.id)
  emit('close')
}
</script>

<template>
  <UiAsk :open="open" :title="t('pages.takeTitle')" @close="emit('close')">
    <label><span class="label">{{ t('pages.fromBoard') }}</span>
      <select class="field" @change="choose"><option value="">{{ t('pages.choose') }}</option><option v-for="board in boards" :key="board.id" :value="board.id">{{ board.title }}</option></select>
    </label>
    <ul v-if="from && edition" class="mt-4 grid max-h-96 grid-cols-2 gap-3 overflow-auto p-1">
      <li v-for="(p, i) in from.pages" :key="p.id">
        <label class="block cursor-pointer rounded-xl p-1" :class="ticked.has(p.id) ? 'bg-leaf-100 text-stone-950' : ''">
          <BoardThumbnail :board="onePage(p.id)" :label="t('pages.page', { number: i + 1 })" ledge />
          <span class="mt-1 flex min-h-9 items-center gap-2"><input type="checkbox" class="h-5 w-5 accent-leaf-600" :checked="ticked.has(p.id)" @change="tick(p.id)">{{ t('pages.page', { number: i + 1 }) }}</span>
        </label>
      </li>
    </ul>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" :disabled="ticked.size === 0" @click="take">{{ t('pages.takeThem', { count: ticked.size }) }}</button>
    </template>
  </UiAsk>
</template>
