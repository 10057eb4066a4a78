<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Decision, Decisions } from '~~/core/keys/mark'
import type { ItemMark } from '~~/core/keys/outcome'
import type { SlateState } from '~~/core/slate/state'

export type NamedMark = ItemMark & { readonly name: string }

/**
 * What the key says of each thing, what it is unsure of first; the teacher's word stands over it. One stop for the
 * keyboard: arrows go through it, and keys that work only here say right and wrong.
 */
const { marks, edition, state, decisions, handout } = defineProps<{
  marks: readonly NamedMark[]
  edition: Edition
  state: SlateState
  decisions: Decisions
  handout: string
}>()
const emit = defineEmits<{ decide: [name: string, decision: Decision]; leave: [] }>()
const { t, said } = useWords()
const reasonWords = useReasonWords(
  () => edition,
  () => state.texts,
)
const whyOf = ({ reason }: ItemMark) => said(`review.why.${reason.code}`, 'review.why.other', reasonWords(reason))
const itemName = useItemName(() => edition)
const across = ({ name }: NamedMark) => ({ path: `/handout/${handout}/answers`, query: { item: name } })

const rows = useTemplateRef<HTMLElement[]>('rows')
/** By its name: what is decided may stand elsewhere in the list then. */
const current = ref(marks[0]?.name ?? '')
const at = computed(() =>
  Math.max(
    0,
    marks.findIndex(mark => mark.name === current.value),
  ),
)
function go(to: number) {
  const mark = marks[to]
  if (!mark) return
  current.value = mark.name
  rows.value?.find(row => row.dataset.item === mark.name)?.focus()
}
/** The row may stand elsewhere then; the keyboard goes with it. */
function say(name: string, decision: Decision) {
  emit('decide', name, decision)
  void nextTick(() => go(at.value))
}
const KEYS: { readonly [key: string]: (mark: NamedMark) => void } = {
  ArrowDown: () => (at.value === marks.length - 1 ? emit('leave') : go(at.value + 1)),
  ArrowUp: () => go(at.value - 1),
  Home: () => go(0),
  End: () => go(marks.length - 1),
  '+': mark => mark.verdict !== 'noted' && decisions[mark.name] !== 'right' && say(mark.name, 'right'),
  '-': mark => mark.verdict !== 'noted' && decisions[mark.name] !== 'wrong' && say(mark.name, 'wrong'),
  Delete: ({ name }) => decisions[name] !== undefined && say(name, decisions[name]),
  '.': mark => givePart(mark, mark.of / 2),
  ',': mark => givePart(mark, mark.of / 2),
  Enter: mark => void navigateTo(across(mark)),
}
/** So many points of those that it has. */
function givePart(mark: NamedMark, points: number) {
  if (mark.verdict === 'noted' || !(points >= 0 && points <= mark.of) || decisions[mark.name] === points) return
  say(mark.name, points)
}
function typed(mark: NamedMark, text: string) {
  if (text !== '') givePart(mark, Math.min(mark.of, Number(text)))
}
function press(event: KeyboardEvent, mark: NamedMark) {
  // The buttons of a row have keys of their own.
  if (event.target !== event.currentTarget || event.altKey || event.ctrlKey || event.metaKey) return
  const does = KEYS[event.key] ?? (/^\d$/.test(event.key) ? (of: NamedMark) => givePart(of, Number(event.key)) : null)
  if (!does) return
  event.preventDefault()
  does(mark)
}
defineExpose({ focus: () => go(at.value) })
</script>

<template>
  <ul class="flex flex-col divide-y divide-panel-line" :aria-label="t('review.pieces')">
    <li
      v-for="mark in marks"
      ref="rows"
      :key="mark.name"
      :data-item="mark.name"
      :tabindex="marks[at]?.name === mark.name ? 0 : -1"
      class="flex flex-wrap items-center gap-x-3 rounded px-1 py-2"
      @focus="current = mark.name"
      @keydown="press($event, mark)">
      <ReviewVerdictSign :verdict="mark.verdict" />
      <span class="min-w-0 flex-1"
        ><strong class="font-semibold">{{ itemName(mark) }}</strong></span
      >
      <span class="order-last basis-full pl-10 text-sm text-ink-soft"
        ><strong v-if="decisions[mark.name] !== undefined" class="font-semibold">{{ t('review.yourWord') }}</strong
        ><template v-if="decisions[mark.name] !== undefined">. </template>{{ whyOf(mark) }}</span
      >
      <span class="flex items-center gap-1">
        <span v-if="mark.of && mark.verdict !== 'noted'" class="flex items-center gap-1 text-sm tabular-nums"
          ><UiTyped
            type="number"
            tabindex="-1"
            class="min-h-9 w-14 px-1 py-1 text-right"
            min="0"
            :max="mark.of"
            step="0.5"
            :value="mark.points"
            :aria-label="t('review.pointsFor', { name: itemName(mark), of: mark.of })"
            @change="typed(mark, ($event.target as HTMLInputElement).value)" />/ {{ mark.of }}</span
        >
        <template v-if="mark.verdict !== 'noted'"
          ><button
            v-for="verdict in ['right', 'wrong'] as const"
            :key="verdict"
            type="button"
            tabindex="-1"
            class="button min-h-9 w-9 px-0"
            :class="
              decisions[mark.name] === verdict
                ? verdict === 'right'
                  ? 'border-leaf-700 bg-leaf-100 text-stone-950'
                  : 'border-berry-700 bg-berry-100 text-stone-950'
                : ''
            "
            :aria-pressed="decisions[mark.name] === verdict"
            :aria-label="t(`review.call.${verdict}`, { name: itemName(mark) })"
            @click="emit('decide', mark.name, verdict)">
            <Icon :name="verdict === 'right' ? 'lucide:check' : 'lucide:x'" size="18" /></button
        ></template>
        <NuxtLink
          :to="across(mark)"
          tabindex="-1"
          class="button min-h-9 w-9 px-0"
          :aria-label="t('review.across', { name: itemName(mark) })"
          :title="t('review.across', { name: itemName(mark) })"
          ><Icon name="lucide:users" size="18"
        /></NuxtLink>
      </span>
    </li>
  </ul>
</template>
