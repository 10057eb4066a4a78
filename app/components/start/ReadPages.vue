<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Board } from '~~/core/board/board'
import { FigureIdSchema, PageIdSchema, type FileHash } from '~~/core/board/ids'
import { boardFromSlides, PAGE_USES, type Kept, type PageUse } from '~~/core/reading/slides/compose'
import type { Lost } from '~~/core/reading/lost'
import type { ReadIn } from '~/composables/common/readIn'
import { freshIds } from '~/composables/workbench/useIds'

type Slides = Extract<ReadIn, { kind: 'slides' }>
/** Pages of a file that was made elsewhere: what becomes of each is chosen beside its picture. */
const { read, title } = defineProps<{ read: Slides | null; title: string }>()
const emit = defineEmits<{ close: []; made: [board: Board] }>()
const { t } = useWords()
const uses = ref<PageUse[]>([])
watch(
  () => read,
  now => (uses.value = now?.slides.pages.map(page => (page.hidden ? 'left-out' : 'printed')) ?? []),
  { immediate: true },
)
const ids = {
  ...freshIds,
  page: () => v.parse(PageIdSchema, nanoid()),
  figure: () => v.parse(FigureIdSchema, nanoid()),
}
const pictures = computed(
  () =>
    new Map<string, Kept>(
      read?.pictures.map(({ source, file, pixelWidth, pixelHeight }) => [
        source,
        { file: file as FileHash, pixelWidth, pixelHeight },
      ]),
    ),
)
const board = (used: readonly PageUse[], slides = read!.slides.pages) =>
  boardFromSlides({ title, slides, uses: used, pictures: pictures.value }, ids)

/** A page as it would be, by its number and use: drawn again only when its use changes. */
const seen = new Map<string, Board>()
watch(
  () => read,
  () => seen.clear(),
)
function look(i: number): Board {
  const use = uses.value[i]!
  const key = `${i} ${use}`
  const made = seen.get(key) ?? board([use === 'left-out' ? 'printed' : use], [read!.slides.pages[i]!]).board
  seen.set(key, made)
  return made
}
const used = computed(() => uses.value.filter(use => use !== 'left-out').length)
/** The same for all pages that are used; empty while they differ. */
const all = computed(() => (new Set(uses.value).size === 1 ? uses.value[0]! : ''))
const setAll = (event: Event) => {
  const use = PAGE_USES.find(one => one === (event.target as HTMLSelectElement).value)
  if (use) uses.value = uses.value.map(() => use)
}
/** Of pages that are left out nothing is lost. */
const lost = computed<readonly Lost[]>(() => {
  const found = read?.slides.lost.filter(one => one.page === null || uses.value[one.page - 1] !== 'left-out') ?? []
  return read && used.value ? [...found, ...board(uses.value).lost] : found
})
</script>

<template>
  <UiAsk :open="read !== null" :title="t('readIn.title', { title })" wide @close="emit('close')">
    <template v-if="read">
      <p class="mb-3">{{ t('readIn.how') }}</p>
      <div class="mb-3 flex flex-wrap items-end gap-3">
        <label v-if="uses.length > 1"
          ><span class="label">{{ t('readIn.allPages') }}</span
          ><select class="field w-96 max-w-full" :value="all" @change="setAll">
            <option value="" disabled>{{ t('readIn.mixed') }}</option>
            <option v-for="use in PAGE_USES" :key="use" :value="use">{{ t(`readIn.uses.${use}`) }}</option>
          </select></label
        >
        <slot />
      </div>
      <ol class="grid gap-4 sm:grid-cols-2" data-test="read-pages">
        <li v-for="(slide, i) in read.slides.pages" :key="i">
          <BoardThumbnail
            :class="uses[i] === 'left-out' ? 'opacity-50' : ''"
            :board="look(i)"
            :ledge="uses[i] === 'ledge'"
            lazily />
          <label class="mt-1 block"
            ><span class="label"
              >{{ t('pages.page', { number: i + 1 }) }}<template v-if="slide.name">: {{ slide.name }}</template></span
            ><select v-model="uses[i]" class="field">
              <option v-for="use in PAGE_USES" :key="use" :value="use">{{ t(`readIn.uses.${use}`) }}</option>
            </select></label
          >
        </li>
      </ol>
      <StartLost :lost="lost" />
    </template>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button
        type="button"
        class="button button-action"
        :disabled="used === 0"
        @click="emit('made', board(uses).board)">
        {{ t('readIn.make', { count: used }) }}
      </button>
    </template>
  </UiAsk>
</template>
