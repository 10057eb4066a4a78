<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { PageIdSchema, type PageId } from '~~/core/board/ids'
import { addPage, duplicatePage, MOST_PAGES, movePage, removePage, setHeldBack, setReading } from '~~/core/design/pages'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** As many as fit beside buttons with words. */
const FEW = 5

/** The pages of the board: which one is open, and what can be done with it. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const emit = defineEmits<{ open: [id: PageId]; take: [] }>()
const { t } = useWords()
const pages = computed(() => bench.board.value.pages)
const at = computed(() => pages.value.findIndex(p => p.id === page.id))
const many = computed(() => pages.value.length > FEW)
const row = useTemplateRef<HTMLElement>('row')
watch(
  [() => page.id, () => pages.value.length],
  () => row.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' }),
  { flush: 'post' },
)
const full = computed(() => pages.value.length >= MOST_PAGES)

function add() {
  const id = v.parse(PageIdSchema, nanoid())
  bench.change(addPage(bench.board.value, page.id, id))
  emit('open', id)
}
function duplicate() {
  bench.change(duplicatePage(bench.board.value, page.id, nanoid))
  emit('open', pages.value[at.value + 1]!.id)
}
function remove() {
  const next = pages.value[at.value + 1] ?? pages.value[at.value - 1]!
  bench.change(removePage(bench.board.value, page.id))
  emit('open', next.id)
}
const acts = [
  { name: 'add', icon: 'lucide:file-plus', act: add },
  { name: 'duplicate', icon: 'lucide:copy-plus', act: duplicate },
  { name: 'take', icon: 'lucide:file-input', act: () => emit('take') },
] as const
</script>

<template>
  <nav class="flex flex-wrap items-center gap-1.5" :class="many ? 'md:flex-nowrap' : ''" :aria-label="t('pages.title')">
    <!-- Many pages stay one row, in which the open one can always be seen. -->
    <div
      ref="row"
      class="flex items-center gap-1.5"
      :class="many ? 'min-w-0 max-w-full overflow-x-auto py-1' : 'flex-wrap'">
      <button
        v-for="(p, i) in pages"
        :key="p.id"
        type="button"
        class="button min-w-11 shrink-0 px-3"
        :class="p.id === page.id ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
        :aria-current="p.id === page.id ? 'page' : undefined"
        :aria-label="t('pages.page', { number: i + 1 })"
        @click="emit('open', p.id)">
        {{ i + 1 }}
      </button>
    </div>
    <button
      v-for="{ name, icon, act } in acts"
      :key="name"
      type="button"
      class="button shrink-0 px-3"
      :disabled="full"
      :title="many ? t(`pages.${name}`) : undefined"
      @click="act">
      <Icon :name="icon" /><span :class="many ? 'sr-only' : ''">{{ t(`pages.${name}`) }}</span>
    </button>
    <template v-if="pages.length > 1">
      <button
        type="button"
        class="button w-11 shrink-0 px-0"
        :disabled="at === 0"
        :aria-label="t('pages.earlier')"
        :title="t('pages.earlier')"
        @click="bench.change(movePage(bench.board.value, page.id, -1))">
        <Icon name="lucide:arrow-left" />
      </button>
      <button
        type="button"
        class="button w-11 shrink-0 px-0"
        :disabled="at === pages.length - 1"
        :aria-label="t('pages.later')"
        :title="t('pages.later')"
        @click="bench.change(movePage(bench.board.value, page.id, 1))">
        <Icon name="lucide:arrow-right" />
      </button>
      <label class="flex min-h-11 shrink-0 items-center gap-2"
        ><input
          type="checkbox"
          :checked="page.reading ?? false"
          @change="
            bench.change(setReading(bench.board.value, page.id, ($event.target as HTMLInputElement).checked))
          " />{{ t('pages.reading') }}</label
      >
      <label class="flex min-h-11 shrink-0 items-center gap-2" :title="t('pages.heldBackSays')"
        ><input
          type="checkbox"
          :checked="page.heldBack ?? false"
          :disabled="!page.heldBack && pages.filter(one => !one.heldBack).length === 1"
          @change="
            bench.change(setHeldBack(bench.board.value, page.id, ($event.target as HTMLInputElement).checked))
          " />{{ t('pages.heldBack') }}</label
      >
      <button
        type="button"
        class="button button-danger w-11 shrink-0 px-0"
        :aria-label="t('pages.remove')"
        :title="t('pages.remove')"
        @click="remove">
        <Icon name="lucide:trash-2" />
      </button>
    </template>
  </nav>
</template>
