<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Box } from '~~/core/geometry/shape'
import { layoutGaps } from '~~/core/layout/gaps'
import type { Move } from '~~/core/slate/move'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'

/** Fields over the page, exactly where its writing spaces and gaps are. */
const { page, texts, scale } = defineProps<{ page: Page, texts: SlateState['texts'], scale: number }>()
const emit = defineEmits<{ make: [move: Move] }>()
const { t } = useWords()
interface Field { name: string, box: Box, textSize: number, lines: 'one' | 'many' | 'number', label: string, gap: boolean }

const fields = computed(() => page.places.flatMap((place): Field[] => {
  if (place.kind === 'writing') return [{ name: place.id, box: place.shape, textSize: place.textSize, lines: place.lines, label: place.heading || t('stage.writeHere'), gap: false }]
  if (place.kind !== 'gaps' || !place.typed) return []
  return layoutGaps(place).gaps.map((box, i) => ({ name: `${place.id}:${i}`, box, textSize: place.textSize, lines: 'one', label: t('stage.gap', { number: i + 1 }), gap: true }))
}))
const styleOf = ({ box, textSize, lines }: Field) => ({
  left: `${box.x * scale}px`, top: `${box.y * scale}px`, width: `${box.width * scale}px`, height: `${box.height * scale}px`, fontSize: `${textSize * scale}px`,
  ...(lines === 'many' && { lineHeight: '1.4' }),
})
</script>

<template>
  <BoardWritingField
    v-for="field in fields" :key="field.name" class="board-text absolute resize-none rounded bg-transparent px-2 text-[#1c3f6b]" :class="field.gap ? 'text-center' : ''" :style="styleOf(field)"
    :label="field.label" :text="texts[field.name] ?? ''" :lines="field.lines" :longest="LONGEST_TEXT" @write="emit('make', { kind: 'write', in: field.name, text: $event })" @click.stop
  />
</template>
