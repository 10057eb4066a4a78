<script setup lang="ts">
import { LONGEST_OWN_TEXT, TEXT_SIZES } from '~~/core/slate/own'
import { LINE_HEIGHT } from '~~/core/text/measure'
import type { Words } from '~/composables/board/useOwnHands'

/** A field over the page, just where the words of a text or a note stand. */
const { thing, own, scale } = defineProps<{ thing: string; own: Words; scale: number }>()
/** What is written goes with what it is written on: the last of it may come while the field is taken away. */
const emit = defineEmits<{ write: [thing: string, own: Words, text: string]; leave: [] }>()
const { t } = useWords()
const root = useTemplateRef<HTMLElement>('root')
const style = computed(() => {
  const size = own.kind === 'text' ? TEXT_SIZES[own.size] : 16
  const height = own.kind === 'text' ? Math.max(own.height, size * LINE_HEIGHT * 2) : own.height
  return {
    left: `${(own.x - own.width / 2) * scale}px`,
    top: `${(own.y - own.height / 2) * scale}px`,
    width: `${Math.max(own.width * scale, 120)}px`,
    height: `${Math.max(height * scale, 44)}px`,
    fontSize: `${Math.max(size * scale, 14)}px`,
    lineHeight: String(LINE_HEIGHT),
  }
})
onMounted(() => root.value?.querySelector('textarea')?.focus())
</script>

<template>
  <div
    ref="root"
    class="absolute z-10"
    :style="style"
    @click.stop
    @pointerdown.stop
    @focusout="emit('leave')"
    @keydown.escape.stop="root?.querySelector('textarea')?.blur()">
    <BoardWritingField
      class="board-text h-full w-full resize-none rounded border-2 border-sunfleck-600 bg-white px-1 text-[#14191a]"
      :label="t(own.kind === 'text' ? 'tools.writeText' : 'tools.writeNote')"
      :text="own.text"
      lines="many"
      :longest="LONGEST_OWN_TEXT"
      @write="emit('write', thing, own, $event)" />
  </div>
</template>
