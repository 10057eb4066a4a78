<script setup lang="ts">
import type { RefusalCode } from '~~/core/sync/refusals'

/** What went wrong, what was kept, and what to do: over the page, which doesn't move for it, until it is put away. */
const { refused, refusals, setAside, unkept, picture, others } = defineProps<{
  refused: RefusalCode | null
  /** How often something was refused. */
  refusals: number
  /** How many moves lie aside on this device. */
  setAside: number
  /** How many moves the device has no room for. */
  unkept: number
  picture: string
  others: readonly string[]
}>()
const { t, said } = useWords()
interface Trouble {
  readonly words: string
  readonly urgent: boolean
}
const all = computed((): Trouble[] =>
  [
    { words: refused ? t(`moveRefused.${refused}`) : '', urgent: true },
    { words: setAside ? t('slate.setAside', { count: setAside }) : '', urgent: false },
    { words: unkept ? t('slate.deviceFull', { count: unkept }) : '', urgent: true },
    { words: picture ? said(`picture.refused.${picture}`, 'picture.refused.other') : '', urgent: true },
    ...others.map(words => ({ words, urgent: true })),
  ].filter(({ words }) => words),
)
/** Put away until it is gone, or comes once more. */
const seen = ref<ReadonlySet<string>>(new Set())
watch(all, now => (seen.value = new Set([...seen.value].filter(words => now.some(one => one.words === words)))))
watch(
  () => refusals,
  () => (seen.value = new Set()),
)
const shown = computed(() => all.value.filter(({ words }) => !seen.value.has(words)))
</script>

<template>
  <div
    class="pointer-events-none fixed inset-x-0 top-16 z-30 flex flex-col items-center gap-2 px-3"
    data-test="troubles">
    <div
      v-for="{ words, urgent } in shown"
      :key="words"
      class="trouble pointer-events-auto flex max-w-2xl items-center gap-3 py-1.5 shadow-lg">
      <p :role="urgent ? 'alert' : 'status'">{{ words }}</p>
      <button
        type="button"
        class="button w-11 shrink-0 px-0"
        :aria-label="t('app.close')"
        @click="seen = new Set([...seen, words])">
        <Icon name="lucide:x" />
      </button>
    </div>
  </div>
</template>
