<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { FEEDBACKS, type Page } from '~~/core/board/board'
import { KeyIdSchema, type PieceId } from '~~/core/board/ids'
import type { Key } from '~~/core/keys/key'
import { pieceName } from '~~/core/board/pieceName'
import { alsoRight, ALTERNATIVES, kindsFor } from '~~/core/keys/kinds'
import { keepKeys } from '~~/core/design/answers'
import { keyByList, LISTED_KINDS } from '~~/core/design/typedAnswers'
import { keysByDoing } from '~~/core/keys/keep'
import { toolsAnywhereOn } from '~~/core/slate/own'
import type { SlateState } from '~~/core/slate/state'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** The answers are set by doing the task; what counts as right is read back in words, one card for each key. */
const { bench, page, state } = defineProps<{ bench: Workbench; page: Page; state: SlateState }>()
const emit = defineEmits<{ filled: [] }>()
const { t } = useWords()
const unsure = ref<readonly PieceId[]>([])
const nothing = ref(false)
const keys = computed(() => bench.board.value.keys.filter(key => key.page === page.id))
const kinds = computed(() => kindsFor(page, toolsAnywhereOn(bench.board.value, page)))
const chosen = ref<Key['kind'] | null>(null)
/** What the page is likeliest to ask, unless it has a key already or the teacher says otherwise. */
const kind = computed(() =>
  chosen.value && kinds.value.includes(chosen.value) ? chosen.value : (keys.value.at(-1)?.kind ?? kinds.value[0]),
)
const former = computed(() => keys.value.filter(key => key.kind === kind.value))
const nameOf = (id: PieceId) => pieceName(bench.edition.value.pieces.get(id)!.piece)

function keep(how: 'instead' | 'also') {
  if (!kind.value) return
  const kept = keysByDoing({ kind: kind.value, page, state, edition: bench.edition.value, newId })
  unsure.value = kept.unsure
  nothing.value = kept.keys.length === 0
  if (nothing.value) return
  const next =
    how === 'also' ? kept.keys.map((key, i) => (former.value[i] ? alsoRight(former.value[i], key) : key)) : kept.keys
  bench.change(keepKeys(bench.board.value, page.id, kind.value, next))
}
const newId = () => v.parse(KeyIdSchema, nanoid())
/** The key that the list of pieces gives, for kinds that ask for an order. */
const listed = computed(() => {
  const asked = LISTED_KINDS.find(one => one === kind.value)
  return asked ? keyByList(page, asked, bench.board.value.keys, newId) : null
})
function keepListed() {
  if (!listed.value) return
  bench.change(keepKeys(bench.board.value, page.id, listed.value.kind, [listed.value]))
  emit('filled')
}
const feedback = computed(() => bench.board.value.feedback ?? 'never')
</script>

<template>
  <div class="flex flex-col gap-4">
    <p v-if="!kind" class="note-line">{{ t('answers.nothingYet') }}</p>
    <template v-else>
      <label v-if="kinds.length > 1">
        <span class="label">{{ t('answers.whatCounts') }}</span>
        <select
          class="field"
          :value="kind"
          @change="chosen = ($event.target as HTMLSelectElement).value as Key['kind']">
          <option v-for="name in kinds" :key="name" :value="name">{{ t(`answers.kinds.${name}`) }}</option>
        </select>
      </label>
      <p>{{ t(`answers.howTo.${kind}`) }}</p>
      <button type="button" class="button button-action" @click="keep('instead')">
        <Icon name="lucide:check-check" />{{ t('answers.keep') }}
      </button>
      <button v-if="former.length && ALTERNATIVES.has(kind)" type="button" class="button" @click="keep('also')">
        <Icon name="lucide:plus" />{{ t('answers.alsoRight') }}
      </button>
      <button v-if="listed" type="button" class="button" @click="keepListed">
        <Icon name="lucide:list-ordered" />{{ t('answers.byList') }}
      </button>
      <p v-if="nothing" class="trouble" role="alert">{{ t('answers.nothingDone') }}</p>
      <p v-if="unsure.length" class="trouble" role="alert">
        {{ t('answers.unsure', { names: unsure.map(nameOf).join(', '), count: unsure.length }) }}
      </p>
      <WorkbenchAnswersRulePanel v-if="kind === 'sort'" :bench="bench" :page="page" @filled="emit('filled')" />
    </template>
    <WorkbenchAnswersTypedTotals v-if="kind === 'total'" :bench="bench" :page="page" />
    <WorkbenchAnswersCellRule v-else-if="kind === 'cover'" :bench="bench" :page="page" />
    <WorkbenchAnswersRightChoices v-else-if="kind === 'ink'" :bench="bench" :page="page" />
    <section v-if="keys.length" class="flex flex-col gap-3" data-test="key">
      <h3 class="font-bold">{{ t('answers.key') }}</h3>
      <WorkbenchAnswersKeyCard v-for="key in keys" :key="key.id" :bench="bench" :page="page" :answer="key" />
    </section>
    <p v-else-if="kind" class="note-line">{{ t('answers.none') }}</p>
    <label v-if="keys.length">
      <span class="label">{{ t('answers.feedback') }}</span>
      <select
        class="field"
        :value="feedback"
        @change="
          bench.change({
            ...bench.board.value,
            feedback: ($event.target as HTMLSelectElement).value as typeof feedback,
          })
        ">
        <option v-for="when in FEEDBACKS" :key="when" :value="when">{{ t(`answers.feedbacks.${when}`) }}</option>
      </select>
    </label>
    <WorkbenchAroundPage :bench="bench" :page="page" />
  </div>
</template>
