<script setup lang="ts">
import { TOOLS, type Tool } from '~~/core/board/tools'

/** Which tools students get: those chosen here, or (where it may be so) those that hold anyway. */
const {
  tools,
  legend,
  otherwise = null,
} = defineProps<{
  tools: readonly Tool[] | null
  legend: string
  otherwise?: { words: string; tools: readonly Tool[] } | null
}>()
const emit = defineEmits<{ choose: [tools: readonly Tool[] | null] }>()
const { t } = useWords()
const shown = computed(() => tools ?? otherwise?.tools ?? [])
const set = (tool: Tool, given: boolean) =>
  emit('choose', given ? [...shown.value, tool] : shown.value.filter(one => one !== tool))
const isOn = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <fieldset>
    <legend class="label">{{ legend }}</legend>
    <label v-if="otherwise" class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="tools === null"
        @change="emit('choose', isOn($event) ? null : otherwise.tools)" />{{ otherwise.words }}</label
    >
    <div v-if="!otherwise || tools !== null" class="grid grid-cols-2 gap-x-3">
      <label v-for="tool in TOOLS" :key="tool" class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="shown.includes(tool)"
          @change="set(tool, isOn($event))" />{{ t(`tools.tool.${tool}`) }}</label
      >
    </div>
  </fieldset>
</template>
