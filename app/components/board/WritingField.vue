<script setup lang="ts">
/** A field that hands on what is typed shortly after the last letter, and at once when it is left. */
const {
  label,
  text,
  lines,
  longest,
  placeholder = '',
} = defineProps<{
  label: string
  text: string
  lines: 'one' | 'many' | 'number'
  longest: number
  placeholder?: string
}>()
const emit = defineEmits<{ write: [text: string] }>()
const AFTER = 400
const typed = ref(text)
let told = text
let timer: ReturnType<typeof setTimeout> | undefined

watch(
  () => text,
  now => {
    // What was typed here and has come back round changes nothing; what comes from elsewhere (an undo, another's words)
    // is shown, but never over letters that haven't been handed on.
    if (now === told) return
    if (typed.value === told) typed.value = now
    told = now
  },
)
function tell() {
  clearTimeout(timer)
  if (typed.value === told) return
  told = typed.value
  emit('write', typed.value)
}
function input(event: Event) {
  typed.value = (event.target as HTMLInputElement).value
  clearTimeout(timer)
  timer = setTimeout(tell, AFTER)
}
onBeforeUnmount(tell)
// A page that is left, or put aside on a tablet, doesn't wait for the pause after the last letter.
useEventListener(window, 'pagehide', tell)
useEventListener(document, 'visibilitychange', () => document.hidden && tell())
</script>

<template>
  <textarea
    v-if="lines === 'many'"
    :value="typed"
    dir="auto"
    :maxlength="longest"
    :aria-label="label"
    :placeholder="placeholder"
    @input="input"
    @blur="tell" />
  <input
    v-else
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
    @change="tell"
    @blur="tell" />
</template>
