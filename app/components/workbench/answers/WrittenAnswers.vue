<script setup lang="ts">
import type { WriteKey, Written } from '~~/core/keys/write/key'
import { readMeasure } from '~~/core/exact/measure'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const TELLS = ['capitals', 'accents', 'punctuation'] as const

/**
 * What is accepted in each writing space and gap: its variants, what is told apart, and of numbers how far off still
 * counts.
 */
const { bench, answer } = defineProps<{ bench: Workbench; answer: WriteKey }>()
const emit = defineEmits<{ change: [key: WriteKey] }>()
const { t } = useWords()
const itemName = useItemName(() => bench.edition.value)

const set = (space: string, written: Written) =>
  emit('change', { ...answer, answers: { ...answer.answers, [space]: written } })
const amountIn = (text: string) => readMeasure(text, bench.board.value.language)
const amountsOf = ({ accepts }: Written) => accepts.flatMap(accepted => amountIn(accepted) ?? [])
/** Numbers and words may stand side by side: each is told apart in its own way. */
const hasWords = (written: Written) => amountsOf(written).length < written.accepts.length
function setVariants(space: string, written: Written, event: Event) {
  const field = event.target as HTMLTextAreaElement
  const accepts = [
    ...new Set(
      field.value
        .split('\n')
        .map(line => line.trim())
        .filter(Boolean),
    ),
  ]
  if (accepts.length) set(space, { ...written, accepts: accepts.slice(0, 40) })
  else field.value = written.accepts.join('\n')
}
/**
 * A number is in the answer's own unit. Anything that isn't an amount of the answer's own kind leaves the tolerance as
 * it was.
 */
function setTolerance(space: string, written: Written, event: Event) {
  const field = event.target as HTMLInputElement
  const { tolerance: former, ...exact } = written
  const given = amountIn(field.value)
  const kinds = ['number', ...amountsOf(written).map(amount => amount.dimension)]
  if (!field.value.trim()) set(space, exact)
  else if (given && given.amount.compare(0) >= 0 && kinds.includes(given.dimension))
    set(space, { ...written, tolerance: field.value.trim() })
  else field.value = former ?? ''
}
</script>

<template>
  <details v-for="(written, space) in answer.answers" :key="space" class="rounded-lg border border-panel-line p-2">
    <summary class="min-h-11 cursor-pointer py-2 font-semibold">{{ itemName({ item: space, is: 'place' }) }}</summary>
    <label
      ><span class="label">{{ t('answers.accepts') }}</span>
      <UiTyped
        tall
        :rows="Math.min(6, written.accepts.length + 1)"
        :value="written.accepts.join('\n')"
        @change="setVariants(space, written, $event)" />
    </label>
    <label v-if="amountsOf(written).length"
      ><span class="label">{{ t('answers.tolerance') }}</span>
      <UiTyped
        maxlength="20"
        :value="written.tolerance ?? ''"
        :placeholder="t('answers.exactly')"
        @change="setTolerance(space, written, $event)" />
    </label>
    <fieldset v-if="hasWords(written)" class="mt-2">
      <legend class="label">{{ t('answers.tellsApart') }}</legend>
      <label v-for="tell in TELLS" :key="tell" class="flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="written[tell] ?? false"
          @change="set(space, { ...written, [tell]: ($event.target as HTMLInputElement).checked })" />{{
          t(`answers.tells.${tell}`)
        }}
      </label>
    </fieldset>
  </details>
</template>
