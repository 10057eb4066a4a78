<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { KeyIdSchema, type PieceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/piece'
import { keepKey, withoutKey } from '~~/core/design/answers'
import { sortKeyOf } from '~~/core/design/lookup'
import { keepSort } from '~~/core/keys/keepSort'
import type { SlateState } from '~~/core/slate/state'
import type { Workbench } from '~/composables/useWorkbench'

const { bench, page, state } = defineProps<{ bench: Workbench, page: Page, state: SlateState }>()
const emit = defineEmits<{ filled: [] }>()
const { t } = useWords()
const unsure = ref<readonly PieceId[]>([])
const key = computed(() => sortKeyOf(bench.board.value, page.id))
/** A key of another kind beside the sort, or instead of it. */
const others = computed(() => bench.board.value.keys.flatMap(k => k.kind === 'sort' || k.page !== page.id ? [] : [k]))
const sorts = computed(() => page.places.some(p => p.kind === 'zone') && !others.value.some(k => k.kind === 'total'))
const sentence = useKeySentence(() => bench.edition.value)
const nameOf = (id: PieceId) => pieceName(bench.edition.value.pieces.get(id)!.piece)

/** The key read back: what goes where, in the words of the board. */
const readBack = computed(() => {
  const homes = key.value?.homes
  if (!homes) return []
  const inPlace = (id: string) => page.pieces.filter(p => homes[p.id]?.includes(id as never)).map(pieceName)
  return page.places.map(place => ({ id: place.id, heading: place.heading || t('stage.unnamedPlace'), names: inPlace(place.id) }))
})
const nowhere = computed(() => page.pieces.filter(p => key.value?.homes[p.id]?.length === 0).map(pieceName))
const unsaid = computed(() => key.value ? page.pieces.filter(p => !key.value!.homes[p.id]).length : 0)

function keep() {
  const kept = keepSort(key.value?.id ?? v.parse(KeyIdSchema, nanoid()), page.id, state, bench.edition.value)
  unsure.value = kept.unsure
  bench.change(keepKey(bench.board.value, kept.key))
}
</script>

<template>
  <div class="flex flex-col gap-4">
    <section v-if="others.length" class="flex flex-col gap-2">
      <h3 class="font-bold">{{ sorts ? t('answers.also') : t('answers.key') }}</h3>
      <p v-for="other in others" :key="other.id">{{ sentence(other) }}</p>
    </section>
    <template v-if="sorts || others.length === 0">
    <p>{{ t('answers.how') }}</p>
    <button type="button" class="button button-action" :disabled="!sorts || page.pieces.length === 0" @click="keep"><Icon name="lucide:check-check" />{{ t('answers.keep') }}</button>
    <WorkbenchRulePanel :bench="bench" :page="page" @filled="emit('filled')" />
    <p v-if="unsure.length" class="trouble" role="alert">{{ t('answers.unsure', { names: unsure.map(nameOf).join(', '), count: unsure.length }) }}</p>
    <section v-if="key" class="flex flex-col gap-2" data-test="key">
      <h3 class="font-bold">{{ t('answers.key') }}</h3>
      <p v-for="row in readBack" :key="row.id"><strong>{{ row.heading }}</strong>: {{ row.names.length ? row.names.join(', ') : t('answers.nothing') }}</p>
      <p v-if="nowhere.length">{{ t('answers.nowhere', { count: nowhere.length, names: nowhere.join(', ') }) }}</p>
      <p v-if="unsaid" class="note-line">{{ t('answers.unsaid', { count: unsaid }) }}</p>
      <button type="button" class="button self-start" @click="bench.change(withoutKey(bench.board.value, key.id))">{{ t('answers.drop') }}</button>
    </section>
    <p v-else class="note-line">{{ t('answers.none') }}</p>
    </template>
  </div>
</template>
