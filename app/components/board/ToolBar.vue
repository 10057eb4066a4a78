<script setup lang="ts">
import type { Tool } from '~~/core/board/tools'
import type { Choice, Setting } from '~~/core/tools/making'

/** What the teacher gave to make things with, and how what is made next is to look. */
const { given } = defineProps<{ given: readonly Tool[] }>()
const tool = defineModel<Tool | null>('tool', { required: true })
const choice = defineModel<Choice>('choice', { required: true })
const { t } = useWords()
const ICONS: Record<Tool, string> = {
  write: 'lucide:type',
  note: 'lucide:sticky-note',
  pen: 'lucide:pencil',
  highlighter: 'lucide:highlighter',
  line: 'lucide:slash',
  arrow: 'lucide:arrow-up-right',
  shape: 'lucide:shapes',
  sign: 'lucide:badge-check',
  colour: 'lucide:paintbrush',
  picture: 'lucide:image-plus',
  photo: 'lucide:camera',
}
/** What there is to choose for each tool. */
const SETTINGS: Record<Tool, readonly Setting[]> = {
  write: ['size', 'ink'],
  note: ['fill'],
  pen: ['wide', 'ink'],
  highlighter: ['wide', 'fill'],
  line: ['wide', 'ink'],
  arrow: ['wide', 'ink'],
  shape: ['shape', 'wide', 'ink', 'fill'],
  sign: ['sign', 'ink'],
  colour: ['fill'],
  picture: [],
  photo: [],
}
</script>

<template>
  <button
    v-for="one in given"
    :key="one"
    type="button"
    class="button min-w-11 px-2.5"
    :class="tool === one ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
    :aria-pressed="tool === one"
    :title="t(`tools.tool.${one}`)"
    @click="tool = tool === one ? null : one">
    <Icon :name="ICONS[one]" size="22" /><span :class="tool === one ? 'max-md:sr-only' : 'sr-only'">{{
      t(`tools.tool.${one}`)
    }}</span>
  </button>
  <BoardToolSetting
    v-for="setting in tool ? SETTINGS[tool] : []"
    :key="`${tool} ${setting}`"
    v-model="choice"
    :setting="setting"
    :may-be-none="tool === 'shape' && setting === 'fill'" />
</template>
