<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import { canBeRight } from '~~/core/keys/also'
import { placeOfSpot } from '~~/core/keys/document'
import type { Gathered, OneAnswer } from '~~/core/review/answers'
import type { Decision } from '~~/core/keys/mark'
import type { SlateState } from '~~/core/slate/state'

export interface AnswerView extends OneAnswer {
  readonly name: string
  readonly edition: string
  readonly state: SlateState
}

/** Answers that are alike, with whose they are: one word of the teacher's stands over all of them, or over one. */
const { group, editions, item, handout, nameOf } = defineProps<{
  group: Gathered<AnswerView>
  editions: ReadonlyMap<string, Edition>
  item: string
  handout: string
  nameOf: (answer: AnswerView) => string
}>()
const emit = defineEmits<{
  decide: [slates: string[], decision: Decision | null]
  also: [slate: string]
  go: [by: 1 | -1]
}>()
const { t, said } = useWords()
const first = computed(() => group.answers[0]!)
const edition = computed(() => editions.get(first.value.edition)!)
const reasonWords = useReasonWords(
  () => edition.value,
  () => first.value.state.texts,
)
const why = computed(() => said(`review.why.${group.reason.code}`, 'review.why.other', reasonWords(group.reason)))
/** The page of the item, and the place alone where it is one. */
const where = computed(() => {
  const key = edition.value.board.keys.find(one => item.startsWith(`${one.id}/`))
  const page = Math.max(
    0,
    edition.value.board.pages.findIndex(one => one.id === key?.page),
  )
  const { is, item: name } = first.value.mark
  if (is === 'place') return { page, part: placeOfSpot(name) }
  // A piece is looked at where it lies.
  const lies = group.reason.words.lies ?? group.reason.words.place
  const [place] = typeof lies === 'object' ? (Object.values(lies)[0] as string[]) : []
  return { page, part: place ?? '' }
})
const decidedAs = computed(() => {
  const all = new Set(group.answers.map(answer => answer.decided))
  return all.size === 1 ? [...all][0]! : null
})
const decidedWords = (decided: Decision) =>
  typeof decided === 'number' ? t('across.decidedPart', { points: decided }) : t(`across.decided.${decided}`)
const all = computed(() => group.answers.map(answer => answer.slate))
/** As a row of pictures more than these say no more. */
const MOST_SHOWN = 12
const shown = computed(() => (group.verdict === 'on-the-line' ? group.answers.slice(0, MOST_SHOWN) : [first.value]))

const card = useTemplateRef<HTMLElement>('card')
defineExpose({ focus: () => card.value?.focus() })
const KEYS: { readonly [key: string]: () => void } = {
  ArrowDown: () => emit('go', 1),
  ArrowUp: () => emit('go', -1),
  '+': () => group.verdict !== 'noted' && emit('decide', all.value, 'right'),
  '-': () => group.verdict !== 'noted' && emit('decide', all.value, 'wrong'),
  '.': () => givePart(first.value.mark.of / 2),
  ',': () => givePart(first.value.mark.of / 2),
  Delete: () => emit('decide', all.value, null),
}
/** So many points of those that it has. */
const givePart = (points: number) =>
  group.verdict !== 'noted' && points <= first.value.mark.of && emit('decide', all.value, points)
function press(event: KeyboardEvent) {
  if (event.target !== event.currentTarget || event.altKey || event.ctrlKey || event.metaKey) return
  const does = KEYS[event.key] ?? (/^\d$/.test(event.key) ? () => givePart(Number(event.key)) : null)
  if (!does) return
  event.preventDefault()
  does()
}
</script>

<template>
  <section
    ref="card"
    class="panel flex flex-wrap items-start gap-4"
    tabindex="0"
    :aria-label="`${t(`marks.verdict.${group.verdict}`)}: ${why}`"
    data-test="alike"
    @keydown="press">
    <div class="flex flex-wrap gap-2">
      <div v-for="answer in shown" :key="answer.slate" :class="where.part ? 'w-40' : 'w-52'">
        <BoardThumbnail
          lazily
          :edition="editions.get(answer.edition)!"
          :slate="answer.slate"
          :state="answer.state"
          :page="where.page"
          :part="where.part"
          :label="t('walk.slateOf', { name: nameOf(answer) })" />
        <bdi v-if="shown.length > 1" class="block truncate text-sm font-semibold">{{ nameOf(answer) }}</bdi>
      </div>
    </div>
    <div class="min-w-64 flex-1">
      <h2 class="flex items-center gap-3 text-lg font-bold">
        <ReviewVerdictSign :verdict="group.verdict" /><span>{{ why }}</span
        ><span class="ml-auto shrink-0">{{ t('across.count', { count: group.answers.length }) }}</span>
      </h2>
      <p v-if="decidedAs !== null" class="font-semibold">{{ decidedWords(decidedAs) }}</p>
      <ul class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
        <li v-for="answer in group.answers" :key="answer.slate" class="flex items-center gap-1">
          <NuxtLink :to="`/handout/${handout}/review/${answer.slate}`" class="underline"
            ><bdi>{{ nameOf(answer) }}</bdi></NuxtLink
          ><Icon
            v-if="typeof answer.decided === 'string' && decidedAs === null"
            :name="answer.decided === 'right' ? 'lucide:check' : 'lucide:x'"
            size="16"
            :aria-label="decidedWords(answer.decided)" /><span
            v-else-if="answer.decided !== null && decidedAs === null"
            class="text-sm"
            >{{ decidedWords(answer.decided) }}</span
          >
        </li>
      </ul>
    </div>
    <div v-if="group.verdict !== 'noted'" class="flex flex-wrap gap-2">
      <button
        v-for="verdict in ['right', 'wrong'] as const"
        :key="verdict"
        type="button"
        class="button min-h-10 py-1"
        :aria-pressed="decidedAs === verdict"
        @click="emit('decide', all, decidedAs === verdict ? null : verdict)">
        <Icon :name="verdict === 'right' ? 'lucide:check' : 'lucide:x'" size="18" />{{ t(`across.call.${verdict}`) }}
      </button>
      <button
        v-if="canBeRight(first.mark)"
        type="button"
        class="button min-h-10 py-1"
        @click="emit('also', first.slate)">
        <Icon name="lucide:key-round" size="18" />{{ t('across.also') }}
      </button>
    </div>
  </section>
</template>
