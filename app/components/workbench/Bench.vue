<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Board } from '~~/core/board/board'
import type { PageId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import { setSpoken } from '~~/core/design/clips'
import type { Item, Layer } from '~~/core/design/items'
import { takeSheets } from '~~/core/design/pages'
import { sheetOf } from '~~/core/design/sheet'
import { stagedPut } from '~~/core/design/staging'
import { itemBox } from '~~/core/layout/itemBox'
import type { Found } from '~~/core/preflight/preflight'
import type { Move } from '~~/core/slate/move'
import { startOf } from '~~/core/slate/state'
import { useKeyMaking } from '~/composables/workbench/useKeyMaking'
import { STATIONS, useWorkbench, type Station } from '~/composables/workbench/useWorkbench'

/** Where a board is designed. Only the layer of the open station can be touched. */
const { id, first, version } = defineProps<{ id: string; first: Board; version: number }>()
const emit = defineEmits<{ again: [] }>()
const { t } = useWords()
const bench = useWorkbench(id, first, version)
const { board, edition, keeping } = bench
/** Where one was, after the window was loaded anew. */
const wasAt = useSessionStorage<{ station?: string; page?: string }>(`open at ${id}`, {})
const station = ref<Station>(STATIONS.find(one => one === wasAt.value.station) ?? 'backdrop')
const trying = ref(false)
const givingOut = ref(false)
const taking = ref(false)
const shown = shallowRef<Found | null>(null)
const findings = usePreflight(board)
const openPage = ref<PageId>((board.value.pages.find(p => p.id === wasAt.value.page) ?? board.value.pages[0]!).id)
watch([station, openPage], ([at, open]) => (wasAt.value = { station: at, page: open }))
const page = computed(() => board.value.pages.find(p => p.id === openPage.value) ?? board.value.pages[0]!)
/** The places and figures that a finding is about, shown on the page; its pieces are marked where they stand. */
const shownBoxes = computed(() => (shown.value?.subjects ?? []).flatMap(id => itemBox(id, page.value) ?? []))
const backdropPanel = useTemplateRef<{
  add: (files: Iterable<File>) => Promise<void>
  addText: (text: string) => void
}>('backdropPanel')
const placesPanel = useTemplateRef<{ addText: (text: string) => void }>('placesPanel')
const piecesPanel = useTemplateRef<{
  addPictures: (files: Iterable<File>) => Promise<void>
  addText: (text: string) => void
}>('piecesPanel')
const answers = useKeyMaking(
  bench,
  () => page.value,
  () => station.value === 'answers',
)
const layer = computed((): Layer | null =>
  station.value === 'backdrop' || station.value === 'places' || station.value === 'pieces' ? station.value : null,
)
const hands = useHands(
  bench,
  () => page.value,
  () => layer.value,
)
const room = useTemplateRef<HTMLElement>('room')
const zoom = useZoom(room, () => !trying.value)
useHead({ title: () => board.value.title })

const waiting = useWaitingFile()
onMounted(() => {
  const file = waiting.value
  waiting.value = null
  if (file) addPictures([file])
})
const missing = Number(useRoute().query.missing) || 0
const aside = useTemplateRef<HTMLElement>('aside')
// What can be set for the thing that was just chosen, or is being done, stands at the top.
watch(
  () => hands.outlining.value ?? [...hands.selected.value].join(),
  now => now && aside.value?.scrollTo({ top: 0 }),
)
watch([station, () => page.value.id], () => {
  shown.value = null
  if (station.value === 'answers') answers.again()
})
const state = computed(() => (station.value === 'answers' ? answers.state.value : startOf(edition.value)))
const done = computed(
  () =>
    new Set<Station>([
      ...(page.value.backdrop.pictures.length || page.value.backdrop.ruling.kind !== 'none' || board.value.instructions
        ? ['backdrop' as const]
        : []),
      ...(page.value.places.length ? ['places' as const] : []),
      ...(page.value.pieces.length ? ['pieces' as const] : []),
      ...(board.value.keys.length ? ['answers' as const] : []),
      ...(page.value.pieces.length && findings.value?.length === 0 ? ['check' as const] : []),
    ]),
)

const make = (move: Move) => {
  if (station.value === 'answers') answers.make(move)
  // At Pieces a piece that is put on the page lies there from the start.
  else if (station.value === 'pieces') bench.change(stagedPut(board.value, page.value.id, move))
}
function show(finding: Found) {
  if (board.value.pages.some(p => p.id === finding.page)) openPage.value = finding.page
  void nextTick(() => (shown.value = finding))
}
/** They come behind the open page, and the first of them is open then. */
function takePages(from: Board, pages: ReadonlySet<PageId>) {
  bench.change(
    takeSheets(
      board.value,
      page.value.id,
      from.pages.filter(p => pages.has(p.id)).map(p => sheetOf(from, p.id)),
      nanoid,
    ),
  )
  openPage.value = board.value.pages[board.value.pages.findIndex(p => p.id === page.value.id) + 1]?.id ?? page.value.id
  taking.value = false
}
async function addPictures(files: Iterable<File>) {
  if (station.value === 'pieces') return void piecesPanel.value?.addPictures(files)
  // Places have no pictures of their own: it is printed under them.
  if (station.value === 'places') station.value = 'backdrop'
  await nextTick()
  void backdropPanel.value?.add(files)
}
function addText(words: string) {
  if (station.value === 'pieces') piecesPanel.value?.addText(words)
  else if (station.value === 'places') placesPanel.value?.addText(words)
  else if (station.value === 'backdrop') backdropPanel.value?.addText(words)
}
/** Where the words of what is selected are written, with all of them marked, so that typing replaces them. */
async function writeWords() {
  await nextTick()
  const fields = [...(aside.value?.querySelectorAll<HTMLInputElement>('[data-words]') ?? [])]
  const field = fields.find(one => one.dataset.words === hands.only.value?.id) ?? fields.find(one => !one.dataset.words)
  field?.focus()
  field?.select()
}
const { attempt, trouble } = useAsking()
const { keyFor } = useOnce()
/** What can't be kept as this board any more is kept as another one. */
async function keepAsNew() {
  const title = [...t('workbench.copyOf', { name: board.value.title })].slice(0, 120).join('')
  const body = { title, board: { ...board.value, title } }
  const made = await attempt(() => ask('/api/boards', { method: 'POST', body, once: keyFor(body) }))
  if (!made) return
  bench.letGo()
  await navigateTo(`/board/${made.id}`)
}
function openNewer() {
  bench.letGo()
  emit('again')
}
const drop = (event: DragEvent) => addPictures(event.dataTransfer?.files ?? [])

function labelOf(item: Item): string {
  const { backdrop, places, pieces, steps } = page.value
  switch (item.kind) {
    case 'picture':
      return t('backdrop.pictureOn', {
        name: backdrop.pictures.find(p => p.id === item.id)?.alt || t('backdrop.unnamed'),
      })
    case 'figure':
      return t('backdrop.figureOn', {
        text: backdrop.figures?.find(f => f.id === item.id)?.text || t('backdrop.unnamed'),
      })
    case 'line':
      return t('backdrop.lineOn')
    case 'clip':
      return t('clipMaker.clipOn', { name: backdrop.clips?.find(c => c.id === item.id)?.name || t('backdrop.unnamed') })
    case 'link':
      return t('clipMaker.linkOn', { name: backdrop.links?.find(l => l.id === item.id)?.name || t('backdrop.unnamed') })
    case 'step':
      return t('steps.step', { number: (steps ?? []).findIndex(s => s.id === item.id) + 1 })
    case 'piece':
      return t('pieces.onPage', { name: pieceName(pieces.find(p => p.id === item.id)!) })
    case 'place': {
      const place = places.find(p => p.id === item.id)!
      const kind = t(`places.kinds.${place.kind}`)
      return place.heading
        ? t('places.placeIs', { kind, heading: place.heading })
        : t('places.placeNth', { kind, number: placeNumber(place, { places }) })
    }
  }
}

useBoardClipboard(
  { hands, sheet: hands.paste, pictures: addPictures, text: addText },
  () => layer.value !== null && !trying.value && !givingOut.value && !taking.value,
)

const inDialog = () => trying.value || givingOut.value || taking.value
onKeyStroke(['z', 'Z', 'y', 'Y'], event => {
  // Inside a field the browser's own undo is what people expect.
  if (!(event.ctrlKey || event.metaKey) || inField(event) || inDialog()) return
  event.preventDefault()
  if (event.key.toLowerCase() === 'y' || event.shiftKey) answers.redo()
  else answers.undo()
})
onKeyStroke(['Delete', 'Backspace', 'Escape', 'a'], event => {
  if (inField(event) || inDialog() || !layer.value) return
  if (event.key === 'Escape') {
    hands.endOutlines()
    return hands.clear()
  }
  if (event.key === 'a' ? !(event.ctrlKey || event.metaKey) : hands.selected.value.size === 0) return
  event.preventDefault()
  if (event.key === 'a') hands.all()
  else hands.remove()
})
</script>

<template>
  <!-- In a window too small for page and panel side by side, as at 200 %, the panel stands below the page and all of it
       scrolls. -->
  <div class="flex h-dvh min-h-[36rem] flex-col max-md:h-auto low:h-auto">
    <header
      v-show="!trying"
      class="flex min-h-16 flex-wrap items-center gap-x-4 gap-y-2 bg-stone-900 px-4 py-2 text-white">
      <NuxtLink to="/shelf" :aria-label="t('workbench.toShelf')" class="flex min-h-11 items-center"
        ><UiMark
      /></NuxtLink>
      <div class="min-w-0 max-w-96 flex-1 basis-48">
        <h1 class="sr-only">{{ board.title }}</h1>
        <input
          class="w-full truncate rounded bg-transparent px-1 text-lg font-bold hover:bg-stone-800"
          maxlength="120"
          :value="board.title"
          :title="board.title"
          :aria-label="t('workbench.name')"
          @input="bench.change({ ...board, title: ($event.target as HTMLInputElement).value }, 'title')" />
        <p
          class="px-1 text-sm"
          :class="keeping === 'kept' || keeping === 'keeping' ? 'text-stone-300' : 'font-bold text-sunfleck-400'"
          role="status"
          data-test="keeping">
          {{ t(`workbench.keeping.${keeping}`) }}
        </p>
      </div>
      <WorkbenchStations v-model="station" :done="done" />
      <div class="ml-auto flex flex-wrap items-center justify-end gap-2">
        <BoardZoomButtons :zoom="zoom" dark />
        <button
          type="button"
          class="button button-dark px-3"
          :disabled="!answers.canUndo.value"
          :aria-label="t('workbench.undo')"
          :title="t('workbench.undo')"
          @click="answers.undo">
          <Icon name="lucide:undo-2" size="20" />
        </button>
        <button
          type="button"
          class="button button-dark px-3"
          :disabled="!answers.canRedo.value"
          :aria-label="t('workbench.redo')"
          :title="t('workbench.redo')"
          @click="answers.redo">
          <Icon name="lucide:redo-2" size="20" />
        </button>
        <button type="button" class="button button-action" @click="givingOut = true">{{ t('giveOut.button') }}</button>
      </div>
    </header>

    <main v-show="!trying" class="flex min-h-0 flex-1 flex-col gap-4 p-4 max-md:flex-none md:flex-row low:flex-none">
      <div
        class="flex min-h-80 min-w-0 flex-1 flex-col gap-3 max-md:h-[34rem] max-md:flex-none md:low:sticky md:low:top-2 md:low:h-[calc(100dvh-1rem)] md:low:flex-1"
        @dragover.prevent
        @drop.prevent="drop">
        <div
          class="flex items-center gap-3 rounded-xl border-l-[6px] border-sunfleck-400 bg-sunfleck-100 px-4 py-1.5 text-stone-950">
          <label class="flex min-w-0 flex-1 items-center gap-3">
            <span class="shrink-0 text-sm font-semibold">{{ t('workbench.instructions') }}</span>
            <input
              class="board-text min-h-11 w-full rounded bg-transparent px-2 text-lg placeholder:text-stone-600"
              maxlength="1000"
              :value="board.instructions"
              :placeholder="t('workbench.instructionsExample')"
              @input="
                bench.change({ ...board, instructions: ($event.target as HTMLInputElement).value }, 'instructions')
              " />
          </label>
          <WorkbenchSpokenField
            :spoken="board.spoken"
            :words="board.instructions"
            @set="bench.change(setSpoken(board, null, $event))" />
        </div>
        <WorkbenchPageRow :bench="bench" :page="page" @open="openPage = $event" @take="taking = true" />
        <div ref="room" class="relative flex min-h-0 flex-1 flex-col">
          <BoardStage
            :edition="edition"
            :page="page"
            :state="state"
            :editable="station === 'answers' || station === 'pieces'"
            :pieces-only="station === 'pieces'"
            with-tools="keyed"
            steady
            :marked="station === 'check' ? shown?.subjects : []"
            :zoom="zoom.zoom.value"
            :zoom-about="zoom.about"
            @pinch="zoom.pinch"
            @make="make">
            <template #over="{ scale }">
              <WorkbenchHandsLayer
                v-if="layer && (layer !== 'pieces' || hands.items.value.length)"
                :hands="hands"
                :bench="bench"
                :layer="layer"
                :page="page"
                :scale="scale"
                :label-of="labelOf"
                @words="writeWords" />
              <WorkbenchOutlines :page="page" />
              <g v-if="shown" class="pointer-events-none">
                <rect
                  v-for="(box, i) in shownBoxes"
                  :key="i"
                  v-bind="box"
                  rx="10"
                  fill="#e9ad3f"
                  fill-opacity="0.25"
                  stroke="#a86a05"
                  stroke-width="4" />
              </g>
            </template>
          </BoardStage>
        </div>
      </div>
      <aside
        ref="aside"
        class="panel w-full overflow-auto max-md:overflow-visible md:w-80 low:overflow-visible"
        :aria-label="t(`workbench.station.${station}`)">
        <h2 class="mb-4 text-lg font-bold">{{ t(`workbench.station.${station}`) }}</h2>
        <p v-if="missing" class="note-line mb-4" role="status">{{ t('start.missing', { count: missing }) }}</p>
        <div v-if="keeping === 'elsewhere'" class="trouble mb-4 flex flex-col gap-2" role="alert">
          <p>{{ t('workbench.elsewhere') }}</p>
          <button type="button" class="button" @click="keepAsNew">{{ t('workbench.keepAsNew') }}</button>
          <button type="button" class="button" @click="openNewer">{{ t('workbench.openNewer') }}</button>
          <p v-if="trouble">{{ trouble }}</p>
        </div>
        <WorkbenchBackdropPanel
          v-if="station === 'backdrop'"
          ref="backdropPanel"
          :hands="hands"
          :bench="bench"
          :page="page"
          @open="openPage = $event"
          @words="writeWords"
          ><WorkbenchArrange :hands="hands"
        /></WorkbenchBackdropPanel>
        <WorkbenchPlacesPanel
          v-else-if="station === 'places'"
          ref="placesPanel"
          :hands="hands"
          :bench="bench"
          :page="page"
          ><WorkbenchArrange :hands="hands"
        /></WorkbenchPlacesPanel>
        <WorkbenchPiecesPanel v-else-if="station === 'pieces'" ref="piecesPanel" :bench="bench" :page="page"
          ><WorkbenchArrange :hands="hands"
        /></WorkbenchPiecesPanel>
        <WorkbenchAnswersPanel
          v-else-if="station === 'answers'"
          :bench="bench"
          :page="page"
          :state="answers.state.value"
          @filled="answers.again()" />
        <WorkbenchCheckPanel v-else :bench="bench" :findings="findings" @try="trying = true" @show="show" />
      </aside>
    </main>
    <BoardPickPages
      :open="taking"
      :title="t('pages.takeTitle')"
      :except="id"
      @close="taking = false"
      @picked="takePages" />
    <WorkbenchTryIt v-if="trying" :edition="edition" @close="trying = false" />
    <WorkbenchGiveOut :open="givingOut" :board-id="id" :bench="bench" @close="givingOut = false" />
  </div>
</template>
