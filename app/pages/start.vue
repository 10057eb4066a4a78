<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Board } from '~~/core/board/board'
import { PageIdSchema, type PageId } from '~~/core/board/ids'
import { pagesAlone } from '~~/core/design/pages'
import { readGroups, wordSort } from '~~/core/design/wordSort'
import { ORGANIZERS } from '~~/core/organizers/organizers'
import { boardOf, PURPOSES, type Purpose } from '~~/core/organizers/plan'
import { asText, type Sheet } from '~~/core/reading/sheets/sheet'
import type { ReadIn } from '~/composables/common/readIn'
import { freshIds } from '~/composables/workbench/useIds'
import type { OnShelf } from '~/composables/shelf/useShelf'

/** What is read: boards, slides, drawings, spreadsheets, questions; pictures and PDF go the other way. */
const READ_IN = '.json,.pptx,.odp,.odg,.svg,.xlsx,.ods,.csv,.tsv,.txt,.zip,.xml,image/*,application/pdf'
definePageMeta({ for: 'teacher' })
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const title = ref('')
const field = useTemplateRef<HTMLInputElement>('field')
const unnamed = ref(false)
const purpose = ref<Purpose | 'own' | null>(null)
const search = ref('')
const wording = ref(false)
const picking = ref(false)
const list = ref('')
const groups = computed(() => readGroups(list.value))
const boards = await askFor<OnShelf[]>('/api/boards')
const own = boards.filter(b => b.organizer && !b.archived)
const shipped = ORGANIZERS.map(organizer => ({ organizer, board: boardOf(organizer) }))
useHead({ title: () => t('start.title') })
onMounted(() => field.value?.focus())

const asked = computed(() => search.value.trim().toLocaleLowerCase('en'))
const found = computed(() =>
  shipped.filter(
    ({ organizer: o }) =>
      (purpose.value === null || purpose.value === o.purpose)
      && [o.title, ...o.words, ...o.subjects].some(w => w.toLocaleLowerCase('en').includes(asked.value)),
  ),
)
const ownFound = computed(() =>
  purpose.value === null || purpose.value === 'own'
    ? own.filter(b => b.title.toLocaleLowerCase('en').includes(asked.value))
    : [],
)

/** A board is named before it is made; of an organizer its own name will do. */
function named(fallback = ''): string | null {
  const name = title.value.trim() || fallback
  unnamed.value = !name
  if (!name) field.value?.focus()
  return name || null
}
const { keyFor } = useOnce()
async function make(name: string | null, board?: Board) {
  if (!name) return
  const body = { title: name, ...(board && { board: { ...board, title: name } }) }
  const made = await attempt(() => ask('/api/boards', { method: 'POST', body, once: keyFor(body) }))
  if (made) await navigateTo(`/board/${made.id}`)
}
async function fromOwn(id: string, fallback: string) {
  const name = named(fallback)
  const whole = name && (await attempt(() => askFor<{ board: Board }>(`/api/boards/${id}`)))
  if (whole) await make(name, whole.board)
}
async function fromPages(from: Board, pages: ReadonlySet<PageId>) {
  picking.value = false
  await make(named(from.title), pagesAlone(from, pages))
}
const askWords = () => {
  sheets.value = []
  wording.value = true
}
const fromWords = () => {
  const name = named()
  if (name) void make(name, wordSort(name, groups.value, { ...freshIds, page: () => v.parse(PageIdSchema, nanoid()) }))
  else wording.value = false
}
/** The workbench takes the file up as if it had been added there. */
const waiting = useWaitingFile()
async function fromWorksheet(file: File | null | undefined) {
  if (!file) return
  waiting.value = file
  await make(named(titleOf(file)))
}

