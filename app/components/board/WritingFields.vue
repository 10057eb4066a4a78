<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { writtenSpots, type Spot } from '~~/core/layout/written'
import type { Move } from '~~/core/slate/move'
import { editMove } from '~~/core/slate/texts'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'

/** Fields over the page, exactly where its writing spaces and gaps are. */
const { page, names, state, scale } = defineProps<{
  page: Page
  names: ReadonlySet<string>
  state: SlateState
  scale: number
}>()
const emit = defineEmits<{ make: [move: Move] }>()
const { t } = useWords()
const idOf = useThingIds()
const { numbered } = useHeadings()
/** No two fields are called the same: those that would be also name their place by its number. */
const fields = computed(() => {
  const spots = writtenSpots(page).map(spot => ({ ...spot, label: labelOf(spot) }))
  const times = new Map<string, number>()
  for (const { label } of spots) times.set(label, (times.get(label) ?? 0) + 1)
  return spots
    .filter(({ name }) => names.has(name))
    .map(spot => {
      const place = page.places.find(one => one.id === spot.name.split(':')[0])
      const alone = times.get(spot.label) === 1 || !place
      return alone ? spot : { ...spot, label: t('stage.oneOf', { name: spot.label, place: numbered(place, page) }) }
    })
})
/** Whatever a number is written with, it has a digit. */
function isNoNumber({ lines, name }: Spot): boolean {
  const text = state.texts[name]?.trim()
  return lines === 'number' && !!text && !/\p{N}/u.test(text)
}
function labelOf({ kind, heading, number }: Spot): string {
  if (kind === 'gap') return t('stage.gap', { number })
  return kind === 'heading' ? t('stage.headingHere') : heading || t('stage.writeHere')
}
const styleOf = ({ box, textSize, lines }: Spot) => ({
  left: `${box.x * scale}px`,
  top: `${box.y * scale}px`,
  width: `${box.width * scale}px`,
  height: `${box.height * scale}px`,
  fontSize: `${textSize * scale}px`,
  ...(lines === 'many' && { lineHeight: '1.4' }),
})
</script>

<template>
  <BoardWritingField
    v-for="field in fields"
    :id="idOf(field.name)"
    :key="field.name"
    :data-space="field.name"
    :data-writes="field.name"
    class="board-text absolute resize-none rounded px-2 text-[#1c3f6b]"
    :class="{
      'text-center': field.kind !== 'space',
      'bg-white/80 border-b-2 border-[#526061] font-bold': field.kind === 'heading',
      'bg-transparent': field.kind !== 'heading',
    }"
    :style="styleOf(field)"
    :label="field.label"
    :text="state.texts[field.name] ?? ''"
    :weave="state.weaves?.[`text:${field.name}`]"
    :lines="field.lines"
    :placeholder="field.kind === 'heading' ? t('stage.headingHere') : ''"
    :longest="LONGEST_TEXT"
    :aria-invalid="isNoNumber(field) || undefined"
    @edit="emit('make', editMove({ of: 'text', name: field.name }, $event))" />
  <p
    v-for="field in fields.filter(isNoNumber)"
    :key="`${field.name} odd`"
    class="pointer-events-none absolute z-10 rounded bg-stone-900 px-2 py-1 text-sm text-white"
    role="status"
    :style="{ left: `${field.box.x * scale}px`, top: `${(field.box.y + field.box.height) * scale + 2}px` }">
    {{ t('stage.numberHere') }}
  </p>
</template>
