<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { PlaceId } from '~~/core/board/ids'
import { addGapFill, wordsOf } from '~~/core/design/gapFill'
import { readWordList } from '~~/core/design/pieces'
import { freshIds } from '~/composables/workbench/useIds'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/**
 * A text with gaps from a plain sentence: the words that are to go are marked, the bank and the key make themselves.
 */
const { open, bench, page } = defineProps<{ open: boolean; bench: Workbench; page: Page }>()
const emit = defineEmits<{ close: []; made: [id: PlaceId] }>()
const { t } = useWords()
const text = ref('')
const extra = ref('')
const typed = ref(false)
const marked = ref(new Set<number>())
const trouble = ref(false)
const words = computed(() => wordsOf(text.value))
/** The text in parts: words that can be marked, and what stands between them. */
const parts = computed(() => {
  let at = 0
  const all = words.value.flatMap((word, i) => {
    const between = text.value.slice(at, word.from)
    at = word.to
    return [...(between ? [{ text: between, word: null }] : []), { text: word.text, word: i }]
  })
  return [...all, ...(at < text.value.length ? [{ text: text.value.slice(at), word: null }] : [])]
})
watch(text, () => {
  marked.value = new Set()
  trouble.value = false
})
function mark(i: number) {
  trouble.value = false
  if (!marked.value.delete(i)) marked.value.add(i)
}

function make() {
  const made = addGapFill(
    bench.board.value,
    page.id,
    { text: text.value.trim(), marked: marked.value, extra: readWordList(extra.value, 60).words, typed: typed.value },
    freshIds,
  )
  trouble.value = !made
  if (!made) return
  bench.change(made.board)
  text.value = ''
  extra.value = ''
  emit('made', made.place)
  emit('close')
}
</script>

<template>
  <UiAsk :open="open" :title="t('gaps.title')" @close="emit('close')">
    <label
      ><span class="label">{{ t('gaps.text') }}</span
      ><textarea v-model="text" class="field board-text" rows="3" maxlength="2500" :placeholder="t('gaps.example')" />
    </label>
    <div v-if="words.length" class="mt-3">
      <p class="label">{{ t('gaps.mark') }}</p>
      <p class="board-text rounded-lg border border-panel-line bg-field p-3 text-lg leading-10" data-test="gap-words">
        <template v-for="(part, i) in parts" :key="i">
          <button
            v-if="part.word !== null"
            type="button"
            class="rounded px-1"
            :class="marked.has(part.word) ? 'bg-sunfleck-200 font-bold text-stone-950 underline' : 'hover:bg-panel'"
            :aria-pressed="marked.has(part.word)"
            @click="mark(part.word)">
            {{ part.text }}
          </button>
          <span v-else class="whitespace-pre-wrap">{{ part.text }}</span>
        </template>
      </p>
    </div>
    <label class="mt-3 flex min-h-11 items-center gap-2"
      ><input v-model="typed" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{ t('gaps.typed') }}</label
    >
    <label v-if="!typed"
      ><span class="label">{{ t('gaps.extra') }}</span
      ><textarea v-model="extra" class="field" rows="2" />
    </label>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ t('gaps.none') }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" :disabled="!text.trim()" @click="make">
        {{ t('gaps.make', { count: marked.size }) }}
      </button>
    </template>
  </UiAsk>
</template>
