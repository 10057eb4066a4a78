<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Page } from '~~/core/board/board'
import type { PageId } from '~~/core/board/ids'
import { addPrintedPages, MOST_PAGES, type PrintedPage } from '~~/core/design/pages'
import { openPdf, type Pdf, type PdfTrouble } from '~/composables/workbench/usePdf'
import { useUpload } from '~/composables/workbench/useUpload'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** A PDF worksheet: which of its pages become pages of the board. */
const { file, bench, page } = defineProps<{ file: File; bench: Workbench; page: Page }>()
const emit = defineEmits<{ close: []; open: [id: PageId] }>()
const { t } = useWords()
const { upload, trouble: refused } = useUpload()
const pdf = shallowRef<Pdf | null>(null)
const trouble = ref<PdfTrouble | 'too-big' | null>(null)
/** Pages that can't be drawn, though the PDF was opened. */
const unread = ref<number[]>([])
const small = ref<string[]>([])
const ticked = ref(new Set<number>())
const made = ref<number | null>(null)
let stopped = false

const name = file.name.replace(/\.pdf$/i, '')
const room = computed(() => MOST_PAGES - bench.board.value.pages.length + 1)

async function look() {
  const opened = await openPdf(file)
  if ('trouble' in opened) return void (trouble.value = opened.trouble)
  if (stopped) return opened.pdf.close()
  pdf.value = opened.pdf
  const count = opened.pdf.pages
  ticked.value = new Set(Array.from({ length: Math.min(count, room.value) }, (_, i) => i + 1))
  for (let n = 1; n <= count && !stopped; n++)
    small.value.push(await opened.pdf.small(n).then(URL.createObjectURL, () => ''))
}
void look()
onBeforeUnmount(() => {
  stopped = true
  pdf.value?.close()
  for (const url of small.value) URL.revokeObjectURL(url)
})

function tick(n: number) {
  if (!ticked.value.delete(n)) ticked.value.add(n)
}
/** What is done when it is stopped, or when one page fails, stays: each page is whole by itself. */
async function add() {
  const printed: PrintedPage[] = []
  const done = new Set<number>()
  made.value = 0
  unread.value = []
  for (const n of [...ticked.value].toSorted((a, b) => a - b).slice(0, room.value)) {
    if (stopped) break
    const picture = await pdf.value!.picture(n, `${name} ${n}`).catch(() => null)
    if (!picture) {
      if (!stopped) unread.value.push(n)
      continue
    }
    const [kept] = await upload([picture.file])
    if (!kept) break
    done.add(n)
    printed.push({
      size: picture.size,
      picture: {
        file: kept.hash,
        pixelWidth: kept.width,
        pixelHeight: kept.height,
        alt: t('worksheet.alt', { name, number: n }).slice(0, 300),
      },
    })
    made.value = printed.length
  }
  const at = bench.board.value.pages.findIndex(p => p.id === page.id)
  const before = bench.board.value
  bench.change(addPrintedPages(before, page.id, printed, nanoid))
  const first =
    bench.board.value.pages.length > before.pages.length && bench.board.value.pages[at] === before.pages[at]
      ? at + 1
      : at
  emit('open', bench.board.value.pages[first]!.id)
  made.value = null
  // What was refused can be tried again as it is ticked.
  ticked.value = new Set([...ticked.value].filter(n => !done.has(n) && !unread.value.includes(n)))
  if (stopped || (!unread.value.length && !refused.value)) emit('close')
}
</script>

<template>
  <UiAsk open :title="t('worksheet.title')" @close="((stopped = true), emit('close'))">
    <p v-if="unread.length" class="trouble mb-2" role="alert">
      {{ t('worksheet.unread', { pages: unread.join(', '), count: unread.length }) }}
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ t(`worksheet.trouble.${trouble}`) }}</p>
    <p v-else-if="refused" class="trouble" role="alert">{{ refused }}</p>
    <p v-else-if="!pdf" role="status">{{ t('worksheet.opening') }}</p>
    <template v-if="pdf">
      <p class="note-line mb-2">
        {{ pdf.pages > room ? t('worksheet.tooMany', { count: pdf.pages, room }) : t('worksheet.how') }}
      </p>
      <ul class="grid max-h-96 grid-cols-3 gap-3 overflow-auto p-1">
        <li v-for="n in pdf.pages" :key="n">
          <label
            class="block cursor-pointer rounded-lg border p-1"
            :class="ticked.has(n) ? 'border-leaf-700 bg-leaf-100 text-stone-950' : 'border-panel-line'">
            <img v-if="small[n - 1]" :src="small[n - 1]" alt="" class="mx-auto max-h-36 bg-white" /><span
              v-else
              class="block h-36" />
            <span class="flex min-h-9 items-center gap-2"
              ><input
                type="checkbox"
                class="h-5 w-5 shrink-0 accent-leaf-600"
                :checked="ticked.has(n)"
                @change="tick(n)" />{{ t('pages.page', { number: n }) }}</span
            >
          </label>
        </li>
      </ul>
    </template>
    <template #buttons>
      <p v-if="made !== null" class="mr-auto self-center" role="status">
        {{ t('worksheet.making', { made, of: ticked.size }) }}
      </p>
      <button v-if="made !== null" type="button" class="button" @click="stopped = true">
        {{ t('worksheet.stop') }}
      </button>
      <button v-else type="button" class="button" @click="emit('close')">
        {{ t(unread.length ? 'app.close' : 'app.cancel') }}
      </button>
      <button
        type="button"
        class="button button-action"
        :disabled="!pdf || ticked.size === 0 || made !== null"
        @click="add">
        {{ t('worksheet.add', { count: Math.min(ticked.size, room) }) }}
      </button>
    </template>
  </UiAsk>
</template>