/** What was found in a file that was made elsewhere, while it is looked at. */
const reading = shallowRef<{ file: File; read: ReadIn } | null>(null)
const slides = computed(() => (reading.value?.read.kind === 'slides' ? reading.value.read : null))
const questions = computed(() => (reading.value?.read.kind === 'board' ? reading.value.read : null))
const isDrawing = computed(() => /\.svg$/i.test(reading.value?.file.name ?? ''))
/** What the board will be called: what was typed, what the file says, or how it is named. */
const readTitle = computed(() => {
  if (!reading.value) return ''
  const { read, file } = reading.value
  const own = read.kind === 'slides' ? read.slides.title : read.kind === 'board' ? read.board.title : ''
  return title.value.trim() || own.slice(0, 120).trim() || titleOf(file) || t('readIn.unnamed')
})
/** The name of a file that is on its way, or is being read. */
const beingRead = ref('')
const sheets = shallowRef<readonly Sheet[]>([])
const takeSheet = (sheet: Sheet) => (list.value = asText(sheet))
function showWords(file: File, found: readonly Sheet[]) {
  const some = found.filter(sheet => sheet.rows.length)
  if (some.length === 0) return void (trouble.value = t('readIn.noWords'))
  sheets.value = some
  title.value ||= titleOf(file)
  takeSheet(some[0]!)
  wording.value = true
}
async function fromElsewhere(file: File) {
  trouble.value = ''
  const words = await wordsOf(file)
  if (words) return showWords(file, [words])
  beingRead.value = file.name
  const read = await attempt(() => readInFile(file)).finally(() => (beingRead.value = ''))
  if (read?.kind === 'sheets') showWords(file, read.sheets)
  else if (read) reading.value = { file, read }
}
async function madeOf(board: Board) {
  const name = readTitle.value
  reading.value = null
  await make(name, board)
}
async function fromFile(file: File | undefined) {
  if (!file) return
  if (/^image\/(?!svg)|\/pdf$/.test(file.type)) return fromWorksheet(file)
  if (!/\.json$/i.test(file.name)) return fromElsewhere(file)
  const data = await file
    .text()
    .then(text => JSON.parse(text) as Record<string, unknown>)
    .catch(() => null)
  if (data === null) return void (trouble.value = t('refused.bad-file'))
  const made = await attempt(() => ask('/api/boards/import', { method: 'POST', body: data }))
  if (made) await navigateTo(`/board/${made.id}${made.missing ? `?missing=${made.missing}` : ''}`)
}
/** Taken from a field for files, which lets the same file be chosen again. */
function chosen(event: Event): File | undefined {
  const field = event.target as HTMLInputElement
  const [file] = field.files ?? []
  field.value = ''
  return file
}
const count = computed(() => groups.value.groups.length)
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto max-w-6xl p-6">
      <h1 class="sr-only">{{ t('start.title') }}</h1>
      <label class="block max-w-2xl"
        ><span class="mb-1 block text-xl font-bold">{{ t('start.name') }}</span
        ><input
          ref="field"
          v-model="title"
          class="field text-lg"
          maxlength="120"
          :aria-invalid="unnamed"
          @input="unnamed = false"
          @keydown.enter="make(named())"
      /></label>
      <p v-if="unnamed" class="mt-2 font-semibold text-danger" role="alert">{{ t('start.nameFirst') }}</p>
      <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
      <p v-if="beingRead" class="mt-3 font-semibold" role="status">{{ t('readIn.reading', { name: beingRead }) }}</p>
      <div class="mb-8 mt-4 flex flex-wrap gap-3">
        <button type="button" class="button button-action" :disabled="busy" @click="make(named())">
          <Icon name="lucide:file" />{{ t('start.nothing') }}
        </button>
        <button type="button" class="button" @click="askWords">
          <Icon name="lucide:list" />{{ t('start.words') }}
        </button>
        <label class="button"
          ><Icon name="lucide:file-image" />{{ t('start.worksheet')
          }}<input
            type="file"
            accept="image/*,application/pdf,.pdf"
            class="sr-only"
            data-test="worksheet-file"
            @change="fromWorksheet(chosen($event))"
        /></label>
        <button v-if="boards.length" type="button" class="button" @click="picking = true">
          <Icon name="lucide:files" />{{ t('start.pages') }}
        </button>
        <label class="button"
          ><Icon name="lucide:file-input" />{{ t('start.file')
          }}<input
            type="file"
            :accept="READ_IN"
            class="sr-only"
            data-test="board-file"
            @change="fromFile(chosen($event))"
        /></label>
      </div>
      <div class="mb-2 flex flex-wrap items-center gap-2">
        <h2 class="text-xl font-bold">{{ t('start.or') }}</h2>
        <label class="ml-auto"
          ><span class="sr-only">{{ t('start.search') }}</span
          ><input v-model="search" type="search" class="field w-52" :placeholder="t('start.search')"
        /></label>
      </div>
      <div class="mb-4 flex flex-wrap items-center gap-2">
        <button
          type="button"
          class="button min-h-9 px-3 py-1"
          :class="purpose === null ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="purpose === null"
          @click="purpose = null">
          {{ t('start.all') }}
        </button>
        <button
          v-if="own.length"
          type="button"
          class="button min-h-9 px-3 py-1"
          :class="purpose === 'own' ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="purpose === 'own'"
          @click="purpose = 'own'">
          {{ t('start.own') }}
        </button>
        <button
          v-for="name in PURPOSES"
          :key="name"
          type="button"
          class="button min-h-9 px-3 py-1"
          :class="purpose === name ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="purpose === name"
          @click="purpose = name">
          {{ t(`start.purposes.${name}`) }}
        </button>
      </div>
      <p v-if="found.length + ownFound.length === 0" class="panel">{{ t('start.notFound', { words: search }) }}</p>
      <ul class="grid grid-cols-2 gap-4 md:grid-cols-3 lg:grid-cols-4" data-test="organizers">
        <li v-for="board in ownFound" :key="board.id">
          <button
            type="button"
            class="w-full rounded-lg text-left"
            :disabled="busy"
            @click="fromOwn(board.id, board.title)">
            <BoardThumbnail :board="board.picture" :label="t('start.use', { title: board.title })" ledge /><span
              class="mt-1 block font-bold"
              >{{ board.title }}</span
            >
          </button>
        </li>
        <li v-for="{ organizer, board } in found" :key="organizer.name">
          <button
            type="button"
            class="w-full rounded-lg text-left"
            :disabled="busy"
            @click="make(named(organizer.title), board)">
            <BoardThumbnail :board="board" :label="t('start.use', { title: organizer.title })" /><span
              class="mt-1 block font-bold"
              >{{ organizer.title }}</span
            >
          </button>
        </li>
      </ul>
    </main>
    <BoardPickPages :open="picking" :title="t('start.pagesTitle')" @close="picking = false" @picked="fromPages" />
    <StartReadPages :read="slides" :title="readTitle" @close="reading = null" @made="madeOf">
      <button v-if="isDrawing" type="button" class="button" @click="fromWorksheet(reading?.file)">
        <Icon name="lucide:image" />{{ t('readIn.asPicture') }}
      </button>
    </StartReadPages>
    <StartReadBoard :read="questions" :title="readTitle" @close="reading = null" @made="madeOf" />
    <UiAsk :open="wording" :title="t('start.wordsTitle')" @close="wording = false">
      <label v-if="sheets.length > 1" class="mb-3 block"
        ><span class="label">{{ t('readIn.sheet') }}</span
        ><select class="field" @change="takeSheet(sheets[Number(($event.target as HTMLSelectElement).value)]!)">
          <option v-for="(sheet, i) in sheets" :key="i" :value="i">{{ sheet.name }}</option>
        </select></label
      >
      <label
        ><span class="label">{{ t('start.wordsHow') }}</span
        ><textarea
          v-model="list"
          class="field"
          rows="8"
          :placeholder="t('start.wordsExample')"
          data-test="word-groups" />
      </label>
      <p class="note-line" role="status">
        {{ t('start.wordsRead', { count }) }} ·
        {{ t('shelf.pieces', { count: groups.groups.flatMap(g => g.words).length + groups.loose.length }) }}
      </p>
      <template #buttons>
        <button type="button" class="button" @click="wording = false">{{ t('app.cancel') }}</button>
        <button
          type="button"
          class="button button-action"
          :disabled="busy || (!count && !groups.loose.length)"
          @click="fromWords">
          {{ t('start.makeSort') }}
        </button>
      </template>
    </UiAsk>
  </div>
</template>
