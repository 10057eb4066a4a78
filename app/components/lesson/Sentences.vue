<script setup lang="ts">
/** Sentences to say with one press: what this teacher has said before, most used first, then some to begin with. */
const { ready, longest, about } = defineProps<{
  ready: readonly string[]
  /** The piece or place that it is said about: what was said of it before comes first. */
  about?: string | undefined
  /** Letters that may be said here. */
  longest: number
}>()
const words = defineModel<string>({ required: true })
const MOST = 8
const { t } = useWords()
const said = ref<string[]>([])
watch(
  () => about,
  async now =>
    (said.value = await askFor<string[]>(
      now ? `/api/sentences?about=${encodeURIComponent(now)}` : '/api/sentences',
    ).catch(() => [])),
  { immediate: true },
)
async function forget(sentence: string) {
  said.value = said.value.filter(one => one !== sentence)
  await ask('/api/sentences/forget', { method: 'POST', body: { words: sentence } }).catch(() => null)
}
/** What is typed narrows them; a sentence that was taken as it is narrows nothing. */
const offered = computed(() => {
  const all = [...said.value, ...ready.filter(one => !said.value.includes(one))].filter(one => one.length <= longest)
  const typed = words.value.trim().toLocaleLowerCase()
  const fit = all.includes(words.value) ? all : all.filter(one => one.toLocaleLowerCase().includes(typed))
  return fit.slice(0, MOST)
})
</script>

<template>
  <fieldset v-if="offered.length" class="mt-3">
    <legend class="label">{{ t('sentences.title') }}</legend>
    <ul class="flex max-h-56 flex-col gap-1 overflow-y-auto p-1">
      <li v-for="sentence in offered" :key="sentence" class="flex items-center gap-1">
        <button
          type="button"
          class="button min-h-10 min-w-0 flex-1 justify-start px-3 py-1 text-left font-normal"
          :class="sentence === words ? 'border-bilberry-700 bg-bilberry-100 text-stone-950' : ''"
          :aria-pressed="sentence === words"
          @click="words = sentence">
          <bdi class="min-w-0 break-words">{{ sentence }}</bdi>
        </button>
        <button
          v-if="said.includes(sentence)"
          type="button"
          class="button button-quiet min-h-10 w-10 px-0"
          :aria-label="t('sentences.forget', { sentence })"
          @click="forget(sentence)">
          <Icon name="lucide:x" size="18" />
        </button>
      </li>
    </ul>
  </fieldset>
</template>
