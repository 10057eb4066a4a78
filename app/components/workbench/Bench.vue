<script setup lang="ts">
import type { Box } from '~~/core/geometry/shape'
import { withPage } from '~~/core/design/lookup'
import { boxOf, changePlace } from '~~/core/design/zones'
import { answerSlate } from '~~/core/keys/answerSlate'
import { itemBox } from '~~/core/layout/itemBox'
import type { Found } from '~~/core/preflight/preflight'
import type { Move } from '~~/core/slate/move'
import { startOf } from '~~/core/slate/state'
import { useTrial } from '~/composables/useTrial'
import { useWorkbench, type Station } from '~/composables/useWorkbench'
import type { Board } from '~~/core/board/board'

/** Where a board is designed. Only the layer of the open station can be touched. */
const { id, first, version } = defineProps<{ id: string, first: Board, version: number }>()
const { t } = useWords()
const bench = useWorkbench(id, first, version)
const { board, edition, keeping } = bench
const station = ref<Station>('backdrop')
const selected = ref<string | null>(null)
const trying = ref(false)
const givingOut = ref(false)
const shown = shallowRef<Found | null>(null)
const findings = usePreflight(board)
/** The places and figures that a finding is about, shown on the page; its pieces are marked where they stand. */
const shownBoxes = computed(() => (shown.value?.subjects ?? []).flatMap(id => itemBox(id, page.value) ?? []))
const page = computed(() => board.value.pages[0]!)
const backdropPanel = useTemplateRef<{ add: (files: FileList | undefined) => Promise<void> }>('backdropPanel')
const answers = useTrial(() => edition.value, () => answerSlate(page.value, edition.value))
useHead({ title: () => board.value.title })

watch(station, (now) => {
  selected.value = null
  shown.value = null
  if (now === 'answers') answers.again()
})
const state = computed(() => station.value === 'answers' ? answers.state.value : startOf(edition.value))
const done = computed(() => new Set<Station>([
  ...(page.value.backdrop.pictures.length || page.value.backdrop.ruling.kind !== 'none' || board.value.instructions ? ['backdrop' as const] : []),
  ...(page.value.places.length ? ['places' as const] : []),
  ...(page.value.pieces.length ? ['pieces' as const] : []),
  ...(board.value.keys.length ? ['answers' as const] : []),
  ...(page.value.pieces.length && findings.value?.length === 0 ? ['check' as const] : []),
]))

const movePlace = (placeId: string, box: Box) => {
  const place = page.value.places.find(p => p.id === placeId)!
  bench.change(changePlace(board.value, page.value.id, place.id, { box }), `box ${placeId}`)
}
const movePicture = (pictureId: string, box: Box) => bench.change(withPage(board.value, page.value.id, p => ({
  ...p, backdrop: { ...p.backdrop, pictures: p.backdrop.pictures.map(q => q.id === pictureId ? { ...q, ...box } : q) },
})), `box ${pictureId}`)
const make = (move: Move) => {
  if (station.value === 'answers') answers.make(move)
}
const drop = (event: DragEvent) => station.value === 'backdrop' && void backdropPanel.value?.add(event.dataTransfer?.files)

