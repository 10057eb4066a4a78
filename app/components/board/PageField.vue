<script setup lang="ts">
import type { Box } from '~~/core/geometry/shape'
import type { TextEdit, Weave } from '~~/core/slate/weave'
import { LINE_HEIGHT } from '~~/core/text/measure'

/** A field over the page, just where the words of a text or a note stand. The box is in points of the page. */
const { box, textSize, scale } = defineProps<{
  box: Box
  textSize: number
  scale: number
  name: string
  label: string
  placeholder?: string
  text: string
  weave: Weave | undefined
  longest: number
  starts: string
}>()
const emit = defineEmits<{ edit: [edit: TextEdit, words: string]; leave: [] }>()
const root = useTemplateRef<HTMLElement>('root')
/** CSS pixels below which nobody can write. */
const LEAST = { width: 120, height: 44, letters: 14 }
const style = computed(() => ({
  left: `${box.x * scale}px`,
  top: `${box.y * scale}px`,
  width: `${Math.max(box.width * scale, LEAST.width)}px`,
  height: `${Math.max(box.height * scale, LEAST.height)}px`,
  fontSize: `${Math.max(textSize * scale, LEAST.letters)}px`,
  lineHeight: String(LINE_HEIGHT),
}))
const field = () => root.value?.querySelector('textarea')
onMounted(() => {
  const there = field()
  there?.focus({ preventScroll: true })
  there?.setSelectionRange(there.value.length, there.value.length)
  root.value?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
})
// The keyboard on the screen has come, or gone: what is written stays in sight above it.
useEventListener(window.visualViewport, 'resize', () => root.value?.scrollIntoView({ block: 'nearest' }))
/** What is said of a note while it is written is pressed beside it. */
function left({ relatedTarget }: FocusEvent) {
  if (!(relatedTarget instanceof Element) || !relatedTarget.closest('[role="toolbar"]')) emit('leave')
}
</script>

<template>
  <div
    ref="root"
    class="absolute z-10"
    :data-writes="name"
    :style="style"
    @focusout="left"
    @keydown.escape.stop="field()?.blur()">
    <BoardWritingField
      class="board-text h-full w-full resize-none rounded border-2 border-sunfleck-600 bg-white px-1 text-[#14191a]"
      :label="label"
      :placeholder="placeholder ?? ''"
      :text="text"
      :weave="weave"
      :longest="longest"
      :starts="starts"
      lines="many"
      @edit="(edit, words) => emit('edit', edit, words)" />
  </div>
</template>
