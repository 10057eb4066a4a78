<script setup lang="ts">
import type { PieceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import { beforeOf, fewestPairs, groupsOf, joined, parted, withoutPair, withPair } from '~~/core/design/orderGroups'
import { ORDER_CREDITS, type OrderKey } from '~~/core/keys/order/key'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** What of an order is free: neighbours that may change places, or pair by pair what comes before what. */
const { bench, answer } = defineProps<{ bench: Workbench; answer: OrderKey }>()
const emit = defineEmits<{ change: [key: OrderKey] }>()
const { t } = useWords()
const groups = computed(() => groupsOf(answer.before))
/** Shown where groups can't say it, and as long as it is worked on. */
const paired = ref(!groups.value)
watch(groups, now => now || (paired.value = true))
const pairs = computed(() => fewestPairs(answer.before) ?? [])
const pieces = computed(() => [...new Set(answer.before.flat())])
const first = ref<PieceId>()
const then = ref<PieceId>()
const against = ref(false)
const nameOf = (id: PieceId) => pieceName(bench.edition.value.pieces.get(id)!.piece)
/** Everything that can stand in the lane, so that what was left out can be asked for. */
const askable = computed(() => {
  const page = bench.board.value.pages.find(p => p.id === answer.page)
  return [...new Set([...pieces.value, ...(page?.pieces.filter(p => !p.bin).map(p => p.id) ?? [])])]
})

const set = (before: [PieceId, PieceId][] | null) => before?.length && emit('change', { ...answer, before })
function add() {
  if (!first.value || !then.value) return
  const before = withPair(answer.before, [first.value, then.value])
  against.value = before === null
  if (!before) return
  set(before)
  first.value = then.value = undefined
}
</script>

<template>
  <ol v-if="groups" class="flex flex-col gap-1">
    <li v-for="(group, i) in groups" :key="group.join()" class="flex flex-col gap-1">
      <span class="flex items-center gap-2"
        ><strong class="min-w-0 flex-1">{{ group.map(nameOf).join(t('answers.inAnyOrder')) }}</strong>
        <button
          v-if="group.length > 1"
          type="button"
          class="button button-quiet"
          :aria-label="t('answers.partOf', { names: group.map(nameOf).join(t('answers.inAnyOrder')) })"
          @click="set(beforeOf(parted(groups, i)))">
          {{ t('answers.part') }}
        </button></span
      >
      <button
        v-if="i < groups.length - 1 && groups.length > 2"
        type="button"
        class="button button-quiet self-start text-sm"
        :aria-label="t('answers.eitherOrderOf', { names: group.map(nameOf).join(t('answers.inAnyOrder')) })"
        @click="set(beforeOf(joined(groups, i) ?? groups))">
        <Icon name="lucide:arrow-up-down" />{{ t('answers.eitherOrder') }}
      </button>
    </li>
  </ol>
  <details :open="paired" @toggle="paired = ($event.target as HTMLDetailsElement).open">
    <summary class="min-h-11 cursor-pointer py-2 font-semibold">{{ t('answers.beforeThat') }}</summary>
    <ul class="flex flex-col gap-1">
      <li v-for="[a, b] in pairs" :key="`${a} ${b}`" class="flex items-center gap-2">
        <span class="min-w-0 flex-1">{{ t('answers.sentence.before', { a: nameOf(a), b: nameOf(b) }) }}</span>
        <button
          v-if="withoutPair(answer.before, [a, b])"
          type="button"
          class="button button-quiet px-2 text-sm"
          :aria-label="t('answers.freeOf', { a: nameOf(a), b: nameOf(b) })"
          @click="set(withoutPair(answer.before, [a, b]))">
          {{ t('answers.free') }}
        </button>
      </li>
    </ul>
    <form class="mt-2 flex flex-col gap-2" @submit.prevent="add">
      <label v-for="end in ['first', 'then'] as const" :key="end"
        ><span class="label">{{ t(`answers.ends.${end}`) }}</span
        ><select
          class="field"
          :value="(end === 'first' ? first : then) ?? ''"
          @change="
            end === 'first'
              ? (first = ($event.target as HTMLSelectElement).value as PieceId)
              : (then = ($event.target as HTMLSelectElement).value as PieceId)
          ">
          <option value="" disabled>{{ t('answers.choosePiece') }}</option>
          <option v-for="id in askable" :key="id" :value="id">{{ nameOf(id) }}</option>
        </select></label
      >
      <p v-if="against" class="trouble" role="alert">{{ t('answers.against') }}</p>
      <button type="submit" class="button" :disabled="!first || !then || first === then">
        <Icon name="lucide:plus" />{{ t('answers.addPair') }}
      </button>
    </form>
  </details>
  <label>
    <span class="label">{{ t('answers.credit') }}</span>
    <select
      class="field"
      :value="answer.credit"
      @change="
        emit('change', { ...answer, credit: ($event.target as HTMLSelectElement).value as typeof answer.credit })
      ">
      <option v-for="credit in ORDER_CREDITS" :key="credit" :value="credit">
        {{ t(`answers.credits.${credit}`) }}
      </option>
    </select>
  </label>
</template>