onKeyStroke(['z', 'Z', 'y', 'Y'], (event) => {
  // Inside a field the browser's own undo is what people expect.
  if (!(event.ctrlKey || event.metaKey) || event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return
  event.preventDefault()
  if (event.key.toLowerCase() === 'y' || event.shiftKey) bench.redo()
  else bench.undo()
})
</script>

<template>
  <div class="flex h-dvh min-h-[36rem] flex-col">
    <header v-show="!trying" class="flex min-h-16 flex-wrap items-center gap-x-5 gap-y-2 bg-stone-900 px-4 py-2 text-white">
      <NuxtLink to="/shelf" :aria-label="t('workbench.toShelf')" class="flex min-h-11 items-center"><UiMark /></NuxtLink>
      <div class="w-56">
        <h1 class="sr-only">{{ board.title }}</h1>
        <input
          class="w-full truncate rounded bg-transparent px-1 text-lg font-bold hover:bg-stone-800" maxlength="120" :value="board.title" :aria-label="t('workbench.name')"
          @input="bench.change({ ...board, title: ($event.target as HTMLInputElement).value }, 'title')"
        >
        <p class="px-1 text-sm" :class="keeping === 'kept' || keeping === 'keeping' ? 'text-stone-300' : 'font-bold text-sunfleck-400'" role="status" data-test="keeping">{{ t(`workbench.keeping.${keeping}`) }}</p>
      </div>
      <WorkbenchStations v-model="station" :done="done" />
      <div class="ml-auto flex items-center gap-2">
        <button type="button" class="button button-dark px-3" :disabled="!bench.canUndo.value" :aria-label="t('workbench.undo')" :title="t('workbench.undo')" @click="bench.undo"><Icon name="lucide:undo-2" size="20" /></button>
        <button type="button" class="button button-dark px-3" :disabled="!bench.canRedo.value" :aria-label="t('workbench.redo')" :title="t('workbench.redo')" @click="bench.redo"><Icon name="lucide:redo-2" size="20" /></button>
        <button type="button" class="button button-action" @click="givingOut = true">{{ t('giveOut.button') }}</button>
      </div>
    </header>

    <main v-show="!trying" class="flex min-h-0 flex-1 flex-col gap-4 p-4 md:flex-row">
      <div class="flex min-h-80 min-w-0 flex-1 flex-col gap-3" @dragover.prevent @drop.prevent="drop">
        <label class="flex items-center gap-3 rounded-xl border-l-[6px] border-sunfleck-400 bg-sunfleck-100 px-4 py-1.5 text-stone-950">
          <span class="shrink-0 text-sm font-semibold">{{ t('workbench.instructions') }}</span>
          <input
            class="board-text min-h-11 w-full rounded bg-transparent px-2 text-lg placeholder:text-stone-600" maxlength="1000" :value="board.instructions" :placeholder="t('workbench.instructionsExample')"
            @input="bench.change({ ...board, instructions: ($event.target as HTMLInputElement).value }, 'instructions')"
          >
        </label>
        <BoardStage :edition="edition" :page="page" :state="state" :editable="station === 'answers'" :marked="station === 'check' ? shown?.subjects : []" @make="make">
          <template #over>
            <template v-if="station === 'backdrop'">
              <WorkbenchDragBox
                v-for="picture in page.backdrop.pictures" :key="picture.id" :box="picture" :label="t('backdrop.pictureOn', { name: picture.alt || t('backdrop.unnamed') })"
                :selected="selected === picture.id" keep-shape @select="selected = picture.id" @change="movePicture(picture.id, $event)"
              />
            </template>
            <template v-else-if="station === 'places'">
              <WorkbenchDragBox
                v-for="place in page.places" :key="place.id" :box="boxOf(place)" :label="t('places.placeIs', { kind: t(`places.kinds.${place.kind}`), heading: place.heading || t('stage.unnamedPlace') })"
                :selected="selected === place.id" @select="selected = place.id" @change="movePlace(place.id, $event)"
              />
            </template>
            <g v-else-if="shown" class="pointer-events-none">
              <rect v-for="(box, i) in shownBoxes" :key="i" v-bind="box" rx="10" fill="#e9ad3f" fill-opacity="0.25" stroke="#a86a05" stroke-width="4" />
            </g>
          </template>
        </BoardStage>
      </div>
      <aside class="panel w-full overflow-auto md:w-80" :aria-label="t(`workbench.station.${station}`)">
        <h2 class="mb-4 text-lg font-bold">{{ t(`workbench.station.${station}`) }}</h2>
        <p v-if="keeping === 'elsewhere'" class="trouble mb-4" role="alert">{{ t('workbench.elsewhere') }}</p>
        <WorkbenchBackdropPanel v-if="station === 'backdrop'" ref="backdropPanel" v-model:selected="selected" :bench="bench" :page="page" />
        <WorkbenchPlacesPanel v-else-if="station === 'places'" v-model:selected="selected" :bench="bench" :page="page" />
        <WorkbenchPiecesPanel v-else-if="station === 'pieces'" :bench="bench" :page="page" />
        <WorkbenchAnswersPanel v-else-if="station === 'answers'" :bench="bench" :page="page" :state="answers.state.value" @filled="answers.again()" />
        <WorkbenchCheckPanel v-else :bench="bench" :findings="findings" @try="trying = true" @show="shown = $event" />
      </aside>
    </main>
    <WorkbenchTryIt v-if="trying" :edition="edition" @close="trying = false" />
    <WorkbenchGiveOut :open="givingOut" :board-id="id" :bench="bench" @close="givingOut = false" />
  </div>
</template>
