<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { PlaceIdSchema, StepIdSchema } from '~~/core/board/ids'
import { choicesIn } from '~~/core/design/choices'
import { labelsWithoutPin, pinsForLabels } from '~~/core/design/labelsAndPins'
import { newPlaces, type PlaceForm } from '~~/core/design/newPlaces'
import { addPlaces, addZone, changed, changePlace, zonesInRow } from '~~/core/design/places'
import { group } from '~~/core/design/items'
import { slotsOf } from '~~/core/design/slotRow'
import { readWordList } from '~~/core/design/pieces'
import { MOST_GROUPS } from '~~/core/design/wordSort'
import { addStep } from '~~/core/design/steps'
import { stepAround } from '~~/core/placement/tasks'
import { freshIds } from '~/composables/workbench/useIds'
import type { Hands } from '~/composables/workbench/useHands'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const { bench, page, hands } = defineProps<{ bench: Workbench; page: Page; hands: Hands }>()
const { t } = useWords()
const gapping = ref(false)
const heading = useTemplateRef<{ focus: () => void }>('sheet')
const place = computed(() => page.places.find(p => p.id === hands.only.value?.id))
/** The row of slots that is selected. */
const row = computed(() => (hands.selected.value.size > 1 ? slotsOf(page, hands.selected.value) : []))
const step = computed(() => page.steps?.find(s => s.id === hands.only.value?.id))
/** The activity that is chosen, or in which what is chosen stands: what is added goes there. */
const activity = computed(() => step.value ?? (place.value && stepAround(place.value, page)))
const zones = computed(() => page.places.filter(p => p.kind === 'zone').length)
const unpinned = computed(() => labelsWithoutPin(bench.board.value, page.id).length)
const space = computed(() => page.places.find(p => p.id === hands.outlining.value))
const outlined = computed(() => (space.value?.kind === 'drawing' ? choicesIn(page, space.value).length : 0))
/** For hands that draw no box: it is moved and sized at the backdrop afterwards. */
const outlineMiddle = () =>
  hands.outline({ x: page.width / 2 - 40 + 16 * outlined.value, y: page.height / 2 - 20, width: 80, height: 40 })
const freshPlace = () => v.parse(PlaceIdSchema, nanoid())

async function add(form: PlaceForm) {
  const before = page.places.length
  // A row of zones takes the whole page; among activities a zone is one place like the others.
  if (form === 'rectangle' && !page.steps?.length) bench.change(addZone(bench.board.value, page.id, freshPlace(), ''))
  else {
    const places = newPlaces(form, page, freshPlace, activity.value)
    // Pans are told apart before anybody names them, and so are the ends of a spectrum.
    const named = places.map((p, i) =>
      form === 'pans'
        ? { ...p, heading: t(i ? 'places.right' : 'places.left') }
        : form === 'spectrum'
          ? (changed(p, { ends: [t('places.from'), t('places.to')] }) ?? p)
          : p,
    )
    const added = addPlaces(bench.board.value, page.id, named)
    // Slots come as a row that belongs together.
    bench.change(
      form === 'slots'
        ? group(
            added,
            page.id,
            named.map(p => p.id),
          )
        : added,
    )
  }
  const made = bench.board.value.pages.find(p => p.id === page.id)!.places.slice(before)
  hands.select(made.slice(0, 1).map(p => p.id))
  await nextTick()
  heading.value?.focus()
}
/** Enter goes on to the next zone that has no heading yet; after the last a new one is made. */
async function nextZone() {
  const nameless = page.places.find(p => p.kind === 'zone' && !p.heading.trim() && !p.blank && p !== place.value)
  if (!nameless) return add('rectangle')
  hands.select([nameless.id])
  await nextTick()
  heading.value?.focus()
}
/** Words from elsewhere are headings, one on each line. */
function addText(words: string) {
  const headings = readWordList(words).words
  bench.change(
    headings
      .slice(0, MOST_GROUPS)
      .reduce((board, heading) => addZone(board, page.id, freshPlace(), heading.slice(0, 80)), bench.board.value),
  )
}
defineExpose({ addText })
async function addActivity() {
  const id = v.parse(StepIdSchema, nanoid())
  bench.change(addStep(bench.board.value, page.id, id))
  hands.select([id])
  await nextTick()
  heading.value?.focus()
}
const MORE = {
  pins: () => bench.change(pinsForLabels(bench.board.value, page.id, freshIds)),
  gaps: () => void (gapping.value = true),
  choices: () => void hands.beginOutlines(place.value?.kind === 'drawing' ? place.value.id : undefined),
  activity: () => void addActivity(),
} as const
</script>

<template>
  <div class="flex flex-col gap-5">
    <section
      v-if="hands.outlining.value"
      class="flex flex-col gap-2 rounded-lg border border-leaf-700 p-3"
      role="status">
      <h3 class="font-bold">{{ t('places.choices') }}</h3>
      <p>{{ t('places.choicesHow') }}</p>
      <p class="note-line">{{ t('places.choicesSo', { count: outlined }) }}</p>
      <button type="button" class="button" @click="outlineMiddle">{{ t('places.choiceMiddle') }}</button>
      <button type="button" class="button button-action" @click="hands.endOutlines()">
        {{ t('places.choicesDone') }}
      </button>
    </section>
    <WorkbenchPlacesPlaceSheet
      v-if="place"
      :key="place.id"
      ref="sheet"
      :bench="bench"
      :page="page"
      :place="place"
      @change="
        bench.change(
          changePlace(bench.board.value, page.id, place.id, () => $event.place),
          $event.what,
        )
      "
      @next="nextZone" />
    <WorkbenchPlacesSlotRow
      v-else-if="row.length"
      ref="sheet"
      :bench="bench"
      :page="page"
      :slots="row"
      @made="hands.select($event)" />
    <WorkbenchPlacesStepSheet v-else-if="step" :key="step.id" ref="sheet" :bench="bench" :page="page" :step="step" />
    <p v-else-if="page.places.length && hands.selected.value.size === 0" class="note-line">{{ t('places.select') }}</p>
    <slot />
    <WorkbenchPlacesPlaceChooser :unpinned="unpinned" @add="add" @more="MORE[$event]()" />
    <button v-if="zones > 1" type="button" class="button" @click="bench.change(zonesInRow(bench.board.value, page.id))">
      <Icon name="lucide:columns-3" />{{ t('places.row') }}
    </button>
    <p class="note-line">{{ t('places.locked') }}</p>
    <WorkbenchPlacesGapMaker
      :open="gapping"
      :bench="bench"
      :page="page"
      @close="gapping = false"
      @made="hands.select([$event])" />
  </div>
</template>
