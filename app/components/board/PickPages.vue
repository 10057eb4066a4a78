<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import type { PageId } from '~~/core/board/ids'
import { pagesAlone } from '~~/core/design/pages'

/**
 * Pages of one of the teacher's boards are picked by their pictures. The board that they are taken from stays as it is.
 */
const { open, title, except = null } = defineProps<{ open: boolean; title: string; except?: string | null }>()
const emit = defineEmits<{ close: []; picked: [from: Board, pages: ReadonlySet<PageId>] }>()
const { t } = useWords()
const { attempt, trouble } = useAsking()
const boards = shallowRef<{ id: string; title: string }[]>([])
const from = shallowRef<Board | null>(null)
const ticked = ref(new Set<PageId>())

watch(
  () => open,
  async now => {
    if (!now) return
    from.value = null
    ticked.value = new Set()
    boards.value =
      (await attempt(() => askFor<{ id: string; title: string }[]>('/api/boards')))?.filter(b => b.id !== except) ?? []
  },
)
async function choose(event: Event) {
  const id = (event.target as HTMLSelectElement).value
  from.value = id ? ((await attempt(() => askFor<{ board: Board }>(`/api/boards/${id}`)))?.board ?? null) : null
  ticked.value = new Set(from.value?.pages.length === 1 ? [from.value.pages[0]!.id] : [])
}
function tick(id: PageId) {
  if (!ticked.value.delete(id)) ticked.value.add(id)
}
</script>

<template>
  <UiAsk :open="open" :title="title" @close="emit('close')">
    <label
      ><span class="label">{{ t('pages.fromBoard') }}</span>
      <select class="field" @change="choose">
        <option value="">{{ t('pages.choose') }}</option>
        <option v-for="board in boards" :key="board.id" :value="board.id">{{ board.title }}</option>
      </select>
    </label>
    <ul v-if="from" class="mt-4 grid max-h-96 grid-cols-2 gap-3 overflow-auto p-1">
      <li v-for="(p, i) in from.pages" :key="p.id">
        <label
          class="block cursor-pointer rounded-xl p-1"
          :class="ticked.has(p.id) ? 'bg-leaf-100 text-stone-950' : ''">
          <BoardThumbnail
            :board="pagesAlone(from, new Set([p.id]))"
            :label="t('pages.page', { number: i + 1 })"
            ledge />
          <span class="mt-1 flex min-h-9 items-center gap-2"
            ><input
              type="checkbox"
              class="h-5 w-5 shrink-0 accent-leaf-600"
              :checked="ticked.has(p.id)"
              @change="tick(p.id)" />{{ t('pages.page', { number: i + 1 }) }}</span
          >
        </label>
      </li>
    </ul>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button
        type="button"
        class="button button-action"
        :disabled="ticked.size === 0"
        @click="emit('picked', from!, ticked)">
        {{ t('pages.takeThem', { count: ticked.size }) }}
      </button>
    </template>
  </UiAsk>
</template>
