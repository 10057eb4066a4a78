<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { allowArrows, allowNotes, notesAllowed } from '~~/core/design/otherPieces'
import { scrambleLedge } from '~~/core/design/pieces'
import { setBoardTools, setPageTools } from '~~/core/design/tools'
import { freshIds } from '~/composables/workbench/useIds'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const KINDS = ['words', 'pictures', 'tiles', 'others'] as const

const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const open = ref<(typeof KINDS)[number]>('words')
const words = useTemplateRef<{ addText: (text: string) => void }>('words')
const pictures = useTemplateRef<{ add: (files: Iterable<File>) => Promise<void> }>('pictures')
const ICONS = { words: 'lucide:list', pictures: 'lucide:image', tiles: 'lucide:blocks', others: 'lucide:tag' } as const
const again = () => bench.change(scrambleLedge(bench.board.value, page.id, unforeseen), '', 'laid')
async function show(kind: (typeof KINDS)[number]) {
  open.value = kind
  await nextTick()
}
defineExpose({
  addText: async (text: string) => {
    await show('words')
    words.value?.addText(text)
  },
  addPictures: async (files: Iterable<File>) => {
    await show('pictures')
    await pictures.value?.add(files)
  },
})
</script>

<template>
  <div class="flex flex-col gap-5">
    <slot />
    <div class="grid grid-cols-2 gap-2" role="group" :aria-label="t('pieces.what')">
      <button
        v-for="kind in KINDS"
        :key="kind"
        type="button"
        class="button px-2"
        :class="open === kind ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
        :aria-pressed="open === kind"
        @click="open = kind">
        <Icon :name="ICONS[kind]" />{{ t(`pieces.kinds.${kind}`) }}
      </button>
    </div>
    <WorkbenchPiecesWordMaker v-if="open === 'words'" ref="words" :bench="bench" :page="page" />
    <WorkbenchPiecesPictureMaker v-else-if="open === 'pictures'" ref="pictures" :bench="bench" :page="page" />
    <WorkbenchPiecesTileMaker v-else-if="open === 'tiles'" :bench="bench" :page="page" />
    <WorkbenchPiecesOtherMaker v-else :bench="bench" :page="page" />
    <label class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="page.arrows ?? false"
        @change="
          bench.change(allowArrows(bench.board.value, page.id, ($event.target as HTMLInputElement).checked))
        " />{{ t('pieces.arrows') }}</label
    >
    <!-- Notes are given with the tools; a page that has a pile of them keeps it until it is taken away. -->
    <label v-if="notesAllowed(page)" class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="notesAllowed(page)"
        @change="
          bench.change(
            allowNotes({
              board: bench.board.value,
              pageId: page.id,
              allowed: ($event.target as HTMLInputElement).checked,
              text: t('others.named.note'),
              ids: freshIds,
            }),
          )
        " />{{ t('pieces.notes') }}</label
    >
    <WorkbenchToolChooser
      :tools="bench.board.value.tools ?? []"
      :legend="t('giveTools.board')"
      @choose="bench.change(setBoardTools(bench.board.value, $event ?? []))" />
    <WorkbenchToolChooser
      v-if="bench.board.value.pages.length > 1"
      :tools="page.tools ?? null"
      :legend="t('giveTools.page')"
      :otherwise="{ words: t('giveTools.asBoard'), tools: bench.board.value.tools ?? [] }"
      @choose="bench.change(setPageTools(bench.board.value, page.id, $event))" />
    <template v-if="page.pieces.length">
      <WorkbenchPiecesMasterList :bench="bench" :page="page" />
      <button type="button" class="button" @click="again">
        <Icon name="lucide:shuffle" />{{ t('pieces.scramble') }}
      </button>
      <WorkbenchPiecesPieceList :bench="bench" :page="page" />
      <p class="note-line">{{ t('pieces.stage') }}</p>
    </template>
  </div>
</template>
