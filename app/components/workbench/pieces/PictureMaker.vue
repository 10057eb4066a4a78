<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { FileHash } from '~~/core/board/ids'
import { addPictureCards } from '~~/core/design/pieces'
import { freshIds } from '~/composables/workbench/useIds'
import { picturesIn, useUpload } from '~/composables/workbench/useUpload'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Picture cards from one's own files, or from the library that ships with the application. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const { upload, trouble, busy } = useUpload()
const { attempt, trouble: libraryTrouble } = useAsking()
const worded = ref(false)
/** What was added is said, for it appears elsewhere: on the ledge. */
const added = ref('')

function addCards(cards: { hash: FileHash; width: number; height: number; name: string }[]) {
  if (cards.length === 0) return
  bench.change(
    addPictureCards(
      bench.board.value,
      page.id,
      cards.map(({ hash, width, height, name }) => ({
        file: hash,
        pixelWidth: width,
        pixelHeight: height,
        text: worded.value ? name : '',
        alt: name,
      })),
      freshIds,
    ),
  )
  added.value = t('pieces.didAdd', { names: cards.map(card => card.name).join(', ') })
}
const add = async (files: Iterable<File>) => addCards(await upload(picturesIn(files)))
async function take({ name, words }: { name: string; words: string }) {
  const kept = await attempt(() => ask(`/api/library/${name}`, { method: 'POST', body: {} }))
  if (kept) addCards([{ ...kept, name: words }])
}
defineExpose({ add })
</script>

<template>
  <div class="flex flex-col gap-3">
    <label class="button w-full">
      <Icon name="lucide:image-plus" />{{ busy ? t('backdrop.sending') : t('pieces.addPictures') }}
      <input
        type="file"
        accept="image/*"
        multiple
        class="sr-only"
        data-test="piece-files"
        @change="add(($event.target as HTMLInputElement).files ?? [])" />
    </label>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p class="sr-only" role="status">{{ added }}</p>
    <BoardPictureShelf :label="t('pieces.library')" narrow @take="take">
      <label class="flex min-h-9 items-center gap-2"
        ><input v-model="worded" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{
          t('pieces.withWord')
        }}</label
      >
      <p v-if="libraryTrouble" class="trouble" role="alert">{{ libraryTrouble }}</p>
    </BoardPictureShelf>
  </div>
</template>
