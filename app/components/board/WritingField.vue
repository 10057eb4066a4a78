<script setup lang="ts">
import type { TextEdit, Weave } from '~~/core/slate/weave'

/**
 * The one field in which words are written, wherever they stand. `starts` is what was typed before the field was there.
 */
const {
  label,
  text,
  weave = undefined,
  lines,
  longest,
  placeholder = '',
  starts = '',
} = defineProps<{
  label?: string
  text: string
  weave?: Weave | undefined
  lines: 'one' | 'many' | 'number'
  longest: number
  placeholder?: string
  starts?: string
}>()
const emit = defineEmits<{ edit: [edit: TextEdit, words: string] }>()
const element = useTemplateRef<HTMLInputElement | HTMLTextAreaElement>('element')
const { typed, input, compose, tell } = useWriting({
  element,
  text: () => text,
  weave: () => weave,
  edit: (edit, words) => emit('edit', edit, words),
})
onMounted(() => {
  if (!starts || !element.value) return
  typed.value += starts
  element.value.value = typed.value
  tell()
})
defineExpose({ tell, focus: () => element.value?.focus() })
</script>

<template>
  <textarea
    v-if="lines === 'many'"
    ref="element"
    :value="typed"
    dir="auto"
    :maxlength="longest"
    :aria-label="label"
    :placeholder="placeholder"
    @input="input"
    @compositionstart="compose(true)"
    @compositionend="compose(false)"
    @blur="tell" />
  <input
    v-else
    ref="element"
    :value="typed"
    dir="auto"
    :maxlength="longest"
    :aria-label="label"
    :placeholder="placeholder"
    :inputmode="lines === 'number' ? 'decimal' : 'text'"
    autocomplete="off"
    autocapitalize="off"
    spellcheck="false"
    @input="input"
    @compositionstart="compose(true)"
    @compositionend="compose(false)"
    @change="tell"
    @blur="tell" />
</template>
